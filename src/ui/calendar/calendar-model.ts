import { putEntry } from '@/core/entries';
import { isoWeekday, spellDate, addDays, dateOf, type LocalDate } from '@/core/dates/local-date';
import type { CalendarMark, CalendarView } from '@/services/show/decide/calendar-view';
import type { GestureStep } from '@/core/outline/gesture';

export const groupings = ['series', 'link', 'made'] as const;
/** What the list beside the sheet gathers dates by. */
export type Grouping = (typeof groupings)[number];
export const groupingTitles: Readonly<Record<Grouping, string>> = {
  series: 'By series',
  link: 'By link',
  made: 'By day of making',
};

/** Dates that belong together: those of one series, with one link, made on one day. */
export interface MarkGroup {
  readonly key: string;
  readonly title: string;
  readonly note: string;
  readonly marks: readonly CalendarMark[];
}

const shortWeekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
export const weekdayOf = (mark: CalendarMark): number => isoWeekday(dateOf(mark.at));
/** `14 Oct`. */
export const shortDay = (day: LocalDate): string =>
  spellDate(day)
    .replace(/ (\p{L}{3})\p{L}* /u, ' $1 ')
    .replace(/ \d{4}$/, '');

/** The groups of a grouping, the largest first; of equal ones those with a finding. */
export function groupsOf(marks: readonly CalendarMark[], grouping: Grouping): readonly MarkGroup[] {
  const groups = new Map<string, { title: string; marks: CalendarMark[] }>();
  for (const mark of marks)
    for (const { key, title } of groupKeys(mark, grouping)) {
      const group = groups.get(key);
      if (group) group.marks.push(mark);
      else groups.set(key, { title, marks: [mark] });
    }
  const sorted = [...groups]
    .map(([key, group]) => ({ key, ...group, note: noteOf(group.marks) }))
    .sort((a, b) => countFound(b.marks) - countFound(a.marks) || b.marks.length - a.marks.length);
  const found = marks.filter((mark) => mark.kind === 'event' && mark.finding !== null);
  const isSeveral = sorted.filter((group) => group.marks.some((mark) => found.includes(mark))).length > 1;
  if (grouping !== 'series' || !isSeveral) return sorted;
  const all = { key: 'found', title: 'Events with a finding', note: 'of all series', marks: found };
  return [all, ...sorted];
}

const countFound = (marks: readonly CalendarMark[]): number =>
  marks.filter((mark) => mark.finding !== null).length;

function groupKeys(mark: CalendarMark, grouping: Grouping): { key: string; title: string }[] {
  switch (grouping) {
    case 'series':
      // A calendar without rules says the same title again and again: that is a series to people.
      return [
        mark.kind === 'event'
          ? { key: `event ${mark.title}`, title: mark.title }
          : { key: mark.kind, title: mark.kind === 'due' ? 'Work that is due' : 'Work that closes' },
      ];
    case 'link':
      return mark.links.map((link) => ({ key: link, title: link }));
    case 'made':
      return mark.made === null ? [] : [{ key: mark.made, title: spellDate(mark.made) }];
  }
}

function noteOf(marks: readonly CalendarMark[]): string {
  const days = [...new Set(marks.map(weekdayOf))].sort().map((n) => shortWeekdays[n - 1]);
  const found = marks.find((mark) => mark.finding !== null)?.finding;
  const state = found ? found.title : 'nothing found';
  return [days.length <= 3 ? days.join(', ') : '', state].filter((part) => part !== '').join(' · ');
}

/** Where the dates of a view stand: in a week of the term, before it or after it. */
export interface PlacedMarks {
  readonly before: readonly CalendarMark[];
  readonly byDay: ReadonlyMap<LocalDate, readonly CalendarMark[]>;
  readonly after: readonly CalendarMark[];
}

