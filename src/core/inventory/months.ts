import type { Shell } from '@/core/shell/model';

/** What a moment of a thing says. */
export const momentKinds = ['made', 'changed', 'due'] as const;
export type MomentKind = (typeof momentKinds)[number];

/** How many things were made, changed and are due in a month, `2027-03`. */
export type MonthCount = { readonly month: string } & Readonly<Record<MomentKind, number>>;

/** One thing and one moment of it. */
export interface Moment {
  readonly type: 'item' | 'file' | 'event';
  readonly ref: string;
  readonly kind: MomentKind;
  /** Local date and time, or a date. */
  readonly at: string;
}

/** Every moment of items, files and events that was told: when they were made and changed, and when work is due. */
export function momentsOf(shell: Shell): Moment[] {
  const moments: Moment[] = [];
  const add = (type: Moment['type'], ref: string, kind: MomentKind, at: string | null) => {
    if (at !== null) moments.push({ type, ref, kind, at });
  };
  for (const item of shell.items) {
    add('item', item.ref, 'made', item.created);
    add('item', item.ref, 'changed', item.modified);
    add('item', item.ref, 'due', item.due);
  }
  for (const file of shell.files) {
    add('file', file.path, 'made', file.created);
    add('file', file.path, 'changed', file.modified);
  }
  for (const event of shell.events) add('event', event.ref, 'made', event.created);
  return moments;
}

/** The months in which anything was made, changed or is due, in order. */
export function countMonths(shell: Shell): MonthCount[] {
  const counts = new Map<string, Record<MomentKind, number>>();
  for (const { kind, at } of momentsOf(shell)) {
    const month = at.slice(0, 7);
    const count = counts.get(month) ?? { made: 0, changed: 0, due: 0 };
    count[kind] += 1;
    counts.set(month, count);
  }
  return [...counts]
    .map(([month, count]) => ({ month, ...count }))
    .sort((a, b) => (a.month < b.month ? -1 : 1));
}

/** A stretch of time in the chart: a month `2027-03`, or a year `2027` where the months are too many. */
export type TimeBar = { readonly span: string } & Readonly<Record<MomentKind, number>>;

/** More months than this are gathered by year. */
const mostMonths = 120;

/** A bar for each month from the first to the last, empty ones too; for each year where that would be too many. */
export function timeBars(months: readonly MonthCount[]): TimeBar[] {
  const first = months[0]?.month;
  const last = months.at(-1)?.month;
  if (first === undefined || last === undefined) return [];
  const numbers = [monthNumber(first), monthNumber(last)] as const;
  const isByYear = numbers[1] - numbers[0] + 1 > mostMonths;
  const step = isByYear ? 12 : 1;
  const spanAt = (number: number) => (isByYear ? monthText(number).slice(0, 4) : monthText(number));
  const bars = new Map<string, Record<MomentKind, number>>();
  const start = isByYear ? numbers[0] - (numbers[0] % 12) : numbers[0];
  for (let number = start; number <= numbers[1]; number += step)
    bars.set(spanAt(number), { made: 0, changed: 0, due: 0 });
  for (const count of months) {
    const bar = bars.get(spanAt(monthNumber(count.month)));
    if (bar) for (const kind of momentKinds) bar[kind] += count[kind];
  }
  return [...bars].map(([span, count]) => ({ span, ...count }));
}

/** Months since the year 0. */
const monthNumber = (month: string): number => Number(month.slice(0, 4)) * 12 + Number(month.slice(5, 7)) - 1;

function monthText(number: number): string {
  const year = String(Math.floor(number / 12)).padStart(4, '0');
  return `${year}-${String((number % 12) + 1).padStart(2, '0')}`;
}
