import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { takeStepsBack } from '@/core/plan/take-steps-back';
import type { StepEdits } from '@/core/plan/split-edits';
import type { Term } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { shellFingerprint } from '@/core/shell/shell-fingerprint';
import type { BlobStore } from '@/store/blobs';
import type { Transaction } from '@/store/database';
import { inList } from '@/store/in-list';
import { operations, runs } from '@/store/schema';
import { defineJob } from '@/services/keep/jobs/job-record';
import { turnTo } from '@/services/keep/shells/keep-version';
import { blobHash, keepState, shellOf, type KeptState } from '@/services/keep/shells/kept-state';
import { showFacts } from '@/services/keep/shells/show-facts';
import { commitVersion } from '@/services/keep/runs/commit-run';

type Undone =
  /** The restore point itself is the shell again, combings and all. */
  | {
      readonly by: 'version';
      readonly facts: { readonly code: string; readonly title: string; readonly term: Term };
    }
  | { readonly by: 'edits'; readonly state: KeptState };

// A row of an earlier Currycomb says more; that is left aside.
const input = z.object({
  /** The version that is current now; another one by the time it is done refuses it. */
  versionId: z.string(),
  stateBlob: blobHash,
  what: z.discriminatedUnion('back', [
    /** To the restore point of a run: that run and all after it. */
    z.strictObject({
      back: z.literal('to'),
      versionId: z.string(),
      stateBlob: blobHash,
      fingerprint: z.string(),
      runs: z.array(z.string()),
    }),
    /** Some steps of one run, whatever came after it. */
    z.strictObject({
      back: z.literal('steps'),
      runId: z.string(),
      editsBlob: blobHash,
      beforeBlob: blobHash,
      steps: z.array(z.number()),
      isWhole: z.boolean(),
    }),
  ]),
});
export type UndoInput = z.output<typeof input>;

/** Takes back: to a restore point, a run, or a step of one. */
export const undoJob = defineJob({
  kind: 'undo',
  input,
  leavesBlobs: true,
  run: async ({ stateBlob, what }: UndoInput, { blobs, progress }): Promise<Result<Undone>> => {
    progress(0, 1, 'Taking back');
    if (what.back === 'to') {
      const restored = shellOf(blobs, what.stateBlob);
      const { code, title, term } = restored;
      // A restore point of an earlier form has another fingerprint, and is the very state all the same.
      return good({ by: 'version', facts: { code, title, term } });
    }
    const changes = changesIn(blobs, what.editsBlob);
    if (!changes.ok) return changes;
    const shell = shellOf(blobs, stateBlob);
    const before = shellOf(blobs, what.beforeBlob);
    const back = takeStepsBack(shell, before, changes.value, new Set(what.steps));
    if (!back.ok) return back;
    if (shellFingerprint(back.value) === shellFingerprint(shell))
      return bad('nothing-to-undo', 'There is nothing of it left to take back; nothing was changed.');
    return good({ by: 'edits', state: keepState(blobs, back.value) });
  },
  settle: (undone: Undone, { versionId, what }: UndoInput, desk) => {
    const { tx, now, shellId } = desk;
    if (shellId === null) return {};
    if (undone.by === 'version' && what.back === 'to') {
      turnTo(tx, shellId, versionId, what.versionId);
      showFacts(tx, shellId, undone.facts);
      for (const runId of what.runs) markUndone(tx, runId, null, now);
      return { runId: what.runs[0] };
    }
    if (undone.by === 'edits' && what.back === 'steps') {
      const about = { kind: 'undo', label: 'After taking back', parentId: versionId, now } as const;
      commitVersion(desk, shellId, versionId, undone.state, about);
      markUndone(tx, what.runId, what.isWhole ? null : what.steps, now);
      return { runId: what.runId };
    }
    return {};
  },
});

function changesIn(blobs: BlobStore, hash: UndoInput['stateBlob']): Result<readonly StepEdits[]> {
  const bytes = blobs.read(hash);
  if (!bytes)
    return bad(
      'edits-gone',
      'What this run changed is not in the store any more, or is damaged; take it back together with all that came after it, which goes by its restore point.',
    );
  const kept = JSON.parse(bytes.toString('utf8')) as unknown[];
  const isByStep = kept.every((one) => typeof one === 'object' && one !== null && 'steps' in one);
  return isByStep
    ? good(kept as StepEdits[])
    : bad(
        'old-run',
        'This run was carried out by an earlier version of Currycomb; only the newest run can be taken back.',
      );
}

/** Marks steps of a run as taken back; the run, too, where none is left. */
function markUndone(tx: Transaction, runId: string, steps: readonly number[] | null, now: string): void {
  const done = and(eq(operations.runId, runId), eq(operations.state, 'done'));
  tx.update(operations)
    .set({ state: 'undone', undoneAt: now })
    .where(steps === null ? done : and(done, inList(operations.sequence, steps)))
    .run();
  const left = tx.select({ key: operations.key }).from(operations).where(done).all().length;
  if (left === 0) tx.update(runs).set({ state: 'undone' }).where(eq(runs.id, runId)).run();
}
