import type { Shell } from '@/core/shell/model';
import { runPlan, type PlanRun, type RunRules } from '../run-plan';
import type { Step } from '../step';
import { makeStep, type WrittenStep } from '../written-step';

/** A step as somebody writes it by hand. */
export const hand = (
  action: string,
  targets: readonly string[],
  params: Readonly<Record<string, unknown>> = {},
): WrittenStep => ({ action, targets, params, from: 'hand' });

/** The steps, each made for the shell as it is before the plan. */
export const stepsOf = (shell: Shell, written: readonly WrittenStep[]): Step[] =>
  written.map((one) => {
    const step = makeStep(shell, one);
    if (!step.ok) throw new Error(step.trouble.message);
    return step.value;
  });

export const runWritten = (shell: Shell, written: readonly WrittenStep[], rules?: RunRules): PlanRun =>
  runPlan(shell, stepsOf(shell, written), rules);
