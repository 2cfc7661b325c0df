import { listUnder } from '@/core/entries';
import type { Step } from '@/core/plan/step';
import { makeSteps } from '@/core/plan/make-steps';
import type { WrittenStep } from '@/core/plan/written-step';
import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { clockOf } from '@/core/time/event-clock';
import type { LocalDate } from '@/core/dates/local-date';
import { termFault } from '@/core/shell/term-length';
import type { RedateAsk, Rule } from './ask';
import { changesOfEvents, eventsAsked } from './event-changes';
import { inferTerm } from './infer-term';
import { changesOfItems, itemsAsked } from './item-changes';
import { moveDay, isFarOutside } from './move-day';
import { whyRefused } from './refused';
import { TeachingWeeks, type TermDays } from './teaching-weeks';
import { tallyOf, type RedateChange, type RedateCounts, type ThingChanges } from './thing-changes';
import { typedDays, type TypedDay } from './typed-days';

export interface OldTerm {
  readonly start: LocalDate | null;
  readonly end: LocalDate | null;
  /** Nobody told it: it was worked out from the dates found. */
  readonly inferred: boolean;
}

/** A re-dating, worked out: what changes, counted first, and the steps that do it. Nothing is changed by it. */
export interface Redating {
  readonly mode: RedateAsk['mode'];
  readonly from: OldTerm;
  readonly to: { readonly start: LocalDate | null; readonly end: LocalDate | null };
  readonly counts: RedateCounts;
  readonly changes: readonly RedateChange[];
  readonly typed: readonly TypedDay[];
  /** The steps that change dates. */
  readonly steps: readonly WrittenStep[];
  /** The steps that change days typed in texts; apart, since a person may want to read them first. */
  readonly typedSteps: readonly WrittenStep[];
}

/**
 * Works out a re-dating of a shell from its previous term to its own. The days without class of the previous term are
 * told apart. Trouble `redate-refused`, with the reason, where what is asked can't be done.
 */
export function redate(
  shell: Shell,
  ask: RedateAsk,
  oldNoClass: readonly LocalDate[] = [],
): Result<Redating> {
  const from = oldTermOf(shell);
  const rule = ruleOf(shell, ask, from, oldNoClass);
  if (typeof rule === 'string') return bad('redate-refused', rule);
  const refused = whyRefused(shell, ask);
  if (refused !== null) return bad('redate-refused', refused);
  const things: ThingChanges[] = [
    ...changesOfItems(itemsAsked(shell, ask), rule, ask),
    ...changesOfEvents(shell, eventsAsked(shell, ask), rule, ask, clockOf(shell)),
  ];
  const shifted = new Set<string>(things.filter((t) => t.changes.length > 0).map((t) => t.ref));
  const { typed, edits } = typedDays(shell, shifted, typedMove(rule, from, ask));
  const sentences: Record<string, { from: string; to: string }[]> = {};
  for (const edit of edits) listUnder(sentences, edit.ref).push({ from: edit.from, to: edit.to });
  return good({
    mode: ask.mode,
    from,
    to: { start: shell.term.start, end: shell.term.end },
    counts: tallyOf(things),
    changes: things.flatMap((thing) => thing.changes),
    typed,
    steps: stepsOf(things, ask),
    typedSteps: edits.length === 0 ? [] : [written('edit-text', Object.keys(sentences), { sentences })],
  });
}

/** The steps of a re-dating for a shell as it stands. */
export const redatingSteps = (
  shell: Shell,
  redating: Redating,
  withTyped: boolean,
): Result<readonly Step[]> =>
  makeSteps(shell, [...redating.steps, ...(withTyped ? redating.typedSteps : [])]);

/** The previous term as it was told; what was not told is worked out from the dates found. */
export function oldTermOf(shell: Shell): OldTerm {
  const told = shell.previousTerm;
  if (told?.start && told.end) return { start: told.start, end: told.end, inferred: false };
  const inferred = inferTerm(shell);
  if (inferred === null) return { start: told?.start ?? null, end: told?.end ?? null, inferred: false };
  return { start: told?.start ?? inferred.start, end: told?.end ?? inferred.end, inferred: true };
}

/** How moments find their new days, or the sentence why that can't be told. */
function ruleOf(
  shell: Shell,
  ask: RedateAsk,
  from: OldTerm,
  oldNoClass: readonly LocalDate[],
): Rule | string {
  const fault = faultOf('new', shell.term) ?? faultOf('old', from);
  if (fault !== null) return fault;
  const to = weeksOf(shell.term.start, shell.term.end, shell.noClassDays);
  switch (ask.mode) {
    case 'clear':
      return { mode: 'clear', to };
    case 'shift':
      return { mode: 'shift', days: ask.days, to };
    case 'to-date':
      if (ask.date === null) return 'Say which day everything shall move to.';
      return { mode: 'to-date', date: ask.date, to };
    case 'week-and-weekday':
    case 'spread': {
      if (to === null) return 'The new term’s first and last day are not known; give both.';
      const old = weeksOf(from.start, from.end, oldNoClass);
      if (old === null)
        return 'The old term is not known and no date in the shell tells it; give its first and last day.';
      if (ask.mode === 'week-and-weekday' && to.count === 0)
        return 'The new term has no day with class; look at its first and last day and its no-class days.';
      if (ask.mode === 'week-and-weekday' && old.count === 0)
        return 'The old term has no day with class; look at its first and last day and its no-class days.';
      return { mode: ask.mode, from: old, to };
    }
  }
}

const faultOf = (which: 'old' | 'new', days: Parameters<typeof termFault>[0]): string | null => {
  const fault = termFault(days);
  return fault === null ? null : `The ${which} term ${fault}. Correct its two days.`;
};

function weeksOf(
  start: LocalDate | null,
  end: LocalDate | null,
  noClass: readonly LocalDate[],
): TeachingWeeks | null {
  if (start === null || end === null || end < start) return null;
  const term: TermDays = { start, end, noClass: new Set(noClass) };
  return new TeachingWeeks(term);
}

/** The new day of a typed one. Where everything moves, a day without a year is one of the old term. */
function typedMove(
  rule: Rule,
  from: OldTerm,
  { map }: Pick<RedateAsk, 'map'>,
): (day: LocalDate) => LocalDate | null {
  // A typed day goes by the same map as its thing; whether it has class is for a person to see.
  const options = { map, avoidNoClass: null };
  switch (rule.mode) {
    case 'clear':
    case 'to-date':
      return () => null;
    case 'shift':
      return (day) => {
        const isOld = from.start !== null && from.end !== null && day >= from.start && day <= from.end;
        return isOld ? (moveDay(day, rule, options)?.day ?? null) : null;
      };
    case 'week-and-weekday':
    case 'spread':
      return (day) => (isFarOutside(day, rule) ? null : (moveDay(day, rule, options)?.day ?? null));
  }
}

const written = (
  action: string,
  targets: readonly string[],
  params: Readonly<Record<string, unknown>>,
): WrittenStep => ({ action, targets, params, from: 'redate' });

/** Things whose dates change, in one step; things whose dates are cleared, in another. */
function stepsOf(things: readonly ThingChanges[], ask: RedateAsk): WrittenStep[] {
  const dates = Object.fromEntries(things.flatMap((thing) => Object.entries(thing.sets)));
  const refs = Object.keys(dates);
  if (refs.length === 0) return [];
  if (ask.mode === 'clear') return [written('clear-dates', refs, {})];
  return [written('re-date', refs, { dates })];
}
