import { z } from 'zod';
import { english } from '@/core/text/english';
import { coversDay, daySpans, type DaySpan } from '@/core/time/event-days';
import { dateOf, spellDate, spellWeekday } from '@/core/dates/local-date';
import { plural } from '@/core/text/plural';
import { defineCheck, missing } from '@/core/checks/check/check';

export const noClassDay = defineCheck({
  id: 'calendar.no-class-day',
  title: 'Events and due dates on days without class',
  urgency: 'look-at',
  remedyKind: 'depends',
  needs: [],
  options: z.object({}),
  messages: {
    event: '“{title}” is on {date}, when there is no class',
    series: '“{title}” meets on {days} without class',
    due: '“{title}” is due on {date}, when there is no class',
  },
  things: ['event or due date on a day without class', 'events and due dates on days without class'],
  page: {
    means:
      'An event takes place, or something is due, on a day that the term’s calendar names as one without class.',
    why: 'Students stand before a locked room, or write to ask whether the deadline is meant.',
    example: 'The weekly laboratory has a date in spring break.',
    remedy: 'Takes that date out of a series. What stands alone needs another day, which only you can name.',
    notWhen: 'The event itself says that there is no class, such as “Spring break”.',
  },
  notApplicable: (shell) => (shell.noClassDays.length ? null : missing('no days without class were given')),
  *find({ shell }) {
    const free = new Set(shell.noClassDays);
    const freeIn = ({ first, last }: DaySpan) =>
      shell.noClassDays.find((day) => coversDay({ first, last }, day)) ?? null;
    for (const item of shell.items) {
      const day = item.due === null ? null : dateOf(item.due);
      if (day === null || !free.has(day)) continue;
      yield {
        message: { id: 'due', params: { title: item.title, date: spellDate(day) } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          { label: 'Due', value: `${spellWeekday(day)}, ${spellDate(day)}: no class`, where: item.ref },
        ],
        remedy: null,
        batch: 'due',
      };
    }
    for (const event of shell.events) {
      if (english.saysNoClass.test(event.title)) continue;
      const struck = daySpans(event).flatMap((span, n) => {
        const [day, occurrence] = [freeIn(span), event.occurrences[n]];
        return day === null || occurrence === undefined ? [] : [{ day, occurrence }];
      });
      const [firstHit] = struck;
      if (!firstHit) continue;
      const hit = struck.map(({ occurrence }) => occurrence);
      const repeats = event.recurrence !== null && event.occurrences.length > hit.length;
      yield {
        message: event.recurrence
          ? { id: 'series', params: { title: event.title, days: plural(hit.length, 'day') } }
          : { id: 'event', params: { title: event.title, date: spellDate(firstHit.day) } },
        subjects: [{ type: 'event', ref: event.ref }],
        evidence: struck.slice(0, 12).map(({ day }) => ({
          label: 'No class on',
          value: `${spellWeekday(day)}, ${spellDate(day)}`,
          where: event.ref,
        })),
        remedy: repeats
          ? {
              action: 'exclude-occurrence',
              targets: [event.ref],
              params: { occurrences: { [event.ref]: hit } },
              kind: 'judgement',
            }
          : null,
        batch: repeats ? 'series' : 'alone',
      };
    }
  },
});
