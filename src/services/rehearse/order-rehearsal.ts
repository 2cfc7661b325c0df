import { and, desc, eq } from 'drizzle-orm';
import type { Sha256 } from '@/core/shell/refs';
import { bad, good, type Result } from '@/core/shell/result';
import { jobs } from '@/store/schema';
import type { Context } from '../context';
import { keptRules } from '../house-rules/house-rules';
import type { RehearsalView } from '../jobs/job-kinds';
import type { CurrentShell } from '../shells/current-shell';

interface KeptRehearsal {
  readonly planKey: string;
  readonly view: RehearsalView;
}

/** Orders the plan to be tried on a copy. What comes of it is sealed with the plan and the state it was tried for. */
export function orderRehearsal(context: Context, shell: CurrentShell): Result<{ jobId: string }> {
  if (!shell.kept) return bad('not-combed', 'Comb the shell first.');
  if (shell.plan.size === 0) return bad('empty-plan', 'The plan is empty: accept some findings first.');
  const planKey = shell.plan.key;
  const jobId = context.jobs.order(
    'rehearse',
    shell.row.id,
    {
      ...planInput(shell),
      audit: { ...shell.kept.audit, findings: shell.open },
      rules: keptRules(context).written,
    },
    (view) => ({ planKey, view }) satisfies KeptRehearsal,
  );
  return good({ jobId });
}

export function planInput(shell: CurrentShell) {
  const wanted = new Set(shell.plan.accepted);
  return {
    stateBlob: shell.version.stateBlob as Sha256,
    findings: shell.open.filter((f) => wanted.has(f.id)),
    handSteps: shell.plan.handSteps.map((s) => s.step),
  };
}

/** The rehearsal of exactly this plan for exactly this state, or null where it has to be rehearsed (again). */
export function sealedRehearsal(context: Context, shell: CurrentShell): RehearsalView | null {
  const row = context.db
    .select({ result: jobs.result })
    .from(jobs)
    .where(and(eq(jobs.shellId, shell.row.id), eq(jobs.kind, 'rehearse'), eq(jobs.state, 'done')))
    .orderBy(desc(jobs.finishedAt))
    .limit(1)
    .get();
  if (!row?.result) return null;
  const kept = JSON.parse(row.result) as KeptRehearsal;
  return kept.planKey === shell.plan.key ? kept.view : null;
}
