import { readFileSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { good } from '@/core/shell/result';
import { drawWorkbook } from '@/formats/report/model/draw-workbook';
import { reportSchema } from '@/formats/report/model/report';
import { defineJob } from '@/services/keep/jobs/job-record';

/** Writes a report, which waits as a file, as a workbook: ten thousand rows are no work for the thread that answers. */
export const workbookJob = defineJob({
  kind: 'workbook',
  input: z.strictObject({ report: z.string(), file: z.string(), at: z.iso.datetime() }),
  leftovers: ({ report }) => [report],
  run: async ({ report, file, at }, { progress }) => {
    progress(0, 1, 'Writing the workbook');
    const bytes = await drawWorkbook(
      reportSchema.parse(JSON.parse(readFileSync(report, 'utf8'))),
      new Date(at),
    );
    writeFileSync(file, bytes);
    return good({ bytes: bytes.length });
  },
  settle: (written) => written,
});
