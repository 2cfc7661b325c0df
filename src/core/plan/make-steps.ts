import { append } from '@/core/collect';
import { usualKeyMarks } from '@/core/text/answer-name';
import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { phases } from '@/core/plan/action/action';
import { keyNames } from './exposed-keys';
import { runBatch } from './run-batch';
import { actionOf, type Step } from './step';
import { actionNamed, makeStep, type WrittenStep } from './written-step';

/**
 * Makes the steps of a plan file, each for the shell as the steps before it leave it: a file says one thing after
 * another. Steps come in the order in which they are applied. The first that can’t be read is the trouble.
 */
export function makeSteps(shell: Shell, written: readonly WrittenStep[]): Result<readonly Step[]> {
  const context = { base: shell, keys: keyNames(usualKeyMarks) };
  const steps: Step[] = [];
  let now = shell;
  for (const group of groupsOf(written)) {
    const batch: Step[] = [];
    for (const one of group) {
      const step = makeStep(now, one);
      if (!step.ok) {
        const place = written.indexOf(one) + 1;
        return bad(step.trouble.code, `Step ${place} of the plan: ${step.trouble.message}`);
      }
      batch.push(step.value);
    }
    append(steps, batch);
    now = runBatch(now, batch, context).shell;
  }
  return good(steps);
}

/** Written steps in the order in which they are applied; neighbours of one action that may be done in one go together. */
function groupsOf(written: readonly WrittenStep[]): WrittenStep[][] {
  const phaseOf = (step: WrittenStep) => {
    const name = actionNamed(step);
    return name === null ? 'facts' : actionOf(name).phase;
  };
  const ordered = phases.flatMap((phase) => written.filter((step) => phaseOf(step) === phase));
  const groups: WrittenStep[][] = [];
  for (const step of ordered) {
    const name = actionNamed(step);
    const group = groups.at(-1);
    const isDeletion = name === 'delete' && group?.[0] && actionNamed(group[0]) === 'delete';
    if (group && isDeletion) group.push(step);
    else groups.push([step]);
  }
  return groups;
}
