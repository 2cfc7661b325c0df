import { basename } from 'node:path';
import { readShell } from '@/services/do/packages/read-shell';
import type { LocalDate } from '@/core/dates/local-date';

/** Reads the package named by the first argument as bringing in does, and says what came of it. */
async function readOnly(path: string): Promise<{ items: number; files: number }> {
  const read = await readShell({ package: { path, name: basename(path) }, today: '2027-01-04' as LocalDate });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  return { items: read.value.shell.items.length, files: read.value.shell.files.length };
}

process.stdout.write(JSON.stringify(await readOnly(process.argv[2] ?? '')));
