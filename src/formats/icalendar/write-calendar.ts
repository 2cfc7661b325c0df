import type { CalendarFrame, CourseEvent } from '@/core/shell/model';

/** Writes events back, each property for property as it was read (RFC 5545, 3.4). Time zones and to-dos stay. */
export function writeCalendar(events: readonly CourseEvent[], frame: CalendarFrame): string {
  const head = frame.head || 'VERSION:2.0\r\nPRODID:-//Currycomb//Currycomb//EN';
  const zones = frame.others.filter((o) => /^BEGIN:VTIMEZONE/i.test(o));
  const rest = frame.others.filter((o) => !/^BEGIN:VTIMEZONE/i.test(o));
  return [
    'BEGIN:VCALENDAR',
    head,
    ...zones,
    ...events.map((e) => e.source),
    ...rest,
    'END:VCALENDAR',
    '',
  ].join('\r\n');
}
