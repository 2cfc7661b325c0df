import { randomUUID } from 'node:crypto';
import { campusCapabilities } from '@/connectors/campus/campus-connector';
import { arrange } from '@/core/plan/arrange';
import { good, type Result } from '@/core/shell/result';
import { runs } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { planOf } from '@/services/keep/plan/plan';
import { rulesFor } from '@/services/keep/rules/house-rules';
import type { SealedRehearsal } from '@/services/do/rehearse/order-rehearsal';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';
import { insertOperations } from '@/services/keep/runs/operation-rows';
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
  const runId = randomUUID();
  const task: RunTask = {
    versionId: version.id,
    stateBlob: blobHash.parse(version.stateBlob),
    rules: rulesFor(context, shell.row).written,
    what: {
      is: 'plan',
      seal: sealed.seal,
      sealed: [...sealed.steps],
      steps: [...steps],
      planRows: planOf(context.db, row.id).map((one) => one.id),
    },
  };
  const jobId = context.jobs.order('host-run', row.id, { runId }, (tx) => {
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
