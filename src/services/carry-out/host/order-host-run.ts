import { randomUUID } from 'node:crypto';
import { actionNames, type ActionName } from '@/core/plan/actions/registry';
import { campusCapabilities } from '@/connectors/campus/campus-connector';
import { arrange } from '@/core/plan/arrange';
import type { AnyTarget, Step } from '@/core/plan/step';
import { writeStep } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import type { Transaction } from '@/store/database';
import { operations, runs } from '@/store/schema';
import type { Context } from '../../context';
import { planOf } from '../../decide/plan';
import { keptRules } from '../../house-rules/house-rules';
import type { SealedRehearsal } from '../../rehearse/order-rehearsal';
import { intakeOf, type CurrentShell } from '../../shells/current-shell';
import { blobHash } from '../../shells/kept-state';
import { hostRunJob } from './host-run-job';
import type { RunTask } from './run-task';

/**
 * Carries the rehearsed plan out on the shell’s host. What the host can do nobody’s work for goes to the work order: it
 * stands in the run’s ledger, to be ticked when it was done by hand.
 */
export function orderHostRun(
  context: Context,
  shell: CurrentShell,
  sealed: SealedRehearsal,
  titles: ReadonlyMap<string, string>,
): Result<{ jobId: string }> {
  const { row, version } = shell;
  const ordered = arrange(sealed.steps);
  const steps = ordered.filter(({ action }) => campusCapabilities.has(action));
  const byHand = ordered.filter(({ action }) => !campusCapabilities.has(action));
  if (steps.length === 0 && byHand.length === 0)
    return bad('nothing-to-do', 'Nothing of this plan would change anything; see in the rehearsal why.');
  const runId = randomUUID();
  const task: RunTask = {
    versionId: version.id,
    stateBlob: blobHash.parse(version.stateBlob),
    rules: keptRules(context).written,
    intake: intakeOf(version),
    what: {
      is: 'plan',
      seal: sealed.seal,
      sealed: [...sealed.steps],
      steps: [...steps],
      planRows: planOf(context.db, row.id).map((one) => one.id),
    },
  };
  const jobId = context.jobs.order(hostRunJob, row.id, { runId }, (tx) => {
    const now = new Date().toISOString();
    tx.insert(runs)
      .values({
        id: runId,
        shellId: row.id,
        beforeVersion: version.id,
        place: 'host',
        state: 'planned',
        seal: sealed.seal,
        task: JSON.stringify(task),
        auditBefore: shell.audit?.id ?? null,
        startedAt: now,
      })
      .run();
    insertOperations(tx, runId, [...steps, ...byHand], titles, now, steps.length);
  });
  return good({ jobId });
}

function insertOperations(
  tx: Transaction,
  runId: string,
  steps: readonly Step[],
  titles: ReadonlyMap<string, string>,
  now: string,
  firstByHand: number,
): void {
  const rows = steps.map((step, sequence) => {
    const targets = step.targets as readonly AnyTarget[];
    return {
      runId,
      sequence,
      key: `${runId}:${sequence}`,
      action: writeStep(step).action,
      targets: JSON.stringify(targets.map((target) => target.ref)),
      titles: JSON.stringify(targets.map((target) => titles.get(target.ref) ?? target.ref)),
      step: JSON.stringify(step),
      state: sequence < firstByHand ? ('waiting' as const) : ('by-hand' as const),
      at: now,
    };
  });
  for (let at = 0; at < rows.length; at += 500)
    tx.insert(operations)
      .values(rows.slice(at, at + 500))
      .run();
}

/** The actions that a campus host leaves to be done by hand. */
export const byHandActions: readonly ActionName[] = actionNames.filter(
  (name) => !campusCapabilities.has(name),
);
