import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import { dateOf, spellDate } from '@/core/dates/local-date';
import { plural } from '@/core/text/plural';
import { defineCheck, missing } from '@/core/checks/check/check';

export const overrunsTerm = defineCheck({
  id: 'calendar.overruns-term',
  title: 'Series that go on past the term',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: [],
  options: z.object({}),
  messages: { series: '“{title}” goes on past the term’s end: {count} after {end}' },
  things: ['series that goes on past the term', 'series that go on past the term'],
  page: {
    means: 'A repeating event of this term has dates after the term’s last day.',
    why: 'Students are reminded of meetings that are not held, all through the break.',
    example: '“Open laboratory”, weekly without an end, in a term that ends on 7 May.',
    remedy: 'Ends the series on the term’s last day. The dates up to then stay as they are.',
    notWhen: 'The series has no date in the term at all, which another check says.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.events.some((e) => e.recurrence), 'no event repeats'],
      [!shell.term.end, missing('the term’s end is not known')],
    ),
  *find({ shell }) {
    const { start, end } = shell.term;
    if (!end) return;
    for (const event of shell.events) {
      if (!event.recurrence) continue;
      const days = event.occurrences.map(dateOf);
      const after = days.filter((d) => d > end);
      if (
        !after.length ||
        after.length === days.length ||
        (start !== null && !days.some((d) => d >= start && d <= end))
      )
        continue;
      const endless = event.recurrence.rule !== null && !/(^|;)(UNTIL|COUNT)=/i.test(event.recurrence.rule);
      yield {
        message: {
          id: 'series',
          params: {
            title: event.title,
            count: endless ? 'without an end' : plural(after.length, 'date'),
            end: spellDate(end),
          },
        },
        subjects: [{ type: 'event', ref: event.ref }],
        evidence: [
          { label: 'First date after the term', value: spellDate(elementAt(after, 0)), where: event.ref },
          { label: 'Last date', value: endless ? 'it has no end' : spellDate(elementAt(after, -1)) },
          { label: 'Dates in the term', value: String(days.length - after.length) },
        ],
        remedy: { action: 'end-recurrence', targets: [event.ref], params: { until: end }, kind: 'judgement' },
      };
    }
  },
});
