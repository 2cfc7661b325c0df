import { valueFor } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import type { CourseEvent, Shell } from '@/core/shell/model';
import { textKey, titleKey } from '@/core/text/normalise';
import { dateOf, daysBetween, timeOf, type LocalDate } from '@/core/dates/local-date';

/** Why an event counts as carried over: made long before the term, or moved along from the previous calendar. */
export interface CarriedReason {
  readonly made?: LocalDate;
  readonly shift?: number;
}

/** What counts as carried over: the options of `calendar.carried-over`, which other checks of the calendar go by too. */
export const carriedOptions = z.object({
  days: z.int().min(1).default(60).describe('Made this many days before the term, or earlier'),
  sharedShift: z.int().min(2).default(3).describe('Events that must have moved by the same number of days'),
});
export type CarriedOptions = z.output<typeof carriedOptions>;

/** Events inside the term that a copy brought along, in calendar order. */
export function carriedEvents(
  shell: Shell,
  { days, sharedShift }: CarriedOptions,
): Map<CourseEvent, CarriedReason> {
  const found = new Map<CourseEvent, CarriedReason>();
  const { start, end } = shell.term;
  if (!start || !end) return found;
  const inside = shell.events.filter((e) =>
    e.occurrences.some((o) => dateOf(o) >= start && dateOf(o) <= end),
  );
  const shifts = shell.previousEvents
    ? sharedShifts(inside, shell.previousEvents, shell.previousTerm?.end ?? null, sharedShift)
    : new Map<string, number>();
  for (const event of inside) {
    const madeAt = earliest(event.created, event.stamped);
    const shift = shifts.get(event.ref);
    if (madeAt && daysBetween(madeAt, start) >= days) found.set(event, { made: madeAt });
    else if (shift !== undefined) found.set(event, { shift });
  }
  return found;
}

function earliest(a: CourseEvent['created'], b: CourseEvent['stamped']): LocalDate | null {
  const days = [a, b]
    .filter((d) => d !== null)
    .map(dateOf)
    .sort();
  return days[0] ?? null;
}

/** Events that the previous calendar holds too, a number of days earlier that enough others share: ref to days. */
function sharedShifts(
  events: readonly CourseEvent[],
  previous: readonly CourseEvent[],
  previousEnd: LocalDate | null,
  enough: number,
): Map<string, number> {
  const known = events.filter(
    (e) => e.created === null || previousEnd === null || dateOf(e.created) <= previousEnd,
  );
  const byTrait = new Map<string, CourseEvent[]>();
  const traits = (event: CourseEvent) => ({
    strong: [
      ...event.links.map((l) => `link ${l}`),
      ...(textKey(event.description) ? [`text ${textKey(event.description)}`] : []),
    ],
    weak: [`title ${titleKey(event.title)} ${event.allDay ? 'day' : timeOf(event.start)}`],
  });
  for (const event of previous) {
    const { strong, weak } = traits(event);
    for (const trait of new Set([...strong, ...weak])) collect(byTrait, trait, event);
  }
  const strongBy = new Map<number, Set<CourseEvent>>();
  const weakBy = new Map<number, Set<CourseEvent>>();
  for (const event of known) {
    const { strong, weak } = traits(event);
    const note = (list: readonly string[], into: Map<number, Set<CourseEvent>>) => {
      for (const trait of list)
        for (const old of byTrait.get(trait) ?? []) {
          const days = daysBetween(dateOf(old.start), dateOf(event.start));
          if (!into.has(days)) into.set(days, new Set());
          valueFor(into, days).add(event);
        }
    };
    note(strong, strongBy);
    note(weak, weakBy);
  }
  const shifts = new Map<string, number>();
  const settle = (by: Map<number, Set<CourseEvent>>, measure: (set: Set<CourseEvent>) => number) => {
    for (const [days, set] of [...by].sort((a, b) => measure(b[1]) - measure(a[1]) || a[0] - b[0]))
      if (days !== 0 && measure(set) >= enough)
        for (const event of set) if (!shifts.has(event.ref)) shifts.set(event.ref, days);
  };
  settle(strongBy, (set) => set.size);
  settle(weakBy, (set) => new Set([...set].map((e) => titleKey(e.title))).size);
  return shifts;
}
