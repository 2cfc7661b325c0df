import { randomUUID } from 'node:crypto';
import { createReadStream, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { bad, good, type Result } from '@/core/shell/result';
import type { Report } from '@/formats/report/model/report';
import type { Context } from '../../context';
import { passingFolder } from '../../storage/leftovers';
import { workbookJob } from './workbook-job';

/** Writes a report as a workbook in a thread and streams that; the file is gone when it is sent. */
export async function orderWorkbook(
  context: Context,
  shellId: string,
  report: Report,
  at: string,
): Promise<Result<{ readonly bytes: number; readonly stream: Readable }>> {
  const folder = passingFolder(context.dataDir, 'exports');
  const [waiting, file] = [join(folder, randomUUID()), join(folder, randomUUID())];
  writeFileSync(waiting, JSON.stringify(report));
  const id = context.jobs.order(workbookJob, shellId, { report: waiting, file, at });
  const view = await context.jobs.ended(id);
  if (view?.state !== 'done' || !view.result) {
    rmSync(file, { force: true });
    return bad('workbook-failed', view?.trouble ?? 'The workbook could not be written.');
  }
  const stream = createReadStream(file);
  stream.on('close', () => rmSync(file, { force: true }));
  return good({ bytes: (JSON.parse(view.result) as { bytes: number }).bytes, stream });
}
