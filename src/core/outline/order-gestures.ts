import type { Item } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { numberLabel } from '@/core/text/number-label';
import { noGesture, outermost, siblingsOf, type Gesture, type OutlineShell } from './gesture';

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** The numbers that a title counts by: [3] for “Week 3: Stage”, [2, 1] for “Unit 2.1”; null where it does not count. */
const numbersOf = (item: Item): readonly number[] | null => numberLabel(item.title)?.numbers ?? null;

/** Titles that count come in the order of their numbers, the others by their words with numbers in them by size. */
function byNumber(a: Item, b: Item): number {
  const [one, other] = [numbersOf(a), numbersOf(b)];
  if (one === null || other === null) return collator.compare(a.title, b.title);
  for (let n = 0; n < Math.max(one.length, other.length); n += 1) {
    const difference = (one[n] ?? 0) - (other[n] ?? 0);
    if (difference !== 0) return difference;
  }
  return collator.compare(a.title, b.title);
}

/** By the moment that things were made at, the order in which most sources hand them over; what does not say comes last. */
const byMaking = (a: Item, b: Item): number => collator.compare(a.created ?? '9', b.created ?? '9');

export type SortOrder = 'number' | 'making' | 'source';
/** Where the source names each item’s content, by ref; a module stands where the first thing in it does. */
export type SourceRanks = ReadonlyMap<string, number>;

function orderBy(order: SortOrder, ranks: SourceRanks): (a: Item, b: Item) => number {
  switch (order) {
    case 'number':
      return byNumber;
    case 'making':
      return byMaking;
    case 'source':
      return (a, b) => (ranks.get(a.ref) ?? Infinity) - (ranks.get(b.ref) ?? Infinity) || 0;
  }
}

/**
 * Sorts siblings: those that were chosen; of a single chosen module what stands in it; without a choice the modules of
 * the top level that count.
 */
export function sortSiblings(
  shell: OutlineShell,
  refs: ReadonlySet<string>,
  order: SortOrder,
  ranks: SourceRanks = new Map(),
): Gesture {
  const compare = orderBy(order, ranks);
  return groupsToSort(shell, refs).flatMap((group): Gesture => {
    const sorted = [...group].sort(compare);
    const isSorted = sorted.every((item, n) => item === group[n]);
    if (isSorted || sorted.length < 2) return noGesture;
    return [{ action: 'sort', targets: sorted.map((item) => item.ref), params: {} }];
  });
}

function groupsToSort(shell: OutlineShell, refs: ReadonlySet<string>): readonly (readonly Item[])[] {
  const outline = outlineOf(shell);
  const chosen = outermost(shell, refs).filter((item) => item.placed);
  if (chosen.length === 0)
    return [outline.children(null).filter((item) => item.kind === 'module' && numbersOf(item) !== null)];
  const [only] = chosen;
  if (chosen.length === 1 && only?.kind === 'module') return [outline.children(only.ref)];
  const groups = new Map<Item['parent'], Item[]>();
  for (const item of chosen) groups.set(item.parent, [...(groups.get(item.parent) ?? []), item]);
  return [...groups.values()];
}

/** How many modules of the top level must move at least so that those that count stand in order. */
export function countOutOfOrder(shell: OutlineShell): { readonly out: number; readonly of: number } {
  const series = outlineOf(shell)
    .children(null)
    .filter((item) => item.kind === 'module' && numbersOf(item) !== null);
  const order = new Map([...series].sort(byNumber).map((item, n) => [item, n]));
  const inOrder = longestRising(series.map((item) => order.get(item) ?? 0));
  return { out: series.length - inOrder, of: series.length };
}

/** How many numbers can stay where they are while the others are put in order (patience sorting). */
function longestRising(numbers: readonly number[]): number {
  const tops: number[] = [];
  for (const number of numbers) {
    const pile = tops.findIndex((top) => top >= number);
    tops[pile < 0 ? tops.length : pile] = number;
  }
  return tops.length;
}

/** Numbers a series anew in the order in which it stands: the first number of each title becomes 1, 2, 3. */
export function numberAnew(shell: OutlineShell, refs: ReadonlySet<string>): Gesture {
  const chosen = outermost(shell, refs);
  const [only] = chosen;
  const series =
    chosen.length === 1 && only !== undefined
      ? siblingsOf(shell, only).filter((item) => isOneSeries(item, only))
      : chosen.filter((item) => numbersOf(item) !== null);
  const titles = Object.fromEntries(
    series
      .map((item, n) => [item.ref, withNumber(item.title, n + 1)] as const)
      .filter(([ref, title]) => series.some((item) => item.ref === ref && item.title !== title)),
  );
  const targets = Object.keys(titles);
  return targets.length === 0 ? noGesture : [{ action: 'rename', targets, params: { titles } }];
}

function isOneSeries(item: Item, other: Item): boolean {
  const [one, two] = [numberLabel(item.title), numberLabel(other.title)];
  return one !== null && two !== null && one.label === two.label && item.kind === other.kind;
}

/** A title with another number in its label; one that is spelled out or Roman is written in figures. */
function withNumber(title: string, n: number): string {
  const label = numberLabel(title);
  if (!label) return title;
  const head = title.slice(0, label.end);
  const counted = head.replace(/\d+|[ivxl]{1,20}(?=\W{0,20}$)|\p{L}{1,40}(?=\W{0,20}$)/iu, (found) =>
    /^0\d/.test(found) ? String(n).padStart(found.length, '0') : String(n),
  );
  return `${counted}${title.slice(label.end)}`;
}
