import { sayDates } from '@/core/time/say-dates';
import { smallest } from '@/core/collect';
import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import { daySpans, sideOfSpan } from '@/core/time/event-days';
import { dateOf, spellDate } from '@/core/dates/local-date';
import { plural } from '@/core/text/plural';
import { defineCheck, missing } from '@/core/checks/check/check';

export const outsideTerm = defineCheck({
  id: 'calendar.outside-term',
  title: 'Events outside the term',
  urgency: 'fix-first',
  remedyKind: 'safe',
  needs: [],
  options: z.object({
    days: z.int().min(0).default(14).describe('How many days before or after the term still belong to it'),
  }),
  messages: {
    before: '“{title}” ended {days} before the term begins',
    after: '“{title}” begins {days} after the term ends',
    around: '“{title}” lies outside the term, before and after it',
  },
  things: ['event outside the term', 'events outside the term'],
  page: {
    means:
      'An event, every date of it where it repeats, lies more than 14 days before the term begins or after it ends.',
    why: 'Students get reminders of meetings long over, or join a room in which another course sits.',
    example: 'The office hours of Autumn 2025 still stand in the calendar of a shell for Spring 2027.',
    remedy: 'Deletes the event; nothing in this term is touched.',
    notWhen: 'One of its dates lies within 14 days of the term.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.events.length, 'there are no events'],
      [!(shell.term.start || shell.term.end), missing('the term’s dates are not known')],
    ),
  *find({ shell, options }) {
    for (const event of shell.events) {
      const sides = daySpans(event).map((span) => sideOfSpan(span, shell.term));
      const far = sides.filter((s) => s.side !== 'inside' && s.days > options.days);
      if (!sides.length || far.length < sides.length) continue;
      const before = sides.flatMap((s) => (s.side === 'before' ? [s.days] : []));
      const after = sides.flatMap((s) => (s.side === 'after' ? [s.days] : []));
      const params = { title: event.title };
      const messageOf = () => {
        if (before.length && after.length) return { id: 'around', params } as const;
        const days = plural(Math.min(smallest(before), smallest(after)), 'day');
        return { id: before.length ? 'before' : 'after', params: { ...params, days } } as const;
      };
      yield {
        message: messageOf(),
        subjects: [{ type: 'event', ref: event.ref }],
        evidence: [
          {
            label: event.occurrences.length === 1 ? 'Date' : 'Dates',
            value: sayDates(event.occurrences.map(dateOf)),
            where: event.ref,
          },
          {
            label: 'Term',
            value: `${shell.term.start ? spellDate(shell.term.start) : 'unknown'} to ${shell.term.end ? spellDate(shell.term.end) : 'unknown'}`,
          },
        ],
        remedy: { action: 'delete', targets: [event.ref], params: {}, kind: 'safe' },
      };
    }
  },
});
