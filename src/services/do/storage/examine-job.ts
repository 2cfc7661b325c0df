import { z } from 'zod';
import { good } from '@/core/shell/result';
import { defineJob } from '@/services/keep/jobs/job-record';
import { examine } from '@/services/do/storage/doctor/examine';
import { mend } from '@/services/do/storage/doctor/mend';

/** Looks the data folder over while nothing else works in it; mends first what can be mended, where that is wished. */
export const examineJob = defineJob({
  kind: 'examine',
  input: z.strictObject({ mend: z.boolean() }),
  exclusive: true,
  run: async (input, { dataDir, progress }) => {
    progress(0, 1, 'Reading every file that is kept');
    const found = examine(dataDir, true);
    if (!input.mend) return good({ ...found, mended: [] });
    const mended = mend(dataDir, found);
    return good({ ...examine(dataDir, true), mended });
  },
  settle: (examination) => examination,
});
