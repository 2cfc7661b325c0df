import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { Result } from '@/core/shell/result';
import type { Context } from '@/services/keep/desks/context';
import { passingFolder } from '@/services/keep/storage/leftovers';
import { blobHash } from '@/services/keep/shells/kept-state';
import { streamWritten, type WrittenFile } from './stream-written';
import type { ExportKind } from './export-kinds';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** Writes the shell as it stands now, or a chosen part of it, to a file and streams that; the file is gone when it is sent. */
export async function exportShell(
  context: Context,
  shell: CurrentShell,
  what: ExportKind,
  chosen?: readonly string[],
  /** Another version’s state than the one that is current. */
  stateBlob = blobHash.parse(shell.version.stateBlob),
): Promise<Result<WrittenFile>> {
  const file = join(passingFolder(context.dataDir, 'exports'), randomUUID());
  const id = context.jobs.order('export', shell.row.id, {
    stateBlob,
    what,
    file,
    ...(chosen ? { chosen: [...chosen] } : {}),
  });
  return streamWritten(context.jobs, id, file, 'The file could not be written.');
}
