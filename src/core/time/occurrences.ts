import ICAL from 'ical.js';
import { localOf, wholeBudget, type EventClock, type SeriesBudget } from './event-clock';
import { addDays, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';

/** Occurrences are worked out up to this many, and no further than a year after the term. */
const mostOccurrences = 5000;

/** First moments of an event’s occurrences on the shell’s clock; only its start where the rule is odd. */
export function occurrencesOf(
  component: ICAL.Component,
  property: ICAL.Property,
  start: ICAL.Time,
  clock: EventClock,
): { occurrences: LocalDateTime[]; odd: boolean } {
  try {
    return { occurrences: expand(component, property, start, clock), odd: false };
  } catch (error) {
    if (!(error instanceof OddRule)) throw error;
    return { occurrences: [localOf(property, start, clock)], odd: true };
  }
}

/** First moments of the occurrences on the shell's clock. The rule runs on the event's own wall clock (RFC 5545, 3.3.10). */
function expand(
  component: ICAL.Component,
  property: ICAL.Property,
  start: ICAL.Time,
  clock: EventClock,
): LocalDateTime[] {
  if (isOdd(String(component.getFirstPropertyValue('rrule') ?? ''))) throw new OddRule();
  const budget = clock.budget ?? wholeBudget();
  endRules(component, start, clock.until, budget);
  const expansion = new ICAL.RecurExpansion({ component, dtstart: start });
  for (const iterator of (expansion as unknown as { ruleIterators: RuleIterator[] }).ruleIterators) {
    boundSteps(iterator, budget);
    leapFarSteps(iterator);
  }
  const moments: LocalDateTime[] = [];
  const limit = clock.until ? addDays(clock.until, 366) : null;
  for (let n = 0; n < mostOccurrences; n += 1) {
    const next = expansion.next() as ICAL.Time | undefined;
    if (!next) break;
    const local = localOf(property, next, clock);
    if (limit && local.slice(0, 10) > limit) break;
    budget.occurrences -= 1;
    if (budget.occurrences < 0) throw new OddRule();
    moments.push(local);
  }
  return moments;
}

/** How far a series goes where no term says where it may end, in years: one that is counted, and one that is not. */
const mostYears = { counted: 100, open: 20 } as const;

/**
 * Has rules end where nobody asks any further. The library looks for the first moment of a rule by itself, and of one
 * that never comes true up to the year 20,000.
 */
function endRules(
  component: ICAL.Component,
  start: ICAL.Time,
  until: LocalDate | null,
  budget: SeriesBudget,
): void {
  for (const property of component.getAllProperties('rrule')) {
    const rule = property.getFirstValue() as ICAL.Recur;
    const years = rule.count ? mostYears.counted : mostYears.open;
    if (!until && rule.freq === 'YEARLY') budget.steps -= years;
    if (budget.steps < 0) throw new OddRule();
    const last = lastAskedFor(start, until, years);
    if (!rule.until || rule.until.compare(last) > 0) rule.until = last;
  }
}

function lastAskedFor(start: ICAL.Time, until: LocalDate | null, years: number): ICAL.Time {
  // A day more than is asked about: the event may be on another clock than the shell.
  const last = until ? ICAL.Time.fromDateString(addDays(until, 367)) : start.clone();
  if (!until) last.year += years;
  if (last.compare(start) < 0) last.year = start.year + 1;
  return last;
}

/** A rule that no calendar of a course needs and that could be worked out for ever. */
class OddRule extends Error {}

/** Steps of no or an enormous size, rules by the minute or less, and rules by the hour that pick among their moments. */
function isOdd(rule: string): boolean {
  const interval = /(?:^|;)INTERVAL=(\d+)/i.exec(rule)?.[1];
  if (interval !== undefined && !(Number(interval) >= 1 && Number(interval) <= 1000)) return true;
  if (/FREQ=(SECONDLY|MINUTELY)/i.test(rule)) return true;
  return /FREQ=HOURLY/i.test(rule) && /(?:^|;)BY/i.test(rule);
}

/** What of the library’s iterator is used beside its interface. */
interface RuleIterator {
  readonly last: ICAL.Time;
  check_contracting_rules(): boolean;
  increment_monthday(days: number): void;
  has_by_data(part: string): boolean;
}
/** So many moments that do not fit one rule may try. */
const mostSteps = 20_000;

/** The library tries moment after moment until one fits; a rule that never comes true ends after so many. */
function boundSteps(iterator: RuleIterator, budget: SeriesBudget): void {
  const check = iterator.check_contracting_rules.bind(iterator);
  // One series may not use up what others need.
  const atLeast = budget.steps - mostSteps;
  iterator.check_contracting_rules = () => {
    const fits = check();
    if (fits) return true;
    budget.steps -= 1;
    if (budget.steps < 0 || budget.steps < atLeast) throw new OddRule();
    return false;
  };
}

/** Over so many days the library may walk one by one. */
const longestWalk = 31;

/** The library walks from date to date day by day; over years, the arithmetic of its moments leads to the same day. */
function leapFarSteps(iterator: RuleIterator): void {
  const walk = iterator.increment_monthday.bind(iterator);
  // On its way from month to month a rule of certain months leaves the others out.
  const mustWalk = iterator.has_by_data('BYMONTH');
  iterator.increment_monthday = (days) => {
    if (mustWalk || days <= longestWalk) walk(days);
    else iterator.last.adjust(days, 0, 0, 0);
  };
}
