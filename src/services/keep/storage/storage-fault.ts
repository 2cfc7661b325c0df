import { statfsSync } from 'node:fs';
import { digestOf } from './fault-digest';

const storageFaultName = 'StorageFault';

/** Storage that can't be used: full, locked, read-only, damaged, missing. The message is the sentence for the person. */
export class StorageFault extends Error {
  /** What the framework hands on to the page that shows an error, where it hides everything else. */
  readonly digest: string;
  override readonly name = storageFaultName;

  constructor(sentence: string, options?: ErrorOptions) {
    super(sentence, options);
    this.digest = digestOf(sentence);
  }
}

/** By its name: the framework loads a copy of the code for each route, and each copy has a class of its own. */
export const isStorageFault = (error: unknown): error is StorageFault =>
  error instanceof Error && error.name === storageFaultName;

/** True of a request as of a job that had written down a part of its work already. */
const again = 'What was not finished was not kept; try again then.';

/**
 * What errors of SQLite (its result codes, https://www.sqlite.org/rescode.html) and of the file system (errno(3)) say
 * of the folder, and what to do about it.
 */
const sentences: readonly { readonly codes: RegExp; readonly say: (folder: string) => string }[] = [
  {
    codes: /^(SQLITE_FULL|ENOSPC|EDQUOT)/,
    say: (folder) => `There is no room left on the disk that holds ${folder}. Make room there. ${again}`,
  },
  {
    codes: /^(SQLITE_BUSY|SQLITE_LOCKED|SQLITE_PROTOCOL)/,
    say: (folder) =>
      `Another program holds the database in ${folder} locked. End that program, or wait until it is done. ${again}`,
  },
  {
    codes: /^(SQLITE_READONLY|EROFS|EACCES|EPERM|SQLITE_PERM|SQLITE_AUTH)/,
    say: (folder) =>
      `Currycomb may not write to ${folder}. Give its user leave to write there, or make the disk writable. ${again}`,
  },
  {
    codes: /^(SQLITE_CORRUPT|SQLITE_NOTADB|SQLITE_FORMAT)/,
    say: (folder) =>
      `The database in ${folder} is damaged. End Currycomb and run “npm run doctor”, or put the folder back from a backup.`,
  },
  {
    codes: /^(SQLITE_IOERR|EIO)/,
    say: (folder) =>
      `The disk that holds ${folder} could not be read or written. Look at that disk. ${again}`,
  },
  {
    codes: /^(SQLITE_CANTOPEN|ENOENT|ENOTDIR)/,
    say: (folder) =>
      `Something that Currycomb keeps in ${folder} is missing. End Currycomb and run “npm run doctor”, or put the folder back from a backup.`,
  },
  {
    codes: /^(EMFILE|ENFILE|SQLITE_NOMEM|ENOMEM)/,
    say: (folder) =>
      `The computer has no memory or no free files left for ${folder}. End other programs. ${again}`,
  },
];

/** The error as trouble of the storage in a folder; null where it is something else. */
export function storageFault(error: unknown, folder: string): StorageFault | null {
  if (isStorageFault(error)) return error;
  const code = codeOf(error);
  if (code === null) return null;
  // SQLite says of a full disk, where it can't grow the file that its processes share, that it could not be written.
  const meant = code.startsWith('SQLITE_IOERR') && isFull(folder) ? 'SQLITE_FULL' : code;
  const known = sentences.find(({ codes }) => codes.test(meant));
  return known ? new StorageFault(known.say(folder), { cause: error }) : null;
}

/** Says that the disk of a folder is full; null where it has room. For what ends without a word, as a process does. */
export const fullDisk = (folder: string): StorageFault | null =>
  isFull(folder) ? storageFault({ code: 'ENOSPC' }, folder) : null;

/** The code of an error, or of the one that it was made of: libraries wrap what they meet. */
function codeOf(error: unknown): string | null {
  if (typeof error !== 'object' || error === null) return null;
  const { code, cause } = error as { code?: unknown; cause?: unknown };
  if (typeof code === 'string' && sentences.some(({ codes }) => codes.test(code))) return code;
  return cause === undefined || cause === error ? null : codeOf(cause);
}

/** Whether the disk of a folder has less room than one page of a database. */
function isFull(folder: string): boolean {
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize < 64 * 1024;
  } catch {
    return false;
  }
}
