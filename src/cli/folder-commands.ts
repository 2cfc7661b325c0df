import { existsSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import type { Command } from 'commander';
import { plural } from '@/core/text/plural';
import { rootFolder } from '@/services/keep/desks/app-context';
import { readBackup } from '@/services/do/storage/backup/read-backup';
import { writeBackup } from '@/services/do/storage/backup/write-backup';
import type { Examination } from '@/services/do/storage/doctor/diagnosis';
import { examine } from '@/services/do/storage/doctor/examine';
import { mend } from '@/services/do/storage/doctor/mend';
import { storageFault } from '@/services/keep/storage/storage-fault';
import { lockFolder } from '@/store/folder-lock';
import { complain } from './flag-values';

const exitCodes = { sound: 0, unsound: 1, unreadable: 3 } as const;

/** Where the application keeps its data where nothing else is said. */
const usualFolder = (): string => process.env['CURRYCOMB_DATA'] ?? join(process.cwd(), '.data');

export function addFolderCommands(program: Command, setCode: (code: number) => void): void {
  program
    .command('doctor')
    .description('Looks a data folder over: database, files, leftovers. Says what is wrong.')
    .option('--data <DIR>', 'the data folder', usualFolder())
    .option('--mend', 'repair what can be repaired without losing anything', false)
    .action(async ({ data, mend: wished }: { data: string; mend: boolean }) =>
      setCode(await named(data, () => doctor(data, wished))),
    );
  program
    .command('backup')
    .description('Writes a data folder as one file, also while the application works in it.')
    .argument('<file>', 'the file to write; it must not be there yet')
    .option('--data <DIR>', 'the data folder', usualFolder())
    .action(async (file: string, { data }: { data: string }) =>
      setCode(await named(data, () => backup(data, file))),
    );
  program
    .command('restore')
    .description('Reads a backup back into a new folder.')
    .argument('<file>', 'a backup')
    .argument('<dir>', 'a new or empty folder')
    .action(async (file: string, dir: string) => setCode(await named(dir, () => restore(file, dir))));
}

async function backup(data: string, file: string): Promise<number> {
  if (!existsSync(dirname(resolve(file))))
    return complain(`There is no folder ${dirname(resolve(file))}. Make it first.`, exitCodes.unreadable);
  const written = await writeBackup(data, file, new Date().toISOString());
  if (!written.ok) return complain(written.trouble.message, exitCodes.unreadable);
  const { shells, blobs } = written.value;
  process.stdout.write(`${file}: ${plural(shells, 'shell')}, ${plural(blobs, 'file')}.\n`);
  return exitCodes.sound;
}

async function restore(file: string, dir: string): Promise<number> {
  process.umask(0o077);
  const read = await readBackup(file, dir, join(rootFolder(), 'src/store/migrations'));
  if (!read.ok) return complain(read.trouble.message, exitCodes.unreadable);
  const { shells, blobs, at, leftOut } = read.value;
  process.stdout.write(
    `${dir}: ${plural(shells, 'shell')}, ${plural(blobs, 'file')}, as of ${at}. Start Currycomb with CURRYCOMB_DATA=${dir}.\n`,
  );
  for (const left of leftOut) process.stdout.write(`- Left out: ${left}.\n`);
  return exitCodes.sound;
}

/** Runs a command; storage that can't be used is one sentence. */
async function named(folder: string, run: () => number | Promise<number>): Promise<number> {
  try {
    return await run();
  } catch (error) {
    const fault = storageFault(error, folder);
    if (!fault) throw error;
    return complain(fault.message, exitCodes.unreadable);
  }
}

function doctor(folder: string, wished: boolean): number {
  // Taking a folder that is not there would make it.
  if (!existsSync(folder)) return report(examine(folder, false));
  const lock = lockFolder(folder);
  try {
    if (!lock.ok && wished)
      return complain(`${lock.trouble.message} Nothing was mended.`, exitCodes.unreadable);
    const found = examine(folder, !lock.ok);
    if (!wished) return report(found);
    const mended = mend(folder, found);
    process.stdout.write(`Mended: ${mended.length ? mended.join(', ') : 'nothing'}.\n`);
    return report(examine(folder, false));
  } finally {
    if (lock.ok) lock.value.release();
  }
}

function report({ folder, shells, versions, blobs, diagnoses }: Examination): number {
  const size = `${plural(shells, 'shell')} in ${plural(versions, 'state')}, ${plural(blobs, 'file')}`;
  process.stdout.write(`${folder}: ${size}.\n`);
  for (const { sentence, mending } of diagnoses)
    process.stdout.write(`- ${sentence}${mending === null ? '' : ` (--mend: ${mending})`}\n`);
  if (diagnoses.length === 0) process.stdout.write('Nothing is wrong.\n');
  return diagnoses.length === 0 ? exitCodes.sound : exitCodes.unsound;
}
