import { runPlan, type RunRules } from '@/core/plan/run-plan';
import { actionOf, type Step } from '@/core/plan/step';
import { phases } from '@/core/plan/action/action';
import type { Shell } from '@/core/shell/model';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { planOf } from './plan';

/** Shells as plans would leave them, by state and plan: what is edited by hand is edited on top of the plan so far. */
const recent = new Map<string, Shell>();
const mostRecent = 4;

function remember(key: string, shell: Shell): void {
  recent.delete(key);
  recent.set(key, shell);
  const oldest = recent.keys().next().value;
  if (recent.size > mostRecent && oldest !== undefined) recent.delete(oldest);
}

/** Which names mean answers decides what a plan holds back, so other house rules are another planned shell. */
const keyOf = (shell: CurrentShell, planKey: string, rules: RunRules): string =>
  JSON.stringify([shell.row.id, shell.version.stateBlob, planKey, rules.keyMarks]);

/** A plan by what names it; its steps are only read where they must be run. */
interface NamedPlan {
  readonly key: string;
  readonly steps: () => readonly Step[];
}

/** The shell as a plan would leave it; itself where the plan is empty. */
export function shellAfter(folder: OpenFolder, shell: CurrentShell, plan: NamedPlan, rules: RunRules): Shell {
  const now = shellOf(folder.blobs, blobHash.parse(shell.version.stateBlob));
  if (plan.key === '') return now;
  const key = keyOf(shell, plan.key, rules);
  const planned = recent.get(key) ?? runPlan(now, plan.steps(), rules).after;
  remember(key, planned);
  return planned;
}

/** The shell as the plan so far would leave it. */
export function plannedShell(folder: OpenFolder, shell: CurrentShell, rules: RunRules): Shell {
  const steps = () => planOf(folder.db, shell.row.id).map((row) => row.step);
  return shellAfter(folder, shell, { key: shell.plan.key, steps }, rules);
}

/**
 * Keeps the planned shell with one step more, so that it need not be worked out again: only the new step was folded in.
 * That holds where the step takes its turn behind all others; deletions are done all together, and are run anew.
 */
export function rememberWithStep(
  current: CurrentShell,
  earlier: readonly Step[],
  after: { readonly planKey: string; readonly shell: Shell; readonly step: Step },
  rules: RunRules,
): void {
  const turn = turnOf(after.step);
  const isLast = turn < phases.length - 1 && earlier.every((other) => turnOf(other) <= turn);
  if (isLast) remember(keyOf(current, after.planKey, rules), after.shell);
}

/** When a step takes its turn: the place of its phase. */
const turnOf = (step: Step): number => phases.indexOf(actionOf(step.action).phase);
