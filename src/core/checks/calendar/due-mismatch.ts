import { elementAt, valueFor } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import type { ItemRef } from '@/core/refs/refs';
import { english } from '@/core/text/english';
import { titleKey } from '@/core/text/normalise';
import { coversDay, daySpans } from '@/core/time/event-days';
import { atTime, dateOf, spellDate, timeOf, type LocalDateTime } from '@/core/dates/local-date';
import { defineCheck } from '@/core/checks/check/check';
import { reDate } from '@/core/checks/check/remedies';

export const dueMismatch = defineCheck({
  id: 'calendar.due-mismatch',
  title: 'Calendar and due date disagree',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: [],
  options: z.object({}),
  messages: { event: 'The calendar says {calendar} for “{title}”, the activity {due}' },
  things: ['event that disagrees with a due date', 'events that disagree with a due date'],
  counts: 'findings',
  page: {
    means:
      'An event is named after the deadline of an activity and stands on another day than the activity’s due date.',
    why: 'Students believe one of the two. Half of them hand in late.',
    example: '“Site report due” on 30 April, and the assignment “Site report” is due on 7 May.',
    remedy: 'Moves the event to the day of the activity.',
    notWhen: 'The activity has no due date, or one of several activities of that name is due on that day.',
  },
  notApplicable: (shell) =>
    shell.events.length && shell.items.some((i) => i.due) ? null : 'there are no events, or no due dates',
  *find({ shell }) {
    const byTitle = new Map<string, DueItem[]>();
    for (const { ref, title, due } of shell.items)
      if (due !== null) collect(byTitle, titleKey(title), { ref, title, due });
    for (const event of shell.events) {
      if (event.recurrence) continue;
      const named = english.deadlineName
        .map((p) => p.exec(event.title)?.[1])
        .find((n) => n !== undefined && byTitle.has(titleKey(n)));
      if (named === undefined) continue;
      const activities = valueFor(byTitle, titleKey(named));
      const day = dateOf(event.start);
      const [span] = daySpans(event);
      if (activities.some((a) => span && coversDay(span, dateOf(a.due)))) continue;
      const item = elementAt(activities, 0);
      const due = dateOf(item.due);
      yield {
        message: {
          id: 'event',
          params: { title: item.title, calendar: spellDate(day), due: spellDate(due) },
        },
        subjects: [
          { type: 'item', ref: item.ref },
          { type: 'event', ref: event.ref },
        ],
        evidence: [
          { label: 'In the calendar', value: `${event.title}: ${spellDate(day)}`, where: event.ref },
          { label: 'The activity', value: `due ${spellDate(due)}, ${timeOf(item.due)}`, where: item.ref },
        ],
        remedy: reDate(event.ref, {
          start: event.allDay ? atTime(due, '00:00:00') : atTime(due, event.start.slice(11)),
        }),
      };
    }
  },
});

/** An activity by its name, and when it is due. */
interface DueItem {
  readonly ref: ItemRef;
  readonly title: string;
  readonly due: LocalDateTime;
}
