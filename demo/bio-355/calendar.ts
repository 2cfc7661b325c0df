import { addDays, type LocalDate } from '@/core/dates/local-date';

const compact = (day: LocalDate) => day.replace(/-/g, '');

/** An event of last autumn: stale from the day on which the shell was copied. */
function event(uid: string, title: string, day: LocalDate, more: readonly string[] = []): string[] {
  return [
    'BEGIN:VEVENT',
    `UID:${uid}@wetland-birds`,
    'DTSTAMP:20250818T080000Z',
    'CREATED:20250818T080000Z',
    `DTSTART:${compact(day)}T060000Z`,
    `DTEND:${compact(day)}T090000Z`,
    `SUMMARY:${title}`,
    ...more,
    'END:VEVENT',
  ];
}

/** The calendar that came along: fifteen dawn walks, a weekly hour, and hand-in days of last autumn. */
export function autumnWalks(start: LocalDate): string {
  const walks = Array.from({ length: 15 }, (_, n) =>
    event(`walk-${n + 1}`, `Dawn walk ${n + 1}`, addDays(start, 7 * n + 5), ['LOCATION:Boat house']),
  );
  const hours = event('office-hour', 'Questions at the boat house', addDays(start, 1), [
    'RRULE:FREQ=WEEKLY;COUNT=15',
  ]);
  const sheets = Array.from({ length: 5 }, (_, n) =>
    event(`sheet-${n + 1}`, `Field sheet ${n + 1} is due`, addDays(start, 21 * n + 11)),
  );
  return [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Tarn Hollow College//Calendar//EN',
    ...walks.flat(),
    ...hours,
    ...sheets.flat(),
    'END:VCALENDAR',
    '',
  ].join('\r\n');
}
