import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import { daySpans, sideOfSpan } from '@/core/time/event-days';
import { spellDate } from '@/core/dates/local-date';
import { defineCheck, missing } from '@/core/checks/check/check';

export const pastEvent = defineCheck({
  id: 'calendar.past',
  title: 'Events that are over',
  urgency: 'tidy',
  remedyKind: 'judgement',
  needs: [],
  options: z.object({}),
  messages: {
    one: '“{title}” was over on {date}',
    series: 'The last of {count} dates of “{title}” was on {date}',
  },
  things: ['event that is over', 'events that are over'],
  page: {
    means: 'An event of this term ended before the day as of which the shell is looked at.',
    why: 'It does no harm, but a list that begins with what is over hides what comes next.',
    example: 'On 1 March the lecture of 12 January still stands first in the list.',
    remedy: 'Deletes the event. Keep it where the record of what was held matters.',
    notWhen: 'It lies outside the term, or one of its dates is still to come.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.events.length, missing('no calendar was given')],
      [!(shell.term.start || shell.term.end), missing('the term’s dates are not known')],
    ),
  *find({ shell }) {
    const { start } = shell.term;
    if (start && shell.asOf <= start) return;
    for (const event of shell.events) {
      const days = daySpans(event);
      const last = days.at(-1);
      if (!last || !days.some((span) => sideOfSpan(span, shell.term).side === 'inside')) continue;
      const ended = last.last;
      if (ended >= shell.asOf) continue;
      yield {
        message:
          days.length === 1
            ? { id: 'one', params: { title: event.title, date: spellDate(ended) } }
            : {
                id: 'series',
                params: { title: event.title, count: days.length, date: spellDate(last.first) },
              },
        subjects: [{ type: 'event', ref: event.ref }],
        evidence: [
          { label: 'Ended', value: spellDate(ended), where: event.ref },
          { label: 'As of', value: spellDate(shell.asOf) },
        ],
        remedy: { action: 'delete', targets: [event.ref], params: {}, kind: 'judgement' },
      };
    }
  },
});
