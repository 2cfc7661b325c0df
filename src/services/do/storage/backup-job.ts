import { statSync } from 'node:fs';
import { z } from 'zod';
import { good } from '@/core/shell/result';
import { defineJob } from '@/services/keep/jobs/job-record';
import { writeBackup } from '@/services/do/storage/backup/write-backup';

/** Writes the whole data folder as one file, to be fetched within the hour. */
export const backupJob = defineJob({
  kind: 'backup',
  input: z.strictObject({ file: z.string(), id: z.string(), now: z.string() }),
  // Nothing is cleared away meanwhile.
  exclusive: true,
  run: async ({ file, id, now }, { dataDir, progress }) => {
    progress(0, 1, 'Copying the folder');
    const written = await writeBackup(dataDir, file, now);
    return written.ok ? good({ id, bytes: statSync(file).size, shells: written.value.shells }) : written;
  },
  settle: (written) => written,
});
