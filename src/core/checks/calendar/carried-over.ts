import { sayDates } from '@/core/time/say-dates';
import { elementAt, valueFor } from '@/core/sure';
import type { LocalDate } from '@/core/dates/local-date';
import { collect } from '@/core/collect';
import type { CourseEvent } from '@/core/shell/model';
import { dateOf, daysBetween, spellDate } from '@/core/dates/local-date';
import { defineCheck, missing } from '@/core/checks/check/check';
import type { CheckId, Evidence } from '@/core/checks/finding/finding';
import { carriedOptions } from '@/core/checks/facts/carried-events';

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
    if (!shell.events.length) return missing('no calendar was given');
    return shell.term.start && shell.term.end ? null : missing('the term’s dates are not known');
  },
  *find({ shell, facts }) {
    const { start, end } = shell.term;
    if (!start || !end) return;
    const reasonOf = facts.carriedEvents;
    const series = new Map<string, CourseEvent[]>();
    for (const event of reasonOf.keys()) collect(series, facts.eventGroups.of(event), event);
    for (const events of series.values()) {
      const reasons = events.map((e) => valueFor(reasonOf, e));
      const madeOn = reasons.flatMap((r) => (r.made === undefined ? [] : [r.made])).sort();
      const shift = reasons.find((r) => r.shift !== undefined)?.shift;
      const refs = events.map((e) => e.ref);
      yield {
        message: messageOf(events, madeOn, shift),
        subjects: refs.map((ref) => ({ type: 'event', ref })),
        evidence: [
          ...evidenceOfMaking(madeOn, start),
          ...(shift !== undefined
            ? [{ label: 'Moved along by', value: `${shift} days from the previous term’s calendar` }]
            : []),
          ...evidenceOfSeries(events),
        ],
        remedy: { action: 'delete', targets: refs, params: {}, kind: 'judgement' },
        covers: [{ refs, checks: settled }],
        confidence: madeOn.length ? 0.9 : 0.8,
      };
    }
  },
});

/** What is settled where the events go. */
const settled: readonly CheckId[] = [
  'calendar.outside-term',
  'calendar.past',
  'calendar.no-class-day',
  'calendar.overruns-term',
];

function messageOf(events: readonly CourseEvent[], madeOn: readonly LocalDate[], shift: number | undefined) {
  const { title, start } = elementAt(events, 0);
  const count = events.length;
  if (!madeOn.length) return { id: 'shifted', params: { count, title, days: shift ?? 0 } } as const;
  const when = spellSpan(madeOn);
  if (count === 1) return { id: 'one', params: { title, date: spellDate(dateOf(start)), when } } as const;
  return { id: 'made', params: { count, title, when } } as const;
}

function evidenceOfMaking(madeOn: readonly LocalDate[], termStart: LocalDate): Evidence[] {
  const [earliest] = madeOn;
  if (earliest === undefined) return [];
  const ahead = daysBetween(earliest, termStart);
  return [{ label: 'Made', value: `${spellSpan(madeOn)}, ${ahead} days before the term’s first day` }];
}

function evidenceOfSeries(events: readonly CourseEvent[]): Evidence[] {
  const dates = events.flatMap((e) => e.occurrences.map(dateOf)).sort();
  const links = [...new Set(events.flatMap((e) => e.links))];
  const { location } = elementAt(events, 0);
  return [
    { label: 'Dates', value: sayDates(dates) },
    ...links.slice(0, 4).map((link) => ({ label: 'Link', value: link })),
    ...(location ? [{ label: 'Place', value: location }] : []),
  ];
}

/** The days from the first to the last, in words; nothing where there are none. */
function spellSpan(days: readonly LocalDate[]): string {
  const [first, last] = [days[0], days.at(-1)];
  if (first === undefined || last === undefined) return '';
  return first === last ? `on ${spellDate(first)}` : `between ${spellDate(first)} and ${spellDate(last)}`;
}
