import type { Series } from '@/core/checks/facts/series';

/**
 * Is a series one in which a number that stands twice or is missing means something: modules, or three or more
 * siblings of which fewer than half repeat? Two readings of each week under one heading number nothing.
 */
export function countsAlong(series: Series): boolean {
  if (series.members.every((m) => m.item.kind === 'module')) return true;
  if (series.members.length < 3) return false;
  const counts = numbersOf(series);
  const repeating = [...counts.values()].reduce((n, list) => n + (list.length > 1 ? list.length : 0), 0);
  return repeating * 2 < series.members.length;
}

/** The members of each number, in order. */
export function numbersOf(series: Series): Map<string, Series['members'][number][]> {
  const counts = new Map<string, Series['members'][number][]>();
  for (const m of series.members) {
    const key = m.label.numbers.join('.');
    const list = counts.get(key);
    if (list) list.push(m);
    else counts.set(key, [m]);
  }
  return counts;
}
