import { DateTime, IANAZone } from 'luxon';
import type { LocalDate, LocalDateTime } from './local-date';
import { atTime, parseLocalDate } from './local-date';

const known = new Map<string, boolean>();

/** Is this an IANA time zone? Asked for every event, so each name is looked up once. */
export function isTimeZone(name: string): boolean {
  let valid = known.get(name);
  if (valid === undefined) known.set(name, (valid = IANAZone.isValidZone(name)));
  return valid;
}

/** A point in time as the shell's own clock shows it. */
export function toLocal(moment: DateTime, zone: string): LocalDateTime {
  return moment.setZone(zone).toFormat("yyyy-MM-dd'T'HH:mm:ss") as LocalDateTime;
}

const offsets = new Map<string, Map<number, number>>();
const quarterHour = 900_000;

/** How far a zone's clock is ahead of UTC, in milliseconds; clocks change on quarters of an hour only (common practice, no source). */
function offsetAt(milliseconds: number, zone: string): number {
  if (zone === 'UTC') return 0;
  let known = offsets.get(zone);
  if (!known) offsets.set(zone, (known = new Map<number, number>()));
  const quarter = Math.floor(milliseconds / quarterHour);
  let offset = known.get(quarter);
  if (offset === undefined) {
    // A shell's events lie in a few years; what is asked for beyond is no calendar.
    if (known.size > 100_000) known.clear();
    known.set(quarter, (offset = IANAZone.create(zone).offset(quarter * quarterHour) * 60_000));
  }
  return offset;
}

const spell = (milliseconds: number): string => new Date(milliseconds).toISOString().slice(0, 19);

/** A time of one zone's clock, yyyy-MM-ddTHH:mm:ss, on another's. A calendar asks this four times for each event. */
export function onOtherClock(wall: string, from: string, to: string): LocalDateTime {
  const asUtc = Date.parse(`${wall}Z`);
  const halfDay = 43_200_000;
  // Near a change of the clocks, and for what is no such time, the library knows better.
  if (
    !Number.isFinite(asUtc) ||
    spell(asUtc) !== wall ||
    offsetAt(asUtc - halfDay, from) !== offsetAt(asUtc + halfDay, from)
  )
    return toLocal(DateTime.fromISO(wall, { zone: from }), to);
  const moment = asUtc - offsetAt(asUtc, from);
  return spell(moment + offsetAt(moment, to)) as LocalDateTime;
}

/**
 * Reads an ISO 8601 date or date-time from a sheet. With an offset it is brought to the shell's clock, without one
 * it is taken as shell time; a day alone begins at 00:00:00 or ends at 23:59:59, as `dayMeans` says.
 * Returns null for what is no such date.
 */
export function readIsoMoment(text: string, zone: string, dayMeans: 'start' | 'end'): LocalDateTime | null {
  const day = parseLocalDate(text);
  if (day) return atTime(day, dayMeans === 'start' ? '00:00:00' : '23:59:59');
  const spelled = text.trim().replace(/^(\d{4}-\d{2}-\d{2}) (?=\d)/, '$1T');
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}/.test(spelled)) return null;
  const hasOffset = /(Z|[+-]\d{2}(:?\d{2})?)$/i.test(spelled.slice(11));
  const moment = DateTime.fromISO(spelled, { zone: hasOffset ? undefined : zone, setZone: hasOffset });
  return moment.isValid ? toLocal(hasOffset ? moment : moment, zone) : null;
}

/** The calendar day of a moment given in milliseconds since the epoch. */
export const localDay = (milliseconds: number, zone: string): LocalDate =>
  DateTime.fromMillis(milliseconds, { zone }).toFormat('yyyy-MM-dd') as LocalDate;
