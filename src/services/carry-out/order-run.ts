import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import type { IncomingType } from '@/core/add/incoming';
import { countChanges, type RemovedCounts, type StepResult } from '@/core/plan/run-plan';
import type { Sha256 } from '@/core/shell/refs';
import { bad, good, type Result } from '@/core/shell/result';
import { accepted, handSteps, ledger, runs, shells, versions } from '@/store/schema';
import type { Context } from '../context';
import { orderComb } from '../comb/order-comb';
import { planInput, sealedRehearsal } from '../rehearse/order-rehearsal';
import { findShell, intakeOf, type CurrentShell, type RunRow } from '../shells/current-shell';
import { keepVersion } from '../shells/keep-version';

export interface RunSummary {
  readonly done: number;
  readonly blocked: number;
  readonly nothing: number;
  readonly removed: RemovedCounts;
  readonly relinked: number;
  /** For a package that was added: what came in. */
  readonly added?: Readonly<Record<IncomingType, number>>;
}

/**
 * Carries the rehearsed plan out on the shell in the store. The version before it is the restore point; new version,
 * run and ledger are written in one transaction, so the shell is either wholly as before or wholly as rehearsed.
 */
export function orderRun(context: Context, shell: CurrentShell): Result<{ jobId: string }> {
  if (!sealedRehearsal(context, shell))
    return bad(
      'not-rehearsed',
      'The plan or the shell changed since the rehearsal; rehearse it again first.',
    );
  const { row, version, plan } = shell;
  const startedAt = new Date().toISOString();
  const auditBefore = shell.kept?.id ?? null;
  const jobId = context.jobs.order('carry-out', row.id, planInput(shell), (output) => {
    const now = new Date().toISOString();
    const runId = randomUUID();
    context.db.transaction((tx) => {
      const current = tx
        .select({ versionId: shells.versionId })
        .from(shells)
        .where(eq(shells.id, row.id))
        .get();
      if (current?.versionId !== version.id)
        throw new Error(
          'The shell changed while the plan was being carried out, so nothing was written; rehearse it again.',
        );
      const afterVersion = keepVersion(tx, row.id, output, intakeOf(version), now);
      const summary: RunSummary = {
        done: countChanges(output.results, 'done'),
        blocked: countChanges(output.results, 'blocked'),
        nothing: countChanges(output.results, 'nothing'),
        removed: output.removed,
        relinked: output.relinked,
      };
      tx.insert(runs)
        .values({
          id: runId,
          shellId: row.id,
          beforeVersion: version.id,
          afterVersion,
          state: 'done',
          editsBlob: output.editsBlob,
          summary: JSON.stringify(summary),
          auditBefore,
          startedAt,
          finishedAt: now,
        })
        .run();
      for (const r of output.results)
        tx.insert(ledger)
          .values(ledgerLine(runId, 'do', r, now))
          .run();
      tx.delete(accepted).where(eq(accepted.shellId, row.id)).run();
      const steps = new Set(plan.handSteps.map((s) => s.id));
      for (const id of steps)
        tx.delete(handSteps)
          .where(and(eq(handSteps.shellId, row.id), eq(handSteps.id, id)))
          .run();
    });
    // Proof follows at once: the result is combed again.
    const after = findShell(context, row.id);
    if (after) orderComb(context, after);
    return { runId };
  });
  return good({ jobId });
}

const ledgerLine = (runId: string, direction: 'do' | 'undo', r: StepResult, at: string) => ({
  runId,
  direction,
  action: r.step.action,
  targets: JSON.stringify(r.step.targets),
  titles: JSON.stringify(r.titles),
  outcome: r.outcome,
  reason: r.reason ?? null,
  at,
});

/** Takes a whole run back, as long as nothing was changed after it. */
export function orderUndo(context: Context, shell: CurrentShell, run: RunRow): Result<{ jobId: string }> {
  if (run.state === 'undone') return bad('undone-already', 'This run was taken back already.');
  if (run.afterVersion !== shell.version.id)
    return bad('not-the-last-run', 'Something was changed after this run; take that back first.');
  const before = context.db.select().from(versions).where(eq(versions.id, run.beforeVersion)).get();
  if (!before) return bad('no-restore-point', 'The restore point of this run is not in the store.');
  const jobId = context.jobs.order(
    'undo',
    shell.row.id,
    {
      stateBlob: shell.version.stateBlob as Sha256,
      editsBlob: run.editsBlob as Sha256,
      goal: before.fingerprint,
    },
    () => {
      const now = new Date().toISOString();
      context.db.transaction((tx) => {
        // The result equals the restore point, so the restore point itself becomes the current version, audits and all.
        tx.update(shells).set({ versionId: before.id }).where(eq(shells.id, shell.row.id)).run();
        tx.update(runs).set({ state: 'undone' }).where(eq(runs.id, run.id)).run();
        const lines = tx
          .select()
          .from(ledger)
          .where(and(eq(ledger.runId, run.id), eq(ledger.direction, 'do')))
          .all();
        for (const line of lines.reverse())
          if (line.outcome === 'done')
            tx.insert(ledger)
              .values({ ...line, id: undefined, direction: 'undo', at: now })
              .run();
      });
      return { runId: run.id };
    },
  );
  return good({ jobId });
}

export interface LedgerLine {
  readonly id: number;
  readonly direction: 'do' | 'undo';
  readonly action: string;
  readonly titles: readonly string[];
  readonly outcome: string;
  readonly reason: string | null;
  readonly at: string;
}

export const ledgerOf = (context: Context, runId: string): LedgerLine[] =>
  context.db
    .select()
    .from(ledger)
    .where(eq(ledger.runId, runId))
    .orderBy(ledger.id)
    .all()
    .map((l) => ({ ...l, titles: JSON.parse(l.titles) as string[] }));

export const summaryOf = (run: RunRow): RunSummary => JSON.parse(run.summary) as RunSummary;
