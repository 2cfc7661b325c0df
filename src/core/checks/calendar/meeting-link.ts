import { sayDates } from '@/core/time/say-dates';
import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import type { CourseEvent } from '@/core/shell/model';
import { plural } from '@/core/text/plural';
import { daySpans, sideOfSpan } from '@/core/time/event-days';
import { dateOf, spellDate } from '@/core/dates/local-date';
import { defineCheck, missing } from '@/core/checks/check/check';
import { joiningLinks } from '@/core/time/joining-links';

type Why = 'outside' | 'past' | 'carried' | 'shared';

export const meetingLink = defineCheck({
  id: 'calendar.meeting-link',
  title: 'Old meeting links',
  urgency: 'fix-first',
  remedyKind: 'depends',
  needs: ['eventGroups', 'carriedEvents'],
  options: z.object({
    days: z.int().min(0).default(14).describe('How many days before or after the term still belong to it'),
  }),
  messages: {
    outside: '{events} “{title}” outside the term with a link to join a meeting',
    past: '{events} “{title}” that are over, with a link to join a meeting',
    carried: '{events} “{title}” carried over with the meeting link of an earlier term',
    shared: '{events} “{title}” with a meeting link that last term’s events have, too',
  },
  things: ['event with an old meeting link', 'events with an old meeting link'],
  page: {
    means:
      'An event has a link to join an online meeting, and it lies outside the term, is over, was carried over, or shares its link with events of the previous term.',
    why: 'Students click what they find. They wait in a meeting that nobody opens, or walk into the meeting of another course.',
    example: '32 of “Lab section A” carry the room of Autumn 2025.',
    remedy:
      'Deletes the events of one title or link together. Where only the link is old, set the event right in the calendar instead.',
    notWhen: 'The event lies in this term, was made for it, and no event of the previous term has its link.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.events.length, missing('no calendar was given')],
      [!(shell.term.start || shell.term.end), missing('the term’s dates are not known')],
    ),
  *find({ shell, facts, options }) {
    const joining = shell.events
      .map((event) => ({ event, links: joiningLinks(event) }))
      .filter((j) => j.links.length > 0);
    if (!joining.length) return;
    const oldLinks = new Set((shell.previousEvents ?? []).flatMap(joiningLinks));
    const { start } = shell.term;
    const isBefore = (e: CourseEvent) =>
      start !== null && e.occurrences.length > 0 && e.occurrences.every((o) => dateOf(o) < start);
    for (const { event, links } of joining) if (isBefore(event)) for (const link of links) oldLinks.add(link);
    const carried = facts.carriedEvents;
    const why = (event: CourseEvent, links: readonly string[]): Why | null => {
      const sides = daySpans(event).map((span) => sideOfSpan(span, shell.term));
      if (sides.length > 0 && sides.every((s) => s.side !== 'inside' && s.days > options.days))
        return 'outside';
      if (carried.has(event)) return 'carried';
      if (links.some((l) => oldLinks.has(l)) && !isBefore(event)) return 'shared';
      return event.occurrences.length > 0 &&
        dateOf(event.end) < shell.asOf &&
        event.occurrences.every((o) => dateOf(o) < shell.asOf)
        ? 'past'
        : null;
    };
    const groups = new Map<string, LinkGroup>();
    for (const { event, links } of joining) {
      const reason = why(event, links);
      if (!reason) continue;
      // What is outside the term goes without a look; the rest is another finding.
      const key = `${reason === 'outside'} ${facts.eventGroups.of(event)}`;
      const group = groups.get(key) ?? { why: reason, events: [], links: new Set<string>() };
      groups.set(key, group);
      group.events.push(event);
      for (const link of links) group.links.add(link);
    }
    for (const { why: reason, events, links } of groups.values()) {
      const refs = events.map((e) => e.ref);
      yield {
        message: {
          id: reason,
          params: { events: plural(events.length, 'event'), title: elementAt(events, 0).title },
        },
        subjects: refs.map((ref) => ({ type: 'event', ref })),
        evidence: evidenceOf({ why: reason, events, links }, carried, oldLinks),
        remedy: {
          action: 'delete',
          targets: refs,
          params: {},
          kind: reason === 'outside' ? 'safe' : 'judgement',
        },
        covers: [{ refs, checks: coveredChecks }],
        batch: reason === 'outside' ? 'outside' : '',
      };
    }
  },
});

/** Events of one title or one link, and why they are told of. */
interface LinkGroup {
  readonly why: Why;
  readonly events: CourseEvent[];
  readonly links: Set<string>;
}

/** What these checks would say of the same events is said here. */
const coveredChecks = [
  'calendar.carried-over',
  'calendar.outside-term',
  'calendar.past',
  'calendar.no-class-day',
  'calendar.overruns-term',
] as const;

/** So many links of one group are named. */
const mostLinks = 4;

function evidenceOf(
  { why, events, links }: LinkGroup,
  carried: Parameters<typeof madeEvidence>[1],
  oldLinks: ReadonlySet<string>,
) {
  const dates = events.flatMap((event) => event.occurrences.map(dateOf)).sort();
  const isShared = why !== 'outside' && [...links].some((link) => oldLinks.has(link));
  return [
    ...[...links]
      .slice(0, mostLinks)
      .map((link) => ({ label: 'Joining link', value: link, where: elementAt(events, 0).ref })),
    { label: 'Dates', value: sayDates(dates) },
    ...madeEvidence(events, carried),
    ...(isShared ? [{ label: 'The same link', value: 'stands in events of the previous term' }] : []),
  ];
}

function madeEvidence(
  events: readonly CourseEvent[],
  carried: ReadonlyMap<CourseEvent, { readonly made?: string; readonly shift?: number }>,
) {
  const reasons = events.map((e) => carried.get(e)).filter((r) => r !== undefined);
  const madeOn = reasons
    .map((r) => r.made)
    .filter((d) => d !== undefined)
    .sort();
  const shift = reasons.find((r) => r.shift !== undefined)?.shift;
  return [
    ...(madeOn.length
      ? [
          {
            label: 'Made',
            value:
              madeOn[0] === madeOn.at(-1)
                ? `on ${spellDate(madeOn[0] as never)}`
                : `between ${spellDate(madeOn[0] as never)} and ${spellDate(madeOn.at(-1) as never)}`,
          },
        ]
      : []),
    ...(shift === undefined
      ? []
      : [{ label: 'Moved along by', value: `${shift} days from the previous term’s calendar` }]),
  ];
}
