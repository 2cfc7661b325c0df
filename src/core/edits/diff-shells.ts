import equal from 'fast-deep-equal';
import type { Shell } from '@/core/shell/model';
import {
  factNames,
  keyOf,
  listNames,
  type Edit,
  type Facts,
  type ListName,
  type PlacedThing,
  type ThingOf,
} from './edit';

/**
 * The edits that lead from one state of a shell to another. Lists and things that are the same object are not looked
 * into, so the cost is that of what changed.
 */
export function diffShells(before: Shell, after: Shell): Edit[] {
  if (before === after) return [];
  const edits = listNames.flatMap((list) =>
    before[list] === after[list] ? [] : diffList(list, before[list], after[list]),
  );
  const facts = diffFacts(before, after);
  return facts ? [...edits, facts] : edits;
}

function diffFacts(before: Shell, after: Shell): Edit | null {
  const changed = factNames.filter(
    (name) => before[name] !== after[name] && !equal(before[name], after[name]),
  );
  if (!changed.length) return null;
  const pick = (shell: Shell): Facts => Object.fromEntries(changed.map((name) => [name, shell[name]]));
  return { op: 'facts', before: pick(before), after: pick(after) };
}

function diffList<N extends ListName>(
  list: N,
  was: readonly ThingOf<N>[],
  now: readonly ThingOf<N>[],
): Edit[] {
  const wasKeys = new Map(was.map((thing) => [keyOf(thing), thing]));
  const nowKeys = new Set(now.map(keyOf));
  const removed = placedWhere(was, (key) => !nowKeys.has(key));
  const inserted = placedWhere(now, (key) => !wasKeys.has(key));
  const edits: unknown[] = [];
  if (removed.length) edits.push({ op: 'remove', list, things: removed });
  const order = diffOrder(
    was.map(keyOf).filter((key) => nowKeys.has(key)),
    now.map(keyOf).filter((key) => wasKeys.has(key)),
  );
  if (order) edits.push({ op: 'order', list, ...order });
  if (inserted.length) edits.push({ op: 'insert', list, things: inserted });
  for (const thing of now) {
    const old = wasKeys.get(keyOf(thing));
    if (old === undefined || old === thing) continue;
    const fields = differingFields(old, thing);
    if (fields) edits.push({ op: 'change', list, ref: keyOf(thing), ...fields });
  }
  return edits as Edit[];
}

function placedWhere<N extends ListName>(
  things: readonly ThingOf<N>[],
  wanted: (key: string) => boolean,
): PlacedThing<N>[] {
  const placed: PlacedThing<N>[] = [];
  let after: string | null = null;
  for (const thing of things) {
    const key = keyOf(thing);
    if (wanted(key)) placed.push({ after, thing });
    after = key;
  }
  return placed;
}

/** The stretch between the common beginning and the common end of two orders; null where they are one. */
function diffOrder(
  was: readonly string[],
  now: readonly string[],
): { before: string[]; after: string[] } | null {
  let head = 0;
  while (head < was.length && was[head] === now[head]) head += 1;
  if (head === was.length) return null;
  let tail = 0;
  while (was[was.length - 1 - tail] === now[now.length - 1 - tail]) tail += 1;
  return { before: was.slice(head, was.length - tail), after: now.slice(head, now.length - tail) };
}

function differingFields<T extends object>(old: T, now: T): { before: Partial<T>; after: Partial<T> } | null {
  const before: Partial<T> = {};
  const after: Partial<T> = {};
  let differs = false;
  for (const field of Object.keys(now) as (keyof T)[]) {
    if (old[field] === now[field] || equal(old[field], now[field])) continue;
    before[field] = old[field];
    after[field] = now[field];
    differs = true;
  }
  return differs ? { before, after } : null;
}
