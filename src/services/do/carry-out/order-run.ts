import { randomUUID } from 'node:crypto';
import { orderHostRun } from '@/services/do/carry-out-on-host/order-host-run';
import { whyNotNow } from '@/services/keep/runs/open-run';
import { insertOperations } from '@/services/keep/runs/operation-rows';
import { arrange } from '@/core/plan/arrange';
import { bad, good, type Result } from '@/core/shell/result';
import { runs } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { planRowsOf } from '@/services/keep/plan/plan';
import { rulesFor } from '@/services/keep/rules/house-rules';
import { sealedRehearsal } from '@/services/do/rehearse/order-rehearsal';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';

/**
 * Carries the rehearsed plan out on the shell in the store. Run and operations are written before anything is done; the
 * version before is the restore point. New version, run and ledger end in one transaction, so the shell is either wholly
 * as before or wholly as rehearsed.
 */
export function orderRun(context: Context, shell: CurrentShell): Result<{ jobId: string }> {
  const onHost = shell.row.hostId !== null;
  const underWay = context.jobs.underWay(shell.row.id, onHost ? 'host-run' : 'carry-out');
  if (underWay) return good({ jobId: underWay.id });
  const refused = whyNotNow(context, shell.row.id);
  if (refused) return refused;
  const sealed = sealedRehearsal(context, shell);
  if (!sealed)
    return bad(
      'not-rehearsed',
      'The plan or the shell changed since the rehearsal; rehearse it again first.',
    );
  if (!sealed.steps.length)
    return bad('nothing-to-do', 'Nothing of this plan would change anything; see in the rehearsal why.');
  if (onHost) return orderHostRun(context, shell, sealed, titlesIn(sealed.view.results));
  const { row, version } = shell;
  const runId = randomUUID();
  const steps = arrange(sealed.steps);
  const input = {
    runId,
    versionId: version.id,
    stateBlob: blobHash.parse(version.stateBlob),
    seal: sealed.seal,
    steps: [...sealed.steps],
    rules: rulesFor(context, shell.row).written,
    planRows: planRowsOf(context.db, row.id),
  };
  const jobId = context.jobs.order('carry-out', row.id, input, (tx) => {
    const now = new Date().toISOString();
    tx.insert(runs)
      .values({
        id: runId,
        shellId: row.id,
        beforeVersion: version.id,
        state: 'planned',
        seal: sealed.seal,
        auditBefore: shell.audit?.id ?? null,
        startedAt: now,
      })
      .run();
    insertOperations(tx, runId, steps, titlesIn(sealed.view.results), now);
  });
  return good({ jobId });
}

function titlesIn(
  results: readonly { readonly targets: readonly string[]; readonly titles: readonly string[] }[],
): Map<string, string> {
  const titles = new Map<string, string>();
  for (const result of results) result.targets.forEach((ref, n) => titles.set(ref, result.titles[n] ?? ref));
  return titles;
}
