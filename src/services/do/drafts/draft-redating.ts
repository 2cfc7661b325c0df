import { plainAsk, type RedateAsk } from '@/core/redate/ask';
import { oddTerm } from '@/core/redate/infer-term';
import { oldTermOf, redate, redatingSteps, type Redating } from '@/core/redate/redate';
import { TeachingWeeks } from '@/core/redate/teaching-weeks';
import { weekLoads, type WeekLoad } from '@/core/redate/week-load';
import { runPlan } from '@/core/plan/run-plan';
import type { Shell } from '@/core/shell/model';
import { good, type Result } from '@/core/shell/result';
import { readDayList } from '@/core/time/day-list';
import type { LocalDate } from '@/core/dates/local-date';
import { redateJson, type RedateJson } from '@/formats/report/redate-report';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { DraftPlan } from './draft-plan';
import type { Drafted } from '@/services/keep/plan/plan-draft';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import type { RedateWish } from './redate-ask';
import { houseNoClass, type HouseTerm } from '@/core/time/house-terms';

/** A re-dating to be looked at: what would change, what is odd, and the load of each week before and after. */
export interface LookedAtRedating {
  readonly redating: RedateJson;
  readonly odd: string | null;
  readonly load: readonly WeekLoad[];
}

/** A re-dating on top of the plan so far; with `take` its steps are part of the draft. */
export function draftRedating(
  folder: OpenFolder,
  current: CurrentShell,
  wish: RedateWish,
): Result<Drafted<LookedAtRedating>> {
  const begun = DraftPlan.of(folder, current);
  if (!begun.ok) return begun;
  const plan = begun.value;
  const planned = plan.shell();
  const shell = withOldTerm(planned, wish);
  const noClass = oldNoClass(shell, wish, plan.rules.terms);
  if (!noClass.ok) return noClass;
  const redating = redate(shell, askOf(wish), noClass.value);
  if (!redating.ok) return redating;
  const steps = redatingSteps(shell, redating.value, false);
  if (!steps.ok) return steps;
  const { after } = runPlan(planned, steps.value, plan.rules);
  const { start, end } = redating.value.from;
  const told: LookedAtRedating = {
    redating: redateJson(redating.value),
    odd: start !== null && end !== null ? oddTerm({ start, end }, shell.term.start) : null,
    load: loadOf(shell, after, redating.value, noClass.value),
  };
  if (wish.take) addSteps(plan, redating.value, wish.typed);
  return good({ told, draft: plan.draft() });
}

/** Each step on top of the one before; one that can’t be made of a thing leaves it as it is. */
function addSteps(plan: DraftPlan, redating: Redating, withTyped: boolean): void {
  const steps = [...redating.steps, ...(withTyped ? redating.typedSteps : [])];
  for (const step of steps) plan.add({ ...step, from: 'hand' });
}

const withOldTerm = (shell: Shell, { oldStart, oldEnd }: RedateWish): Shell => {
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
  wish: RedateWish,
  terms: readonly HouseTerm[],
): Result<readonly LocalDate[]> {
  return wish.oldNoClass === null
    ? good(houseNoClass(oldTermOf(shell), terms))
    : readDayList(wish.oldNoClass);
}

const askOf = (wish: RedateWish): RedateAsk => ({
  ...plainAsk,
  mode: wish.mode,
  days: wish.days,
  date: wish.date,
  map: new Map(wish.map),
  avoidNoClass: wish.avoidNoClass,
  what: wish.what,
  only: wish.only === null ? null : new Set(wish.only),
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
