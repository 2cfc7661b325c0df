import type { LocalDate } from '@/core/dates/local-date';
import type { TeachingWeeks } from './teaching-weeks';

export const redateModes = ['week-and-weekday', 'spread', 'shift', 'to-date', 'clear'] as const;
export type RedateMode = (typeof redateModes)[number];

/** ISO weekdays (1 Monday to 7 Sunday) that become others. */
export type WeekdayMap = ReadonlyMap<number, number>;

/** How one moment finds its new day. */
export type Rule =
  | { readonly mode: 'week-and-weekday' | 'spread'; readonly from: TeachingWeeks; readonly to: TeachingWeeks }
  | { readonly mode: 'shift'; readonly days: number; readonly to: TeachingWeeks | null }
  | { readonly mode: 'to-date'; readonly date: LocalDate; readonly to: TeachingWeeks | null }
  | { readonly mode: 'clear'; readonly to: TeachingWeeks | null };

/** What is asked of a re-dating, terms aside. */
export interface RedateAsk {
  readonly mode: RedateMode;
  /** For the mode `shift`: calendar days, negative for earlier. */
  readonly days: number;
  /** For the mode `to-date`. */
  readonly date: LocalDate | null;
  readonly map: WeekdayMap;
  readonly avoidNoClass: 'next' | 'previous' | null;
  readonly what: 'items' | 'events' | 'all';
  /** Refs of the things that are asked about; null for all of them. */
  readonly only: ReadonlySet<string> | null;
}

export const plainAsk: RedateAsk = {
  mode: 'week-and-weekday',
  days: 0,
  date: null,
  map: new Map(),
  avoidNoClass: null,
  what: 'all',
  only: null,
};

export const weekdayKeys = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type WeekdayKey = (typeof weekdayKeys)[number];

export const redateWarnings = ['no-class', 'after-term', 'before-term', 'order', 'in-break'] as const;
export type RedateWarning = (typeof redateWarnings)[number];
