import type { CourseEvent } from '@/core/shell/model';
import { eventRef } from '@/core/refs/refs';
import type { LocalDateTime } from '@/core/dates/local-date';

/** A single event as a calendar would give it. */
export const event = (
  ref: string,
  title: string,
  start: string,
  over: Partial<CourseEvent> = {},
): CourseEvent => ({
  ref: eventRef(ref),
  uid: ref.split('#')[0]!,
  recurrenceId: null,
  title,
  start: start as LocalDateTime,
  end: start as LocalDateTime,
  allDay: false,
  recurrence: null,
  occurrences: [start as LocalDateTime],
  location: '',
  links: [],
  description: '',
  created: null,
  stamped: null,
  modified: null,
  source: '',
  ...over,
});
