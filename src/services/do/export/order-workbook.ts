import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Result } from '@/core/shell/result';
import type { Context } from '@/services/keep/desks/context';
import { passingFolder } from '@/services/keep/storage/leftovers';
import { streamWritten, type WrittenFile } from './stream-written';

/** Writes a report, given as JSON, as a workbook in a thread and streams that; the file is gone when it is sent. */
export async function orderWorkbook(
  context: Context,
  shellId: string,
  report: string,
  at: string,
): Promise<Result<WrittenFile>> {
  const folder = passingFolder(context.dataDir, 'exports');
  const [waiting, file] = [join(folder, randomUUID()), join(folder, randomUUID())];
  writeFileSync(waiting, report);
  const id = context.jobs.order('workbook', shellId, { report: waiting, file, at });
  return streamWritten(context.jobs, id, file, 'The workbook could not be written.');
}
