import { entryOf } from '@/core/entries';
import { append } from '@/core/collect';
import equal from 'fast-deep-equal';
import { bad, good, type Result } from '@/core/shell/result';
import type { Shell } from '@/core/shell/model';
import {
  keyOf,
  type Edit,
  type FactName,
  type ListEdit,
  type ListName,
  type PlacedThing,
  type ThingOf,
} from './edit';

type Thing = ThingOf<ListName>;

/**
 * Applies edits in order. Trouble `edit-misfit` where a thing that an edit replaces is not there or is not what it
 * replaces, where one to be added is there already, or where an order is another: then nothing is changed at all.
 */
export function tryEdits(shell: Shell, edits: readonly Edit[]): Result<Shell> {
  const changed = new Map<ListName, readonly Thing[]>();
  let facts: Partial<Shell> = {};
  const now = (list: ListName): readonly Thing[] => changed.get(list) ?? shell[list];
  for (const group of runsOfChanges(edits)) {
    const [edit] = group;
    if (edit === undefined) continue;
    if (edit.op === 'facts') {
      const misfit = Object.entries(edit.before).find(([name, value]) => {
        const here = Object.hasOwn(facts, name) ? facts[name as FactName] : shell[name as FactName];
        return !equal(here, value);
      });
      if (misfit) return bad('edit-misfit', `the shell’s ${misfit[0]} is not what this replaces`);
      facts = { ...facts, ...edit.after };
      continue;
    }
    const result = editList(now(edit.list), group as readonly ListEdit<ListName>[]);
    if (!result.ok) return result;
    changed.set(edit.list, result.value);
  }
  return good({ ...shell, ...Object.fromEntries(changed), ...facts });
}

/** As `tryEdits`, for edits that were made for this very shell: a misfit is a fault of ours and throws. */
export function applyEdits(shell: Shell, edits: readonly Edit[]): Shell {
  const result = tryEdits(shell, edits);
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
}

/** Changes of one list that follow each other are taken together: a list of ten thousand is then walked once. */
function runsOfChanges(edits: readonly Edit[]): Edit[][] {
  const groups: Edit[][] = [];
  for (const edit of edits) {
    const group = groups.at(-1);
    const last = group?.at(-1);
    const joins = last?.op === 'change' && edit.op === 'change' && last.list === edit.list;
    if (group && joins) group.push(edit);
    else groups.push([edit]);
  }
  return groups;
}

function editList(list: readonly Thing[], group: readonly ListEdit<ListName>[]): Result<readonly Thing[]> {
  const [edit] = group;
  if (edit === undefined) return good(list);
  switch (edit.op) {
    case 'remove':
      return removeThings(list, edit.things);
    case 'insert':
      return insertThings(list, edit.things);
    case 'order':
      return reorder(list, edit.before, edit.after);
    case 'change':
      return changeThings(list, group as readonly ChangeEdit[]);
  }
}

type ChangeEdit = Extract<ListEdit<ListName>, { op: 'change' }>;

function changeThings(list: readonly Thing[], edits: readonly ChangeEdit[]): Result<readonly Thing[]> {
  const places = new Map(list.map((thing, at) => [keyOf(thing), at]));
  const next = [...list];
  for (const { ref, before, after } of edits) {
    const at = places.get(ref);
    const thing = at === undefined ? undefined : next[at];
    if (at === undefined || thing === undefined) return bad('edit-misfit', `“${ref}” is not there any more`);
    const misfit = Object.entries(before).find(
      ([field, value]) => !equal(entryOf(thing as unknown as Record<string, unknown>, field), value),
    );
    if (misfit)
      return bad('edit-misfit', `the ${fieldWord(misfit[0])} of “${titleOf(thing)}” was changed since`);
    next[at] = { ...thing, ...after } as Thing;
  }
  return good(next);
}

function removeThings(
  list: readonly Thing[],
  things: readonly PlacedThing<ListName>[],
): Result<readonly Thing[]> {
  const here = new Map(list.map((thing) => [keyOf(thing), thing]));
  for (const { thing } of things) {
    const now = here.get(keyOf(thing));
    if (now === undefined) return bad('edit-misfit', `“${titleOf(thing)}” is not there any more`);
    if (now !== thing && !equal(now, thing))
      return bad('edit-misfit', `“${titleOf(thing)}” was changed since`);
  }
  const going = new Set(things.map(({ thing }) => keyOf(thing)));
  return good(list.filter((thing) => !going.has(keyOf(thing))));
}

function insertThings(
  list: readonly Thing[],
  things: readonly PlacedThing<ListName>[],
): Result<readonly Thing[]> {
  const here = new Set(list.map(keyOf));
  const double = things.find(({ thing }) => here.has(keyOf(thing)));
  if (double) return bad('edit-misfit', `“${titleOf(double.thing)}” is there already`);
  const following = new Map<string | null, Thing[]>();
  for (const { after, thing } of things) {
    const others = following.get(after);
    if (others) others.push(thing);
    else following.set(after, [thing]);
  }
  const next: Thing[] = [];
  const addFollowing = (after: string | null) => {
    const waiting = [...(following.get(after) ?? [])].reverse();
    for (let thing = waiting.pop(); thing !== undefined; thing = waiting.pop()) {
      next.push(thing);
      append(waiting, [...(following.get(keyOf(thing)) ?? [])].reverse());
    }
  };
  addFollowing(null);
  for (const thing of list) {
    next.push(thing);
    addFollowing(keyOf(thing));
  }
  if (next.length !== list.length + things.length)
    return bad('edit-misfit', 'what stood before it in the list is not there any more');
  return good(next);
}

/** Things take each other’s places; what stands between them stays where it is. */
function reorder(
  list: readonly Thing[],
  before: readonly string[],
  after: readonly string[],
): Result<readonly Thing[]> {
  const moved = bad('edit-misfit', 'the order was changed since');
  const wanted = new Set(before);
  const slots = list.flatMap((thing, at) => (wanted.has(keyOf(thing)) ? [at] : []));
  const stands = slots.map((at) => list[at]);
  const fits =
    stands.length === before.length && stands.every((thing, n) => thing && keyOf(thing) === before[n]);
  if (!fits) return moved;
  const things = new Map(stands.flatMap((thing) => (thing ? [[keyOf(thing), thing] as const] : [])));
  const next = [...list];
  for (const [n, key] of after.entries()) {
    const [slot, thing] = [slots[n], things.get(key)];
    if (slot === undefined || thing === undefined) return moved;
    next[slot] = thing;
  }
  return good(next);
}

const titleOf = (thing: Thing): string => ('title' in thing && thing.title ? thing.title : keyOf(thing));

const fieldWords: Readonly<Record<string, string>> = {
  shown: 'visibility',
  parent: 'place',
  texts: 'text',
  text: 'text',
  source: 'entry',
};
const fieldWord = (field: string): string => entryOf(fieldWords, field) ?? field;
