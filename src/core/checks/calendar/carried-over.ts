import { sayDates } from '@/core/time/say-dates';
import { elementAt, valueFor } from '@/core/sure';
import type { LocalDate } from '@/core/time/local-date';
import { collect } from '@/core/collect';
import type { CourseEvent } from '@/core/shell/model';
import { dateOf, daysBetween, spellDate } from '@/core/time/local-date';
import { defineCheck } from '../check';
import { carriedOptions } from './carried-events';

export const carriedOver = defineCheck({
  id: 'calendar.carried-over',
  title: 'Events carried over',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['eventGroups', 'carriedEvents'],
  options: carriedOptions,
  messages: {
    made: '{count} of “{title}” were made {when}, long before this term',
    shifted: '{count} of “{title}” stood in the previous term’s calendar, {days} days earlier',
    one: '“{title}” on {date} was made {when}, long before this term',
  },
  things: ['event carried over from an earlier term', 'events carried over from an earlier term'],
  page: {
    means:
      'An event of this term was made 60 days or more before the term, or is last term’s event moved along by a copy: same link, description or title, the same number of days later as others.',
    why: 'Such events carry old meeting links and old rooms. Students join a meeting that nobody opens.',
    example: '32 of “Lab section A”, made on 18 August 2025, all moved along by 504 days.',
    remedy:
      'Deletes the events of one title or link together. Look at the evidence first: some people do plan a term that early.',
    notWhen: 'The event lies outside the term, or was made after the previous term ended.',
  },
  notApplicable: (shell) => {
    if (!shell.events.length) return 'no calendar was given';
    return shell.term.start && shell.term.end ? null : 'the term’s dates are not known';
  },
  *find({ shell, facts }) {
    const { start, end } = shell.term;
    if (!start || !end) return;
    const found = facts.carriedEvents;
    const series = new Map<string, CourseEvent[]>();
    for (const event of found.keys()) collect(series, facts.eventGroups.of(event), event);
    for (const events of series.values()) {
      const first = elementAt(events, 0);
      const reasons = events.map((e) => valueFor(found, e));
      const days = reasons
        .map((r) => r.made)
        .filter((d) => d !== undefined)
        .sort();
      const shift = reasons.map((r) => r.shift).find((s) => s !== undefined);
      const [earliest] = days;
      const when = spellSpan(days);
      const links = new Set(events.flatMap((e) => e.links));
      const dates = events.flatMap((e) => e.occurrences.map(dateOf)).sort();
      const messageOf = () => {
        if (!days.length)
          return {
            id: 'shifted',
            params: { count: events.length, title: first.title, days: shift ?? 0 },
          } as const;
        if (events.length === 1)
          return {
            id: 'one',
            params: { title: first.title, date: spellDate(dateOf(first.start)), when },
          } as const;
        return { id: 'made', params: { count: events.length, title: first.title, when } } as const;
      };
      yield {
        message: messageOf(),
        subjects: events.map((e) => ({ type: 'event', ref: e.ref })),
        evidence: [
          ...(earliest !== undefined
            ? [
                {
                  label: 'Made',
                  value: `${when}, ${daysBetween(earliest, start)} days before the term’s first day`,
                },
              ]
            : []),
          ...(shift !== undefined
            ? [{ label: 'Moved along by', value: `${shift} days from the previous term’s calendar` }]
            : []),
          {
            label: 'Dates',
            value: sayDates(dates),
          },
          ...[...links].slice(0, 4).map((link) => ({ label: 'Link', value: link })),
          ...(first.location ? [{ label: 'Place', value: first.location }] : []),
        ],
        remedy: { action: 'delete', targets: events.map((e) => e.ref), params: {}, kind: 'judgement' },
        covers: [
          {
            refs: events.map((e) => e.ref),
            checks: [
              'calendar.outside-term',
              'calendar.past',
              'calendar.no-class-day',
              'calendar.overruns-term',
            ],
          },
        ],
        confidence: days.length ? 0.9 : 0.8,
      };
    }
  },
});

/** The days from the first to the last, in words; nothing where there are none. */
function spellSpan(days: readonly LocalDate[]): string {
  const [first, last] = [days[0], days.at(-1)];
  if (first === undefined || last === undefined) return '';
  return first === last ? `on ${spellDate(first)}` : `between ${spellDate(first)} and ${spellDate(last)}`;
}
