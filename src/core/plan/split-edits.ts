import { append } from '@/core/collect';
import { keyOf, type Edit, type ListName, type PlacedThing } from '@/core/edits/edit';
import type { Shell } from '@/core/shell/model';

/** Edits that these steps of a run brought about together; most are one step’s alone. */
export interface StepEdits {
  /** Places of the steps in the run’s list. */
  readonly steps: readonly number[];
  readonly edits: readonly Edit[];
}

/** Which steps brought a thing’s change about; none known: all of the batch. */
export type CauseOf = (list: ListName, key: string) => readonly number[];

/**
 * Deals the edits of a batch out to its steps, so that each can be taken back alone. In their order they still lead from
 * the one shell to the other, and backwards exactly.
 */
export function splitEdits(
  before: Shell,
  after: Shell,
  edits: readonly Edit[],
  causeOf: CauseOf,
): StepEdits[] {
  const parts = new Map<string, { steps: readonly number[]; edits: Edit[] }>();
  const removes: StepEdits[] = [];
  const inserts: StepEdits[] = [];
  const add = (steps: readonly number[], edit: Edit) => {
    const key = steps.join(' ');
    const part = parts.get(key);
    if (part) part.edits.push(edit);
    else parts.set(key, { steps, edits: [edit] });
  };
  for (const edit of edits) {
    switch (edit.op) {
      case 'remove':
        append(removes, splitRemoval(before, edit.list, edit.things, causeOf));
        break;
      case 'insert':
        append(inserts, splitInsertion(after, edit.list, edit.things, causeOf));
        break;
      case 'change':
        add(causeOf(edit.list, edit.ref), edit);
        break;
      case 'order':
      case 'facts':
        add(causeOf('items', ''), edit);
        break;
    }
  }
  return [...removes, ...inserts, ...parts.values()];
}

type Things = readonly PlacedThing<ListName>[];

/** The things of a list edit by the steps that brought them about. */
function byCause(
  list: ListName,
  things: Things,
  causeOf: CauseOf,
): Map<string, { steps: readonly number[]; keys: Set<string> }> {
  const groups = new Map<string, { steps: readonly number[]; keys: Set<string> }>();
  for (const { thing } of things) {
    const steps = causeOf(list, keyOf(thing));
    const name = steps.join(' ');
    const group = groups.get(name);
    if (group) group.keys.add(keyOf(thing));
    else groups.set(name, { steps, keys: new Set([keyOf(thing)]) });
  }
  return groups;
}

function splitRemoval(before: Shell, list: ListName, things: Things, causeOf: CauseOf): StepEdits[] {
  let now: readonly Shell[ListName][number][] = before[list];
  return [...byCause(list, things, causeOf).values()].map(({ steps, keys }) => {
    const edit = { op: 'remove', list, things: placed(now, keys) } as Edit;
    now = now.filter((thing) => !keys.has(keyOf(thing)));
    return { steps, edits: [edit] };
  });
}

function splitInsertion(after: Shell, list: ListName, things: Things, causeOf: CauseOf): StepEdits[] {
  const waiting = new Set(things.map(({ thing }) => keyOf(thing)));
  return [...byCause(list, things, causeOf).values()].map(({ steps, keys }) => {
    for (const key of keys) waiting.delete(key);
    const there = after[list].filter((thing) => !waiting.has(keyOf(thing)));
    return { steps, edits: [{ op: 'insert', list, things: placed(there, keys) } as Edit] };
  });
}

function placed(list: readonly Shell[ListName][number][], keys: ReadonlySet<string>): Things {
  const things: PlacedThing<ListName>[] = [];
  let after: string | null = null;
  for (const thing of list) {
    const key = keyOf(thing);
    if (keys.has(key)) things.push({ after, thing });
    after = key;
  }
  return things;
}
