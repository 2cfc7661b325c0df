import {
  closeSync,
  constants,
  createReadStream,
  createWriteStream,
  fstatSync,
  lstatSync,
  openSync,
  readdirSync,
  realpathSync,
} from 'node:fs';
import { join, relative } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { defaultLimits } from '@/formats/archive/limits';

/** So deep below the folder packages are looked for, and so many files of it are looked at. */
export const deepest = 3;
const mostFiles = 10_000;

/** Packages and what may be beside them. */
export const isWanted = (path: string): boolean => /\.(imscc|zip|ics|csv)$/i.test(path);

/** A file of the watched folder that is not read, and why, as the end of a sentence. */
export interface UnreadFile {
  readonly path: string;
  readonly why: string;
}

/** A plain file of the folder: its path from there, its size in bytes, and when it was changed, in milliseconds. */
export interface FolderFile {
  readonly size: number;
  readonly mtimeMs: number;
}

/** What a file of the folder is; null for links, folders and what is gone. */
export function plainFile(folder: string, path: string): FolderFile | null {
  const stat = lstatSync(join(folder, path), { throwIfNoEntry: false });
  if (!stat?.isFile() || !isInside(folder, path)) return null;
  return { size: stat.size, mtimeMs: stat.mtimeMs };
}

/** Is it really below the folder, with no link on the way? */
function isInside(folder: string, path: string): boolean {
  try {
    return relative(realpathSync(folder), realpathSync(join(folder, path))) === join(path);
  } catch {
    return false;
  }
}

/**
 * Copies a file of the folder. What is copied is what was looked at: it is opened without following a link, and whether
 * it is still the same file in the same place is asked of the open one, since it may be exchanged at any moment. Throws
 * where it is not.
 */
export async function copyPlain(folder: string, path: string, to: string): Promise<void> {
  const from = join(folder, path);
  const file = openSync(from, constants.O_RDONLY | (constants.O_NOFOLLOW ?? 0));
  try {
    const opened = fstatSync(file);
    const named = lstatSync(from);
    const isSame = opened.ino === named.ino && opened.dev === named.dev;
    if (!opened.isFile() || !isSame || !isInside(folder, path))
      throw new Error('a file of the watched folder was exchanged while it was read');
  } catch (error) {
    closeSync(file);
    throw error;
  }
  // The stream closes the file. One byte more than is read is enough to refuse what is larger.
  const whole = createReadStream('', { fd: file, end: defaultLimits.packedBytes });
  await pipeline(whole, createWriteStream(to, { flags: 'wx' }));
}

/** Files with the name of a package or side file that are not read: links, and names that are no UTF-8. */
export function unreadFiles(folder: string): readonly UnreadFile[] {
  const unread: UnreadFile[] = [];
  let seen = 0;
  const visit = (at: Buffer, shown: string, depth: number) => {
    for (const entry of entriesOf(at)) {
      seen += 1;
      if (seen > mostFiles) return;
      const name = entry.name.toString('utf8');
      const path = shown === '' ? name : `${shown}/${name}`;
      const isReadable = Buffer.from(name, 'utf8').equals(entry.name);
      if (entry.isDirectory() && depth < deepest && isReadable)
        visit(Buffer.concat([at, Buffer.from('/'), entry.name]), path, depth + 1);
      const why = isWanted(name) ? whyUnread(entry.isSymbolicLink(), isReadable) : null;
      if (why !== null) unread.push({ path, why });
    }
  };
  visit(Buffer.from(folder), '', 0);
  return unread;
}

function whyUnread(isLink: boolean, isReadable: boolean): string | null {
  if (isLink) return 'it is a link, and links are not followed. Put the file itself there';
  return isReadable ? null : 'its name is not written in UTF-8. Rename it';
}

function entriesOf(folder: Buffer) {
  try {
    return readdirSync(folder, { withFileTypes: true, encoding: 'buffer' });
  } catch {
    return [];
  }
}