export function placeMarks({ weeks, marks }: Pick<CalendarView, 'weeks' | 'marks'>): PlacedMarks {
  const first = weeks[0]?.monday;
  const last = weeks.at(-1)?.monday;
  const byDay = new Map<LocalDate, CalendarMark[]>();
  const before: CalendarMark[] = [];
  const after: CalendarMark[] = [];
  for (const mark of marks) {
    const day = dateOf(mark.at);
    if (first === undefined || last === undefined || day < first) before.push(mark);
    else if (day > addDays(last, 6)) after.push(mark);
    else byDay.set(day, [...(byDay.get(day) ?? []), mark]);
  }
  return { before, byDay, after };
}

/** The steps that take dates away: whole events where all their dates were chosen, single dates of a series, dates of items. */
export function stepsToRemove(
  chosen: readonly CalendarMark[],
): readonly { readonly words: string; readonly step: GestureStep }[] {
  const whole: string[] = [];
  const occurrences: Record<string, string[]> = {};
  for (const [ref, marks] of byRef(chosen.filter((mark) => mark.kind === 'event')))
    if (marks.length === marks[0]?.dates) whole.push(ref);
    else
      putEntry(
        occurrences,
        ref,
        marks.map((mark) => mark.at),
      );
  const steps: { words: string; step: GestureStep }[] = [];
  if (whole.length > 0)
    steps.push({ words: 'Delete', step: { action: 'delete', targets: whole, params: {} } });
  const series = Object.keys(occurrences);
  if (series.length > 0)
    steps.push({
      words: 'Take dates out of',
      step: { action: 'exclude-occurrence', targets: series, params: { occurrences } },
    });
  for (const kind of ['due', 'closes'] as const) {
    const targets = [...new Set(chosen.filter((mark) => mark.kind === kind).map((mark) => mark.ref))];
    if (targets.length > 0)
      steps.push({
        words: 'Clear the date of',
        step: { action: 'clear-dates', targets, params: { fields: [kind] } },
      });
  }
  return steps;
}

export function byRef(marks: readonly CalendarMark[]): ReadonlyMap<string, readonly CalendarMark[]> {
  const groups = new Map<string, CalendarMark[]>();
  for (const mark of marks) {
    const group = groups.get(mark.ref);
    if (group) group.push(mark);
    else groups.set(mark.ref, [mark]);
  }
  return groups;
}

/** Ends each chosen series on the day before its first chosen date; one whose first date was chosen can’t be ended. */
export function stepsToEnd(view: CalendarView, chosen: readonly CalendarMark[]): readonly GestureStep[] {
  const firstDates = new Map([...byRef(view.marks)].map(([ref, marks]) => [ref, marks[0]?.at]));
  const byDay = new Map<string, string[]>();
  for (const [ref, marks] of byRef(chosen.filter((mark) => mark.dates > 1))) {
    const first = marks[0];
    if (!first || first.at === firstDates.get(ref)) continue;
    const until = addDays(dateOf(first.at), -1);
    byDay.set(until, [...(byDay.get(until) ?? []), ref]);
  }
  return [...byDay].map(([until, targets]) => ({ action: 'end-recurrence', targets, params: { until } }));
}

/** Drops every link of the chosen events. */
export function stepToDropLinks(chosen: readonly CalendarMark[]): GestureStep | null {
  const links = Object.fromEntries(
    chosen.filter((mark) => mark.links.length > 0).map((mark) => [mark.ref, [...mark.links]]),
  );
  const targets = Object.keys(links);
  return targets.length === 0 ? null : { action: 'drop-link', targets, params: { links } };
}

/** What a mark says when it is pointed at or heard. */
export function sayMark(mark: CalendarMark): string {
  const kind = { event: '', due: 'due: ', closes: 'closes: ' }[mark.kind];
  const time = mark.allDay ? '' : `, ${mark.at.slice(11, 16)}`;
  return `${kind}${mark.title}${time}${mark.finding ? `; ${mark.finding.title}` : ''}`;
}
