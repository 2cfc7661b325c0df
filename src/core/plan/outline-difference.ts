import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';

/** A line of the outline that is not afterwards what it was, or that a changed one stands in. */
export interface OutlineLine {
  readonly ref: string;
  readonly title: string;
  /** How deep it stands, 0 for the top. */
  readonly depth: number;
  /** `same` for what is only around something that differs. */
  readonly is: 'same' | 'gone' | 'new' | 'moved' | 'changed';
  /** What it was called, where it is called otherwise now; empty otherwise. */
  readonly was: string;
}

/** So many lines at most: a plan that changes more is told in figures. */
const mostLines = 1500;

/**
 * The outline before and after in one list: what is gone stands where it was, marked; what moved stands where it is now.
 * Only lines that differ, and what they stand in.
 */
export function outlineDifference(before: Shell, after: Shell): OutlineLine[] {
  if (before.items === after.items) return [];
  const lines = [...merged(before, after)];
  const kept = new Set<number>();
  // The places of what the line at hand stands in, the outermost first.
  const around: number[] = [];
  lines.forEach(({ is, depth }, at) => {
    around.length = Math.min(around.length, depth);
    around.push(at);
    if (is !== 'same') for (const place of around) kept.add(place);
  });
  return lines.filter((_, at) => kept.has(at)).slice(0, mostLines);
}

function* merged(before: Shell, after: Shell): Generator<OutlineLine> {
  const [was, now] = [outlineOf(before), outlineOf(after)];
  const goneUnder = new Map<string | null, Item[]>();
  for (const item of before.items) {
    if (!item.placed || now.byRef.has(item.ref)) continue;
    const siblings = goneUnder.get(item.parent);
    if (siblings) siblings.push(item);
    else goneUnder.set(item.parent, [item]);
  }
  const placeIn = siblingPlaces(before);
  yield* under(null, 0);

  function* under(parent: Item['parent'], depth: number): Generator<OutlineLine> {
    const gone = [...(goneUnder.get(parent) ?? [])];
    for (const item of now.children(parent)) {
      const place = placeIn.get(item.ref) ?? Infinity;
      while (gone[0] && (placeIn.get(gone[0].ref) ?? 0) < place) yield* goneLine(gone.shift(), depth);
      yield lineOf(item, was.byRef.get(item.ref), depth);
      yield* under(item.ref, depth + 1);
    }
    for (const item of gone) yield* goneLine(item, depth);
  }
  function* goneLine(item: Item | undefined, depth: number): Generator<OutlineLine> {
    if (!item) return;
    yield { ref: item.ref, title: item.title, depth, is: 'gone', was: '' };
    for (const inside of goneUnder.get(item.ref) ?? []) yield* goneLine(inside, depth + 1);
  }
}

function lineOf(item: Item, old: Item | undefined, depth: number): OutlineLine {
  const was = old && old.title !== item.title ? old.title : '';
  return { ref: item.ref, title: item.title, depth, is: kindOf(item, old), was };
}

function kindOf(item: Item, old: Item | undefined): OutlineLine['is'] {
  if (!old) return 'new';
  if (old.parent !== item.parent || old.placed !== item.placed) return 'moved';
  return old === item ? 'same' : 'changed';
}

/** The place of each item among its siblings. */
function siblingPlaces(shell: Shell): ReadonlyMap<string, number> {
  const counts = new Map<string | null, number>();
  return new Map(
    shell.items.map((item) => {
      const n = counts.get(item.parent) ?? 0;
      counts.set(item.parent, n + 1);
      return [item.ref, n];
    }),
  );
}
