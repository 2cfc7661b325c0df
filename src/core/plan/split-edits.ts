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
  // Said of a list that has lost what goes and has not got what comes.
  const orders: StepEdits[] = [];
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
        orders.push({ steps: causeOf('items', ''), edits: [edit] });
        break;
      case 'facts':
        add(causeOf('items', ''), edit);
        break;
    }
  }
  return [...removes, ...orders, ...inserts, ...parts.values()];
}

type Things = readonly PlacedThing<ListName>[];

/** Things of a list edit that the same steps brought about. */
interface Group {
  readonly steps: readonly number[];
  readonly keys: string[];
}

/** The things of a list edit by the steps that brought them about, each in the order of the list. */
function byCause(list: ListName, things: Things, causeOf: CauseOf): readonly Group[] {
  const groups = new Map<string, Group>();
  for (const { thing } of things) {
    const key = keyOf(thing);
    const steps = causeOf(list, key);
    const name = steps.join(' ');
    const group = groups.get(name) ?? { steps, keys: [] };
    group.keys.push(key);
    groups.set(name, group);
  }
  return [...groups.values()];
}

function splitRemoval(before: Shell, list: ListName, things: Things, causeOf: CauseOf): StepEdits[] {
  const chain = new Chain(before[list]);
  return byCause(list, things, causeOf).map(({ steps, keys }) => {
    const edit = { op: 'remove', list, things: chain.takeOut(keys) } as Edit;
    return { steps, edits: [edit] };
  });
}

function splitInsertion(after: Shell, list: ListName, things: Things, causeOf: CauseOf): StepEdits[] {
  const chain = new Chain(after[list]);
  // What comes in last stands between all the others; without it the one before it does.
  const backwards = byCause(list, things, causeOf).toReversed();
  const parts = backwards.map(({ steps, keys }) => {
    const edit = { op: 'insert', list, things: chain.takeOut(keys) } as Edit;
    return { steps, edits: [edit] };
  });
  return parts.toReversed();
}

type Thing = Shell[ListName][number];

/** A list in which each thing knows its neighbours, so that taking one out does not look at all the others. */
class Chain {
  private readonly links = new Map<
    string,
    { readonly thing: Thing; before: string | null; after: string | null }
  >();

  constructor(list: readonly Thing[]) {
    let before: string | null = null;
    for (const thing of list) {
      const key = keyOf(thing);
      this.links.set(key, { thing, before, after: null });
      const neighbour = before === null ? undefined : this.links.get(before);
      if (neighbour) neighbour.after = key;
      before = key;
    }
  }

  /** Takes things out, given in the order of the list; tells behind which thing each of them stood. */
  takeOut(keys: readonly string[]): Things {
    const things = keys.flatMap((key): PlacedThing<ListName>[] => {
      const link = this.links.get(key);
      return link ? [{ after: link.before, thing: link.thing }] : [];
    });
    for (const key of keys) this.unlink(key);
    return things;
  }

  private unlink(key: string): void {
    const link = this.links.get(key);
    if (!link) return;
    const before = link.before === null ? undefined : this.links.get(link.before);
    const after = link.after === null ? undefined : this.links.get(link.after);
    if (before) before.after = link.after;
    if (after) after.before = link.before;
    this.links.delete(key);
  }
}
