import { mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { inArray, sql } from 'drizzle-orm';
import { jobs } from '@/store/schema';
import type { OpenFolder } from './open-folder';

/** Folders of files that pass through: what somebody sent, and what is about to be fetched. */
export const passingFolders = ['uploads', 'exports'] as const;

/** How old a file must be that nobody came back for, in milliseconds. */
export const keptWaiting = 60 * 60_000;

/** A folder of files that pass through; it is made where it is not there. */
export function passingFolder(dataDir: string, name: (typeof passingFolders)[number]): string {
  const folder = join(dataDir, name);
  mkdirSync(folder, { recursive: true });
  return folder;
}

/** Is a path that of a file that passes through the folder? Nothing else is read, written or deleted for a job. */
export const isPassing = (dataDir: string, path: string): boolean =>
  passingFolders.some((name) => dirname(resolve(path)) === resolve(dataDir, name));

/**
 * Files that pass through and that no job which is still to be done names, of at least an age in milliseconds: paths.
 */
export function leftoversOf(
  { db, dataDir }: Pick<OpenFolder, 'db' | 'dataDir'>,
  now: number,
  leastAge: number,
): readonly string[] {
  const waiting = db
    .select({ input: jobs.input })
    .from(jobs)
    .where(inArray(jobs.state, ['waiting', 'running', 'paused']))
    .all();
  const isNamed = (name: string) => waiting.some(({ input }) => input.includes(name));
  return passingFolders.flatMap((folderName) => {
    const folder = passingFolder(dataDir, folderName);
    return readdirSync(folder)
      .filter((name) => !isNamed(name))
      .map((name) => join(folder, name))
      .filter((path) => now - (statSync(path, { throwIfNoEntry: false })?.mtimeMs ?? now) >= leastAge);
  });
}

/** Clears away what nobody came back for; gives how many files that were. */
export function clearLeftovers(
  folder: Pick<OpenFolder, 'db' | 'dataDir'>,
  now: number,
  leastAge = keptWaiting,
): number {
  const files = leftoversOf(folder, now, leastAge);
  for (const file of files) rmSync(file, { force: true, recursive: true });
  return files.length;
}

/**
 * Clears away uploads of jobs that are over: the end of the server may have come between the end of a job and that. Gives
 * how many files that were. What was sent and not yet ordered is left for who sent it.
 */
export function clearReadUploads(folder: Pick<OpenFolder, 'db' | 'dataDir'>): number {
  const read = leftoversOf(folder, Date.now(), 0)
    .filter((path) => dirname(path) === passingFolder(folder.dataDir, 'uploads'))
    .filter((path) => isNamedByAJob(folder, basename(path)));
  for (const path of read) rmSync(path, { force: true });
  return read.length;
}

const isNamedByAJob = ({ db }: Pick<OpenFolder, 'db'>, name: string): boolean =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .where(sql`instr(${jobs.input}, ${name}) > 0`)
    .limit(1)
    .get() !== undefined;
