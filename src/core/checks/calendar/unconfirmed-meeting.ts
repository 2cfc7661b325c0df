import { sayDates } from '@/core/time/say-dates';
import { elementAt, valueFor } from '@/core/sure';
import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import { collect, largest, smallest } from '@/core/collect';
import type { CourseEvent } from '@/core/shell/model';
import { plural } from '@/core/text/plural';
import { dateOf, spellDate, timeOf, type LocalDateTime } from '@/core/dates/local-date';
import { sideOfTerm } from '@/core/time/term';
import { defineCheck, missing } from '@/core/checks/check/check';
import { joiningLinks } from '@/core/time/joining-links';

export const unconfirmedMeeting = defineCheck({
  id: 'calendar.unconfirmed-meeting',
  title: 'Meetings made all at once',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['eventGroups', 'foundEvents'],
  options: z.object({
    together: z.int().min(2).default(10).describe('So many events made within one minute look like a copy'),
  }),
  messages: {
    series: 'Are {count} of “{title}” meetings of this term? All were made within one minute, {when}',
  },
  things: ['meeting made together with many others', 'meetings made together with many others'],
  question: 'Did you make these {count} meetings for this term?',
  page: {
    means:
      'Events of this term have a link to join a meeting, no other check found them, and ten or more of them were made within one minute.',
    why: 'A copy made afresh looks like this, and so do meetings that you made in bulk. Only you can tell which it was.',
    example: '32 meetings “Seminar”, all made on 2 December at 9:14.',
    remedy: 'Deletes the series where it is a copy; leave it be where you made it for this term.',
    notWhen: 'Another check found the event, or fewer than ten were made together.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.events.length, missing('no calendar was given')],
      [!(shell.term.start && shell.term.end), missing('the term’s dates are not known')],
    ),
  *find({ shell, facts, options }) {
    const stampsTell = spansMoreThanADay(shell.events.map((e) => e.stamped));
    const meetings = shell.events.filter(
      (e) =>
        joiningLinks(e).length > 0 &&
        !facts.foundEvents.has(e.ref) &&
        e.occurrences.some((o) => sideOfTerm(dateOf(o), shell.term).side === 'inside'),
    );
    const madeOn = new Map<CourseEvent, LocalDateTime>();
    for (const e of meetings) {
      const when = e.created ?? (stampsTell ? e.stamped : null);
      if (when) madeOn.set(e, when);
    }
    const bulk = madeTogether(madeOn, options.together);
    const series = new Map<string, CourseEvent[]>();
    for (const e of bulk) collect(series, facts.eventGroups.of(e), e);
    for (const events of series.values()) {
      const first = elementAt(events, 0);
      const when = valueFor(madeOn, first);
      const dates = events.flatMap((e) => e.occurrences.map(dateOf)).sort();
      yield {
        message: {
          id: 'series',
          params: {
            count: events.length,
            title: first.title,
            when: `on ${spellDate(dateOf(when))} at ${timeOf(when)}`,
          },
        },
        subjects: events.map((e) => ({ type: 'event', ref: e.ref })),
        evidence: [
          {
            label: 'Made together',
            value: `${plural(bulk.length, 'meeting')} within a minute of ${spellDate(dateOf(when))}, ${timeOf(when)}`,
            where: first.ref,
          },
          ...[...new Set(events.flatMap(joiningLinks))]
            .slice(0, 4)
            .map((link) => ({ label: 'Joining link', value: link })),
          {
            label: 'Dates',
            value: sayDates(dates),
          },
        ],
        remedy: { action: 'delete', targets: events.map((e) => e.ref), params: {}, kind: 'judgement' },
        confidence: 0.5,
        batch: facts.eventGroups.of(first),
      };
    }
  },
});

const seconds = (when: LocalDateTime) => Date.parse(`${when}Z`) / 1000;

/** An export stamps everything alike; only stamps that span more than a day tell when events were made. */
function spansMoreThanADay(stamps: readonly (LocalDateTime | null)[]): boolean {
  const known = stamps.filter((s) => s !== null).map(seconds);
  return known.length > 1 && largest(known) - smallest(known) > 86_400;
}

/** Events of which `least` or more were made within one minute, in the order of the calendar. */
function madeTogether(madeOn: ReadonlyMap<CourseEvent, LocalDateTime>, least: number): CourseEvent[] {
  const sorted = [...madeOn]
    .map(([event, when]) => ({ event, at: seconds(when) }))
    .sort((a, b) => a.at - b.at);
  const found = new Set<CourseEvent>();
  for (let from = 0, to = 0; to < sorted.length; to += 1) {
    while (elementAt(sorted, to).at - elementAt(sorted, from).at > 60) from += 1;
    if (to - from + 1 >= least) for (const { event } of sorted.slice(from, to + 1)) found.add(event);
  }
  return [...madeOn.keys()].filter((e) => found.has(e));
}
