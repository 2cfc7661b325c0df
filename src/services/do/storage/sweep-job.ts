import { join } from 'node:path';
import Database from 'better-sqlite3';
import { z } from 'zod';
import { good } from '@/core/shell/result';
import type { Sha256 } from '@/core/refs/refs';
import { holdOldState } from '@/store/state/keep-shell';
import { defineJob } from '@/services/keep/jobs/job-record';
import { blobRootsOf } from '@/services/keep/storage/blob-roots';

/** Throws away blobs that nothing uses: what a reading that did not end well, or a shell that was removed, left behind. */
export const sweepJob = defineJob({
  kind: 'sweep',
  input: z.strictObject({}),
  exclusive: true,
  run: async (_, { blobs, dataDir }) => {
    const db = new Database(join(dataDir, 'currycomb.sqlite'), { readonly: true });
    try {
      const states = db
        .prepare(
          "SELECT state_blob FROM versions WHERE state_blob <> '' UNION SELECT state_blob FROM incomings",
        )
        .pluck();
      for (const state of states.all() as Sha256[]) if (!blobs.holdsAny(state)) holdOldState(blobs, state);
      return good({ gone: blobs.sweep(blobRootsOf(db)) });
    } finally {
      db.close();
    }
  },
  settle: ({ gone }) => ({ gone }),
});
