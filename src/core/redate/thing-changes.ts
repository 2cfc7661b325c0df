import { dateOf, isoWeekday, type LocalDateTime } from '@/core/dates/local-date';
import { weekdayKeys, type RedateWarning, type Rule, type WeekdayKey } from './ask';

export const redateFields = [
  'opens',
  'closes',
  'due',
  'start',
  'until',
  'exdate',
  'rdate',
  'override',
] as const;
export type RedateField = (typeof redateFields)[number];

/** One date that changes. Days of all-day events are written without a time; a date that goes has no new one. */
export interface RedateChange {
  readonly type: 'item' | 'event';
  /** An override’s ref is the UID, # and its recurrence id. */
  readonly ref: string;
  readonly title: string;
  readonly field: RedateField;
  readonly old: string | null;
  readonly new: string | null;
  /** The teaching week of the new day. */
  readonly week: number | null;
  readonly weekday: WeekdayKey | null;
  readonly warnings: readonly RedateWarning[];
}

/** One thing that was asked about: its changes, and what a step sets of it and of its overrides. */
export interface ThingChanges {
  readonly ref: string;
  readonly hasDates: boolean;
  /** All its dates lie too far outside the old term. */
  readonly isOutside: boolean;
  readonly changes: readonly RedateChange[];
  readonly sets: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
}

/** Things asked about; with dates; changed; with the same dates as before; outside the old term. */
export interface RedateCounts {
  readonly things: number;
  readonly dated: number;
  readonly changed: number;
  readonly same: number;
  readonly outside: number;
}

export function tallyOf(things: readonly ThingChanges[]): RedateCounts {
  const dated = things.filter((thing) => thing.hasDates);
  const changed = dated.filter((thing) => thing.changes.length > 0).length;
  const outside = dated.filter((thing) => thing.isOutside && thing.changes.length === 0).length;
  return {
    things: things.length,
    dated: dated.length,
    changed,
    same: dated.length - changed - outside,
    outside,
  };
}

interface Changed {
  readonly type: RedateChange['type'];
  readonly ref: string;
  readonly title: string;
  readonly field: RedateField;
  readonly old: LocalDateTime | null;
  readonly new: LocalDateTime | null;
  /** Written as a day without a time. */
  readonly isDay?: boolean;
  readonly inBreak: boolean;
  readonly isDisordered: boolean;
  readonly meetsNoClass?: boolean;
}

/** A change with what can be said of its new day: the week it falls in, and warnings. */
export function changeOf(changed: Changed, rule: Rule): RedateChange {
  const { type, ref, title, field, isDay = false } = changed;
  const write = (when: LocalDateTime | null) => (isDay && when !== null ? when.slice(0, 10) : when);
  const day = changed.new === null ? null : dateOf(changed.new);
  return {
    type,
    ref,
    title,
    field,
    old: write(changed.old),
    new: write(changed.new),
    week: day === null ? null : (rule.to?.weekOf(day) ?? null),
    weekday: day === null ? null : (weekdayKeys[isoWeekday(day) - 1] ?? null),
    warnings: warningsOf(changed, rule),
  };
}

function warningsOf(changed: Changed, rule: Rule): RedateWarning[] {
  const warnings: RedateWarning[] = [];
  if (changed.new !== null && rule.to !== null) {
    const day = dateOf(changed.new);
    const { start, end, noClass } = rule.to.term;
    if (noClass.has(day) || changed.meetsNoClass === true) warnings.push('no-class');
    if (day > end || rule.to.isBeyond(day)) warnings.push('after-term');
    if (day < start) warnings.push('before-term');
  }
  if (changed.isDisordered) warnings.push('order');
  if (changed.inBreak) warnings.push('in-break');
  return warnings;
}
