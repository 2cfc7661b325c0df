import { randomUUID } from 'node:crypto';
import { exportJob } from './export-job';
import { createReadStream, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { bad, good, type Result } from '@/core/shell/result';
import type { Context } from '../context';
import { passingFolder } from '../storage/leftovers';
import { blobHash } from '../shells/kept-state';
import type { ExportKind } from './export-kinds';
import type { CurrentShell } from '../shells/current-shell';

/** Writes the shell as it stands now, or a chosen part of it, to a file and streams that; the file is gone when it is sent. */
export async function exportShell(
  context: Context,
  shell: CurrentShell,
  what: ExportKind,
  chosen?: readonly string[],
  /** Another version’s state than the one that is current. */
  stateBlob = blobHash.parse(shell.version.stateBlob),
): Promise<Result<{ readonly bytes: number; readonly stream: Readable }>> {
  const file = join(passingFolder(context.dataDir, 'exports'), randomUUID());
  const id = context.jobs.order(exportJob, shell.row.id, {
    stateBlob,
    what,
    file,
    ...(chosen ? { chosen: [...chosen] } : {}),
  });
  const view = await context.jobs.ended(id);
  if (view?.state !== 'done' || !view.result) {
    rmSync(file, { force: true });
    return bad('export-failed', view?.trouble ?? 'The file could not be written.');
  }
  const stream = createReadStream(file);
  stream.on('close', () => rmSync(file, { force: true }));
  return good({ bytes: (JSON.parse(view.result) as { bytes: number }).bytes, stream });
}
