import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { PackageConnector } from '@/connectors/package/package-connector';
import { sealOf } from '@/core/plan/normalise';
import { countChanges } from '@/core/plan/results';
import { emptinessOf } from '@/core/plan/reset/emptiness';
import { runPlan } from '@/core/plan/run-plan';
import { scriptOf } from '@/core/plan/script';
import { stepSchema } from '@/core/plan/step';
import { bad, good } from '@/core/shell/result';
import { operations, runs } from '@/store/schema';
import { combWhatIsWritten } from '@/services/do/comb/comb-what-is-written';
import { takeOutOfPlan } from '@/services/keep/plan/plan';
import { rulesFrom, writtenRules } from '@/services/keep/rules/written-rules';
import { defineJob } from '@/services/keep/jobs/job-record';
import { blobHash, keepState, shellOf, type KeptState } from '@/services/keep/shells/kept-state';
import { commitRun } from '@/services/keep/runs/commit-run';
import type { RunSummary } from '@/services/keep/runs/run-summary';
import { batchesOfScript, runScript } from '@/services/keep/runs/run-script';

interface CarriedOut {
  readonly state: KeptState;
  readonly editsBlob: string;
  readonly titles: readonly (readonly string[])[];
  readonly summary: RunSummary;
}

/** Carries the sealed steps out on the shell in the store; all of them or none. */
export const carryOutJob = defineJob({
  kind: 'carry-out',
  // A row of an earlier Currycomb says more; that is left aside.
  input: z.object({
    runId: z.uuid(),
    versionId: z.string(),
    stateBlob: blobHash,
    seal: z.string(),
    steps: z.array(stepSchema),
    rules: writtenRules,
    /** The plan’s rows that the rehearsal was about: they are done with. What was added since stays. */
    planRows: z.array(z.string()),
  }),
  leavesBlobs: true,
  run: async ({ runId, versionId, stateBlob, seal, steps, rules }, { blobs, progress }) => {
    if (sealOf(steps, versionId) !== seal)
      return bad(
        'seal-broken',
        'The steps are not those that were rehearsed, so nothing was changed; rehearse the plan again.',
      );
    const read = rulesFrom(rules);
    if (!read.ok) return read;
    const before = shellOf(blobs, stateBlob);
    const run = runPlan(before, steps, read.value);
    const differs = run.results.find((result) => result.outcome !== 'done');
    if (differs)
      return bad(
        'not-as-rehearsed',
        `“${differs.titles[0] ?? ''}” does not come out as in the rehearsal (${differs.reason ?? differs.outcome}), so nothing was changed; rehearse the plan again.`,
      );
    const connector = new PackageConnector(before);
    const sent = await runScript(connector, batchesOfScript(runId, scriptOf(run)), progress);
    if (!sent.ok) return sent;
    const refused = sent.value.flatMap(({ outcomes }) => outcomes).find(({ is }) => is === 'refused');
    if (refused?.is === 'refused')
      return bad('refused', `The shell could not be changed, so nothing was (${refused.reason}).`);
    progress(1, 1, 'Keeping the result');
    const { results, changes, relinked } = run;
    const summary: RunSummary = {
      done: countChanges(results, 'done'),
      blocked: 0,
      nothing: 0,
      removed: run.removed,
      relinked,
      emptiness: emptinessOf(before, connector.shell, run.steps),
    };
    return good({
      state: keepState(blobs, connector.shell),
      editsBlob: blobs.put(JSON.stringify(changes)),
      titles: results.map((result) => result.titles),
      summary,
    } satisfies CarriedOut);
  },
  settle: (carried: CarriedOut, { runId, versionId, planRows, rules }, desk) => {
    const { tx, now, shellId } = desk;
    if (shellId === null) return {};
    const { state, editsBlob, summary } = carried;
    const run = { id: runId, shellId, expectedVersion: versionId, editsBlob, summary };
    const about = { kind: 'run', label: 'After a run', parentId: versionId, now } as const;
    const afterVersion = commitRun(desk, run, state, about);
    tx.update(operations).set({ state: 'done', tries: 1, at: now }).where(eq(operations.runId, runId)).run();
    takeOutOfPlan(tx, shellId, planRows);
    // Proof follows at once: the result is combed again.
    combWhatIsWritten(desk, shellId, afterVersion, state.stateBlob, rules);
    return { runId };
  },
  abandon: ({ runId }, tx, trouble) => {
    tx.update(runs).set({ state: 'stopped' }).where(eq(runs.id, runId)).run();
    tx.update(operations).set({ state: 'failed', reason: trouble }).where(eq(operations.runId, runId)).run();
  },
});
