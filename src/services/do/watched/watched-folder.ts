import { randomUUID } from 'node:crypto';
import { existsSync, realpathSync, statSync } from 'node:fs';
import { basename, isAbsolute, join, parse } from 'node:path';
import { desc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { groupPackages, type PackageGroup } from '@/core/many-shells/package-groups';
import { sideFiles } from '@/core/many-shells/side-files';
import { bad, good, type Result } from '@/core/shell/result';
import { jobs, watchedFolders, watchedPackages } from '@/store/schema';
import { bringInJob } from '@/services/do/bring-in/bring-in-job';
import type { InputFile } from '@/services/do/packages/shell-inputs';
import { uploadsDir } from '@/services/do/bring-in/uploads';
import { todayHere } from '@/services/keep/time/clock';
import type { Context } from '@/services/keep/desks/context';
import { houseTerms, keptRules } from '@/services/keep/rules/house-rules';
import { copyPlain, plainFile, unreadFiles, type UnreadFile } from './folder-files';

const theOne = 'folder';
export const watchSchema = z.strictObject({ path: z.string().trim().max(1_000) });

/** The folder that is watched; null where none is. */
export function watchedPath({ db }: Pick<Context, 'db'>): string | null {
  return db.select().from(watchedFolders).where(eq(watchedFolders.id, theOne)).get()?.path ?? null;
}

/** Has a folder watched instead of the one before; an empty path ends it. */
export function setWatchedFolder(
  { db, dataDir }: Pick<Context, 'db' | 'dataDir'>,
  { path }: z.output<typeof watchSchema>,
): Result<{ readonly path: string | null }> {
  if (path === '') {
    db.delete(watchedFolders).where(eq(watchedFolders.id, theOne)).run();
    return good({ path: null });
  }
  const trouble = whyNotWatched(path, dataDir);
  if (trouble !== null) return bad('no-folder', trouble);
  const row = { path: realpathSync(path), since: new Date().toISOString() };
  db.insert(watchedFolders)
    .values({ id: theOne, ...row })
    .onConflictDoUpdate({ target: watchedFolders.id, set: row })
    .run();
  return good({ path: row.path });
}

function whyNotWatched(path: string, dataDir: string): string | null {
  if (!isAbsolute(path))
    return `“${path}” does not say where the folder is; write its whole path, from the root on.`;
  if (!existsSync(path) || !statSync(path).isDirectory())
    return `There is no folder “${path}” on this computer; look at its path again.`;
  // A link may lead anywhere: what counts is where it ends.
  const real = realpathSync(path);
  if (real === parse(real).root)
    return 'That is everything on this computer; name the folder that packages are put into.';
  const [watched, own] = [`${real}/`, `${realpathSync(dataDir)}/`];
  if (watched.startsWith(own) || own.startsWith(watched))
    return 'That is where Currycomb keeps its own data; choose another folder.';
  return null;
}

/** A package that came into the folder. */
export interface WatchedPackage {
  readonly path: string;
  readonly takenAt: string;
  /** `taken`: its job is long over, and nobody remembers how it ended. */
  readonly state: 'under-way' | 'here' | 'refused' | 'taken';
  readonly trouble: string | null;
  readonly shellId: string | null;
}
export interface WatchedView {
  readonly path: string | null;
  /** The folder is not there any more, so that nothing comes of it. */
  readonly isGone: boolean;
  /** The newest first. */
  readonly packages: readonly WatchedPackage[];
  /** Files that are there and not read. */
  readonly unread: readonly UnreadFile[];
}

const mostShown = 100;

export function watchedView(context: Context): WatchedView {
  const path = watchedPath(context);
  const rows = context.db
    .select({ taken: watchedPackages, job: jobs })
    .from(watchedPackages)
    .leftJoin(jobs, eq(jobs.id, watchedPackages.jobId))
    .orderBy(desc(watchedPackages.takenAt))
    .limit(mostShown)
    .all();
  return {
    path,
    isGone: path !== null && !existsSync(path),
    unread: path === null ? [] : unreadFiles(path).slice(0, mostShown),
    packages: rows.map(({ taken, job }) => ({
      path: taken.path,
      takenAt: taken.takenAt,
      state: job ? stateOf(job.state) : 'taken',
      trouble: job?.trouble ?? null,
      shellId: shellIdOf(job?.result ?? null),
    })),
  };
}

function stateOf(job: string): WatchedPackage['state'] {
  if (job === 'done') return 'here';
  return job === 'failed' || job === 'cancelled' ? 'refused' : 'under-way';
}
const resultSchema = z.object({ shellId: z.string() });
function shellIdOf(result: string | null): string | null {
  const parsed = resultSchema.safeParse(result === null ? null : JSON.parse(result));
  return parsed.success ? parsed.data.shellId : null;
}

/**
 * Brings in what lies in the folder and was not taken yet, each package with its side files. They are copied first, so
 * that whoever puts them there may take them away again. Gives how many were taken.
 */
export async function takeFromFolder(
  context: Context,
  folder: string,
  paths: readonly string[],
): Promise<number> {
  let taken = 0;
  for (const group of groupPackages(paths).groups) if (await takeGroup(context, folder, group)) taken += 1;
  return taken;
}

async function takeGroup(context: Context, folder: string, group: PackageGroup): Promise<boolean> {
  const files = [group.package, ...sideFiles.flatMap((side) => group.sides[side] ?? [])];
  const stamp = stampOf(folder, files);
  if (stamp === null) return false;
  const path = join(folder, group.package);
  const known = context.db.select().from(watchedPackages).where(eq(watchedPackages.path, path)).get();
  if (known?.stamp === stamp) return false;
  const copies = new Map<string, InputFile>();
  for (const file of files) copies.set(file, await copied(context, folder, file));
  const side = (name: (typeof sideFiles)[number]) => copies.get(group.sides[name] ?? '');
  const inputs = {
    package: copies.get(group.package),
    ...Object.fromEntries(sideFiles.map((name) => [name, side(name)])),
    baselineIs: 'supplied',
    ...(group.code === '' ? {} : { code: group.code }),
    houseTerms: houseTerms(context),
    today: todayHere(),
  };
  const order = bringInJob.input.parse({
    inputs,
    role: '',
    dispose: [...copies.values()].map((copy) => copy.path),
    combBy: keptRules(context).written,
  });
  const jobId = context.jobs.order('bring-in', null, order);
  const row = { stamp, jobId, takenAt: new Date().toISOString() };
  context.db
    .insert(watchedPackages)
    .values({ path, ...row })
    .onConflictDoUpdate({ target: watchedPackages.path, set: row })
    .run();
  return true;
}

/** Sizes and times of files; null where one of them is not there any more. */
function stampOf(folder: string, files: readonly string[]): string | null {
  const stamps = files.map((file) => {
    const plain = plainFile(folder, file);
    return plain === null ? null : `${file} ${plain.size} ${Math.round(plain.mtimeMs)}`;
  });
  return stamps.includes(null) ? null : stamps.join('\n');
}

async function copied(context: Context, folder: string, path: string): Promise<InputFile> {
  const copy = join(uploadsDir(context), randomUUID());
  await copyPlain(folder, path, copy);
  return { path: copy, name: basename(path) };
}
