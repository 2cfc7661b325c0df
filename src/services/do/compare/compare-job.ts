import { z } from 'zod';
import { compareShells } from '@/core/two-shells/compare-shells';
import { good } from '@/core/shell/result';
import { comparisons } from '@/store/schema';
import { defineJob } from '@/services/keep/jobs/job-record';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';

const state = z.strictObject({ versionId: z.string(), stateBlob: blobHash });

/** Compares a shell with another, both as they stand. */
export const compareJob = defineJob({
  kind: 'compare',
  input: z.strictObject({ here: state, other: state, otherId: z.string() }),
  run: async ({ here, other }, { blobs, progress }) => {
    progress(0, 2, 'Reading both shells');
    const [ours, theirs] = [shellOf(blobs, here.stateBlob), shellOf(blobs, other.stateBlob)];
    progress(1, 2, 'Holding them together');
    return good(JSON.stringify(compareShells(theirs, ours)));
  },
  settle: (comparison: string, { here, other, otherId }, { tx, now, shellId }) => {
    if (shellId === null) return;
    const states = { versionId: here.versionId, otherVersionId: other.versionId };
    const row = { ...states, comparison, comparedAt: now };
    tx.insert(comparisons)
      .values({ shellId, otherId, ...row })
      .onConflictDoUpdate({ target: [comparisons.shellId, comparisons.otherId], set: row })
      .run();
  },
});
