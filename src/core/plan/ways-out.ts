import { linkGraphOf } from '@/core/links/graph';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { withStudentWork } from '@/core/plan/areas/student-work';
import type { StepResult } from './results';
import { runPlan, type RunRules } from './run-plan';
import type { AnyTarget } from './step';
import { makeStep, type WrittenStep } from './written-step';

/** A step that does what a blocked one can’t, or frees its way; it takes the blocked target’s place in the plan. */
export interface WayOut {
  readonly label: string;
  readonly steps: readonly WrittenStep[];
}

/**
 * Ways out for one target that a guard holds back. Each was tried on the shell as the rest of the plan leaves it: what is
 * offered can be done.
 */
export function waysOut(shell: Shell, result: StepResult, ref: string, rules: RunRules): WayOut[] {
  return candidates(shell, result, ref).filter(({ steps }) => canBeDone(shell, steps, rules));
}

function canBeDone(shell: Shell, steps: readonly WrittenStep[], rules: RunRules): boolean {
  let now = shell;
  for (const written of steps) {
    const step = makeStep(now, written);
    if (!step.ok) return false;
    const run = runPlan(now, [step.value], rules);
    if (run.results.some(({ outcome }) => outcome !== 'done')) return false;
    now = run.after;
  }
  return true;
}

const written = (
  action: WrittenStep['action'],
  targets: readonly string[],
  params: Record<string, unknown> = {},
): WrittenStep => ({ action, targets: [...targets], params, from: 'hand' });

function candidates(shell: Shell, { step }: StepResult, ref: string): WayOut[] {
  return step.action === 'delete' || step.action === 'merge' ? insteadOfDeleting(shell, ref) : [];
}

function insteadOfDeleting(shell: Shell, ref: string): WayOut[] {
  const outline = outlineOf(shell);
  const item = outline.byRef.get(ref as ItemRef);
  const inside = item ? outline.children(ref as ItemRef) : [];
  const offers: WayOut[] = [];
  const home = otherHome(shell, ref);
  if (home)
    offers.push({
      label: `Set “${home.title}” as home page, then delete`,
      steps: [written('set-home-page', [home.ref]), written('delete', [ref])],
    });
  if (inside.length > 0) {
    const all = [ref, ...insideOf(shell, ref)];
    offers.push({ label: `Delete what it holds, too (${all.length - 1})`, steps: [written('delete', all)] });
    offers.push({
      label: 'Lift out what it holds, and the emptied module goes',
      steps: [
        written(
          'lift-out',
          inside.map((child) => child.ref),
        ),
      ],
    });
  }
  const isLinked = linkGraphOf(shell).incoming.size > 0;
  if (isLinked) {
    offers.push({ label: 'Take the links out', steps: [written('delete', [ref], { unlink: true })] });
    offers.push({
      label: 'Leave the links broken',
      steps: [written('delete', [ref], { leaveBroken: true })],
    });
  }
  if (item) offers.push({ label: 'Hide it instead', steps: [written('hide', [ref])] });
  if (item) offers.push({ label: 'Set it aside instead', steps: [written('set-aside', [ref])] });
  const columns = shell.gradeColumns.filter(({ category }) => category === ref).map((column) => column.ref);
  if (columns.length > 0)
    offers.push({
      label: `Delete its columns, too (${columns.length})`,
      steps: [written('delete', [ref, ...columns])],
    });
  const work = withStudentWork(shell, new Set([ref]));
  // What is gone for good is offered last, and by itself only.
  if (work.length > 0)
    offers.push({
      label: `Delete “${refsOf(shell).titleOf(ref)}” with its student work, for good`,
      steps: [written('delete', [ref], { withStudentWork: 1 })],
    });
  return offers;
}

const otherHome = (shell: Shell, ref: string) =>
  shell.homePages.some((home) => home.ref === ref && home.inUse === true)
    ? shell.homePages.find((home) => home.ref !== ref)
    : undefined;

function insideOf(shell: Shell, ref: string): string[] {
  const outline = outlineOf(shell);
  return outline.children(ref as ItemRef).flatMap((child) => [child.ref, ...insideOf(shell, child.ref)]);
}

/** The refs of a blocked result. */
export const blockedRefs = ({ step }: StepResult): string[] =>
  (step.targets as readonly AnyTarget[]).map(({ ref }) => ref);
