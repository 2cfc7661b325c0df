import { listUnder } from '@/core/entries';
import { changeKinds, type Change, type ChangeKind } from './change';

/** A thing that differs from at least one of several other shells. */
export interface DriftingThing {
  readonly key: string;
  readonly type: Change['type'];
  readonly title: string;
  readonly path: readonly string[];
  /** What became of it against each shell that it differs from, by the shell’s id. */
  readonly against: Readonly<Record<string, readonly ChangeKind[]>>;
}
interface Compared {
  readonly id: string;
  readonly comparison: { readonly changes: readonly Change[] };
}

/**
 * The changes against several shells, thing by thing: what drifted everywhere comes first. A thing of this shell is known
 * by its ref; what is missing here, by its sort, its title and the modules around it.
 */
export function driftByThing(compared: readonly Compared[]): readonly DriftingThing[] {
  const things = new Map<string, DriftingThing & { readonly against: Record<string, ChangeKind[]> }>();
  for (const { id, comparison } of compared) {
    for (const { kind, type, ref, title, path } of comparison.changes) {
      const key = kind === 'gone' ? JSON.stringify([type, title, path]) : `${type} ${ref}`;
      const thing = things.get(key) ?? { key, type, title, path, against: {} };
      things.set(key, thing);
      const kinds = listUnder(thing.against, id);
      if (!kinds.includes(kind)) kinds.push(kind);
    }
  }
  const order = (a: ChangeKind, b: ChangeKind) => changeKinds.indexOf(a) - changeKinds.indexOf(b);
  for (const { against } of things.values()) for (const kinds of Object.values(against)) kinds.sort(order);
  const shells = ({ against }: DriftingThing) => Object.keys(against).length;
  return [...things.values()].sort((a, b) => shells(b) - shells(a));
}
