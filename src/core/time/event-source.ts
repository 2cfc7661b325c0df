import ICAL from 'ical.js';
import { DateTime } from 'luxon';
import type { CourseEvent } from '@/core/shell/model';
import { dateOf, type LocalDate, type LocalDateTime } from './local-date';
import { isTimeZone } from './zones';

/** The lines of a component, unfolded (RFC 5545, 3.1). */
const linesOf = (source: string): string[] => source.replace(/\r?\n[ \t]/g, '').split(/\r?\n/);
const join = (lines: readonly string[]): string => lines.map(fold).join('\r\n');

/** Folds a line behind at most 75 octets, never inside a character (RFC 5545, 3.1). */
function fold(line: string): string {
  if (Buffer.byteLength(line) <= 75) return line;
  const parts: string[] = [];
  let part = '';
  let size = 0;
  for (const char of line) {
    const bytes = Buffer.byteLength(char);
    if (size + bytes > (parts.length ? 74 : 75)) {
      parts.push(part);
      part = '';
      size = 0;
    }
    part += char;
    size += bytes;
  }
  return [...parts, part].join('\r\n ');
}

/** How the event spells its times: a day, UTC, a zone of its own, or floating. */
interface Form {
  /** Everything before the colon after the property's name, such as `;TZID=Europe/Dublin`. */
  readonly parameters: string;
  readonly is: 'day' | 'utc' | 'zoned' | 'floating';
  readonly zone: string;
}

function formOf(lines: readonly string[], shellZone: string): Form {
  const line = lines.find((l) => /^DTSTART[;:]/i.test(l)) ?? 'DTSTART:';
  const colon = valueStart(line);
  const parameters = line.slice('DTSTART'.length, colon - 1);
  const value = line.slice(colon);
  if (/VALUE=DATE(?!-)/i.test(parameters) || /^\d{8}$/.test(value))
    return { parameters, is: 'day', zone: shellZone };
  if (/Z$/i.test(value)) return { parameters, is: 'utc', zone: 'UTC' };
  const tzid = /TZID="?([^";:]+)/i.exec(parameters)?.[1];
  return tzid
    ? { parameters, is: 'zoned', zone: isTimeZone(tzid) ? tzid : shellZone }
    : { parameters, is: 'floating', zone: shellZone };
}

/** The place right behind the colon that ends the parameters; a quoted parameter may hold colons. */
function valueStart(line: string): number {
  let quoted = false;
  for (let i = 0; i < line.length; i += 1) {
    if (line[i] === '"') quoted = !quoted;
    else if (line[i] === ':' && !quoted) return i + 1;
  }
  return line.length;
}

/** A moment on the shell's clock, spelled in the event's own form. */
function spell(when: LocalDateTime, form: Form, shellZone: string): string {
  if (form.is === 'day') return dateOf(when).replace(/-/g, '');
  const moment = DateTime.fromISO(when, { zone: shellZone }).setZone(
    form.is === 'floating' ? shellZone : form.zone,
  );
  return `${moment.toFormat("yyyyMMdd'T'HHmmss")}${form.is === 'utc' ? 'Z' : ''}`;
}

const replaceLine = (lines: readonly string[], name: string, made: string): string[] =>
  lines.map((l) => (new RegExp(`^${name}[;:]`, 'i').test(l) ? made : l));

/** Moves a single event to another start; its length stays. Times keep the form that they are written in. */
export function moveEvent(event: CourseEvent, start: LocalDateTime, shellZone: string): CourseEvent {
  const lines = linesOf(event.source);
  const form = formOf(lines, shellZone);
  const length = DateTime.fromISO(event.end, { zone: 'UTC' }).diff(
    DateTime.fromISO(event.start, { zone: 'UTC' }),
  );
  const end = DateTime.fromISO(start, { zone: 'UTC' })
    .plus(length)
    .toFormat("yyyy-MM-dd'T'HH:mm:ss") as LocalDateTime;
  const moved = replaceLine(
    replaceLine(lines, 'DTSTART', `DTSTART${form.parameters}:${spell(start, form, shellZone)}`),
    'DTEND',
    `DTEND${form.parameters}:${spell(end, form, shellZone)}`,
  );
  return { ...event, start, end, occurrences: [start], source: join(moved) };
}

/** Ends a series with a day: UNTIL instead of COUNT, in UTC where the start has a zone (RFC 5545, 3.3.10); later extra dates go. */
export function endSeries(event: CourseEvent, until: LocalDate, shellZone: string): CourseEvent {
  const lines = linesOf(event.source);
  const form = formOf(lines, shellZone);
  const last = `${until}T23:59:59` as LocalDateTime;
  const spelled =
    form.is === 'day'
      ? spell(last, form, shellZone)
      : form.is === 'floating'
        ? spell(last, form, shellZone)
        : spell(last, { ...form, is: 'utc', zone: 'UTC' }, shellZone);
  let rule = event.recurrence?.rule ?? null;
  const limit = until.replace(/-/g, '');
  // A rule that ends by itself before that day stays as it is: without its COUNT it would go on.
  const extra = new Set((event.recurrence?.extraDates ?? []).map((d) => d.slice(0, 10)));
  const overruns = event.occurrences.some((o) => dateOf(o) > until && !extra.has(dateOf(o)));
  const made = lines.flatMap((line) => {
    if (overruns && /^RRULE[;:]/i.test(line)) {
      const parts = line
        .slice(valueStart(line))
        .split(';')
        .filter((p) => !/^(UNTIL|COUNT)=/i.test(p));
      const value = [...parts, `UNTIL=${spelled}`].join(';');
      rule = String(ICAL.Recur.fromString(value));
      return [line.slice(0, valueStart(line)) + value];
    }
    if (!/^RDATE[;:]/i.test(line)) return [line];
    const values = line
      .slice(valueStart(line))
      .split(',')
      .filter((v) => v.slice(0, 8) <= limit);
    return values.length ? [line.slice(0, valueStart(line)) + values.join(',')] : [];
  });
  const recurrence = event.recurrence && {
    ...event.recurrence,
    rule,
    extraDates: event.recurrence.extraDates.filter((d) => d.slice(0, 10) <= until),
  };
  return {
    ...event,
    recurrence,
    occurrences: event.occurrences.filter((o) => dateOf(o) <= until),
    source: join(made),
  };
}

/** Takes dates out of a series by EXDATE, spelled like its start (RFC 5545, 3.8.5.1). */
export function excludeDates(
  event: CourseEvent,
  dates: readonly LocalDateTime[],
  shellZone: string,
): CourseEvent {
  const lines = linesOf(event.source);
  const form = formOf(lines, shellZone);
  const values = dates.map((d) => spell(d, form, shellZone));
  const made = lines.flatMap((line) =>
    /^DTSTART[;:]/i.test(line) ? [line, `EXDATE${form.parameters}:${values.join(',')}`] : [line],
  );
  const gone = new Set(dates);
  const named = ICAL.Component.fromString(join(made))
    .getAllProperties('exdate')
    .flatMap((p) => p.getValues().map((v) => String(v)));
  return {
    ...event,
    recurrence: event.recurrence && { ...event.recurrence, excludedDates: named },
    occurrences: event.occurrences.filter((o) => !gone.has(o)),
    source: join(made),
  };
}
