import type { Shell } from '@/core/shell/model';
import { dateOf, type LocalDate } from '@/core/dates/local-date';
import type { TeachingWeeks } from './teaching-weeks';

/** How many dates fall in a teaching week: work that is due, or closes where nothing is due, and events. */
export interface WeekLoad {
  readonly week: number;
  readonly before: number;
  readonly after: number;
}

/** The load of each teaching week before and after a re-dating; weeks of the longer of the two terms. */
export function weekLoads(
  before: { readonly shell: Shell; readonly weeks: TeachingWeeks },
  after: { readonly shell: Shell; readonly weeks: TeachingWeeks },
): readonly WeekLoad[] {
  const [old, now] = [countByWeek(before), countByWeek(after)];
  const last = Math.max(before.weeks.count, after.weeks.count);
  return Array.from({ length: last }, (_, k) => ({
    week: k + 1,
    before: old.get(k + 1) ?? 0,
    after: now.get(k + 1) ?? 0,
  }));
}

function countByWeek({ shell, weeks }: { shell: Shell; weeks: TeachingWeeks }): ReadonlyMap<number, number> {
  const counts = new Map<number, number>();
  for (const day of loadDays(shell)) {
    const { start, end } = weeks.term;
    const week = day >= start && day <= end ? weeks.weekOf(day) : null;
    if (week !== null) counts.set(week, (counts.get(week) ?? 0) + 1);
  }
  return counts;
}

function loadDays(shell: Shell): LocalDate[] {
  const work = shell.items.flatMap((item) => item.due ?? item.closes ?? []).map(dateOf);
  return [...work, ...shell.events.flatMap((event) => event.occurrences.map(dateOf))];
}
