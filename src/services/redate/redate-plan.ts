import { z } from 'zod';
import { plainAsk, redateModes, type RedateAsk } from '@/core/redate/ask';
import { oddTerm } from '@/core/redate/infer-term';
import { oldTermOf, redate, redatingSteps, type Redating } from '@/core/redate/redate';
import { TeachingWeeks } from '@/core/redate/teaching-weeks';
import { weekLoads, type WeekLoad } from '@/core/redate/week-load';
import { runPlan } from '@/core/plan/run-plan';
import type { Shell } from '@/core/shell/model';
import { good, type Result } from '@/core/shell/result';
import { readDayList, spellDayList } from '@/core/time/day-list';
import { parseLocalDate, type LocalDate } from '@/core/time/local-date';
import { redateJson, type RedateJson } from '@/formats/report/redate-report';
import type { Context, OpenFolder } from '../context';
import { addByHand, type AddedStep } from '../decide/edit-plan';
import { plannedShell } from '../decide/planned-shell';
import { rulesFor } from '../house-rules/house-rules';
import { rulesFrom } from '../house-rules/written-rules';
import { findShell, type CurrentShell } from '../shells/current-shell';
import { oldNoClassOf } from './redate-package';

const day = z
  .string()
  .refine((text) => parseLocalDate(text) !== null, 'write a day as 2027-01-11')
  .transform((text) => text as LocalDate);
const weekday = z.int().min(1).max(7);

/** A re-dating as the screen asks for it; `take` puts it into the plan. */
export const redateAskSchema = z.strictObject({
  mode: z.enum(redateModes),
  days: z.int().min(-3660).max(3660).default(0),
  date: day.nullable().default(null),
  map: z
    .array(z.tuple([weekday, weekday]))
    .max(7)
    .default([]),
  avoidNoClass: z.enum(['next', 'previous']).nullable().default(null),
  what: z.enum(['items', 'events', 'all']).default('all'),
  only: z.array(z.string()).max(100_000).nullable().default(null),
  /** Days of the old term; those that the shell tells, or its dates, where they are not given. */
  oldStart: day.nullable().default(null),
  oldEnd: day.nullable().default(null),
  oldNoClass: z.string().max(4000).nullable().default(null),
  typed: z.boolean().default(false),
  take: z.boolean().default(false),
});
export type RedateAsked = z.input<typeof redateAskSchema>;
type Asked = z.output<typeof redateAskSchema>;

/** A re-dating to be looked at: what would change, what is odd, and the load of each week before and after. */
export interface RedatePreview {
  readonly redating: RedateJson;
  readonly odd: string | null;
  readonly load: readonly WeekLoad[];
  /** What went into the plan; null where it was only looked at. */
  readonly taken: readonly AddedStep[] | null;
}

/** Works a re-dating out on top of the plan so far, and puts it into the plan where that is asked for. */
export function redateInPlan(context: Context, current: CurrentShell, asked: Asked): Result<RedatePreview> {
  const rules = rulesFrom(rulesFor(context, current.row).written);
  if (!rules.ok) return rules;
  const planned = plannedShell(context, current, rules.value);
  const shell = withOldTerm(planned, asked);
  const noClass = oldNoClass(shell, asked, rules.value.terms);
  if (!noClass.ok) return noClass;
  const redating = redate(shell, askOf(asked), noClass.value);
  if (!redating.ok) return redating;
  const steps = redatingSteps(shell, redating.value, false);
  if (!steps.ok) return steps;
  const { after } = runPlan(planned, steps.value, rules.value);
  const { start, end } = redating.value.from;
  return good({
    redating: redateJson(redating.value),
    odd: start !== null && end !== null ? oddTerm({ start, end }, shell.term.start) : null,
    load: loadOf(shell, after, redating.value, noClass.value),
    taken: asked.take ? taken(context, current, redating.value, asked.typed) : null,
  });
}

const withOldTerm = (shell: Shell, { oldStart, oldEnd }: Asked): Shell => {
  if (oldStart === null && oldEnd === null) return shell;
  const told = shell.previousTerm;
  const previousTerm = {
    title: told?.title ?? '',
    start: oldStart ?? told?.start ?? null,
    end: oldEnd ?? told?.end ?? null,
  };
  return { ...shell, previousTerm };
};

function oldNoClass(
  shell: Shell,
  asked: Asked,
  terms: Parameters<typeof oldNoClassOf>[1],
): Result<readonly LocalDate[]> {
  return asked.oldNoClass === null ? good(oldNoClassOf(shell, terms)) : readDayList(asked.oldNoClass);
}

const askOf = (asked: Asked): RedateAsk => ({
  ...plainAsk,
  mode: asked.mode,
  days: asked.days,
  date: asked.date,
  map: new Map(asked.map),
  avoidNoClass: asked.avoidNoClass,
  what: asked.what,
  only: asked.only === null ? null : new Set(asked.only),
});

function loadOf(
  before: Shell,
  after: Shell,
  redating: Redating,
  oldNoClassDays: readonly LocalDate[],
): readonly WeekLoad[] {
  const { from, to } = redating;
  if (from.start === null || from.end === null || to.start === null || to.end === null) return [];
  if (from.end < from.start || to.end < to.start) return [];
  return weekLoads(
    {
      shell: before,
      weeks: new TeachingWeeks({ start: from.start, end: from.end, noClass: new Set(oldNoClassDays) }),
    },
    {
      shell: after,
      weeks: new TeachingWeeks({ start: to.start, end: to.end, noClass: new Set(before.noClassDays) }),
    },
  );
}

/** Puts the steps into the plan, each on top of the one before. */
function taken(
  context: Context,
  current: CurrentShell,
  redating: Redating,
  withTyped: boolean,
): readonly AddedStep[] {
  const added: AddedStep[] = [];
  for (const step of [...redating.steps, ...(withTyped ? redating.typedSteps : [])]) {
    const now = findShell(context, current.row.id) ?? current;
    const result = addByHand(context, now, { ...step, from: 'hand' });
    if (result.ok) added.push(result.value);
  }
  return added;
}

/** What the screen opens with. */
export interface RedateStart {
  readonly id: string;
  readonly code: string;
  readonly old: { readonly start: string | null; readonly end: string | null; readonly inferred: boolean };
  readonly oldNoClass: string;
  readonly term: {
    readonly title: string;
    readonly start: string | null;
    readonly end: string | null;
    readonly noClass: string;
  };
}

export function redateStart(folder: OpenFolder, current: CurrentShell): RedateStart {
  const rules = rulesFrom(rulesFor(folder, current.row).written);
  const terms = rules.ok ? rules.value.terms : [];
  const shell = plannedShell(folder, current, { keyMarks: rules.ok ? rules.value.keyMarks : [] });
  return {
    id: current.row.id,
    code: current.row.code || current.row.title,
    old: oldTermOf(shell),
    oldNoClass: spellDayList(oldNoClassOf(shell, terms)),
    term: {
      title: shell.term.title,
      start: shell.term.start,
      end: shell.term.end,
      noClass: spellDayList(shell.noClassDays),
    },
  };
}
