import type Database from 'better-sqlite3';
import { plural } from '@/core/text/plural';
import type { BlobStore } from '@/store/blobs';
import { blobRootsOf, rootsByShell } from '@/services/keep/storage/blob-roots';
import type { Diagnosis } from './diagnosis';

export interface BlobExamination {
  readonly blobs: number;
  /** Blobs whose bytes are not what they were, by hash. */
  readonly damaged: readonly string[];
  readonly diagnoses: readonly Diagnosis[];
}

/** Reads every blob and holds it against its hash; says what is damaged, missing and of no use. */
export function examineBlobs(db: Database.Database, blobs: BlobStore): BlobExamination {
  const roots = blobRootsOf(db);
  const needed = blobs.neededBy(roots);
  const kept = new Set<string>();
  const damaged: string[] = [];
  for (const { hash, isSound } of blobs.verify()) {
    kept.add(hash);
    if (!isSound) damaged.push(hash);
  }
  const missing = [...needed].filter((hash) => !kept.has(hash));
  const unused = [...kept].filter((hash) => !needed.has(hash));
  const lostTo = (hashes: readonly string[]) => sayWhose(db, blobs, new Set(hashes));
  const diagnoses: Diagnosis[] = [];
  if (damaged.length > 0)
    diagnoses.push({
      code: 'blob-damaged',
      sentence: `${plural(damaged.length, 'file')} of packages ${damaged.length === 1 ? 'is' : 'are'} damaged${lostTo(damaged)}.`,
      mending: 'Set them aside, so that bringing the same package in again puts them back.',
    });
  if (missing.length > 0)
    diagnoses.push({
      code: 'blob-missing',
      sentence: `${plural(missing.length, 'file')} of packages ${missing.length === 1 ? 'is' : 'are'} missing${lostTo(missing)}; bring the package in again, or put the folder back from a backup.`,
      mending: null,
    });
  if (unused.length > 0)
    diagnoses.push({
      code: 'blob-unused',
      sentence: `${plural(unused.length, 'file')} ${unused.length === 1 ? 'is' : 'are'} kept that nothing uses.`,
      mending: 'Throw them away.',
    });
  return { blobs: kept.size, damaged, diagnoses };
}

const mostNamed = 5;

/** Which shells need some blobs, as the end of a sentence. */
function sayWhose(db: Database.Database, blobs: BlobStore, hashes: ReadonlySet<string>): string {
  const hit = rootsByShell(db).filter(({ hash }) => {
    for (const needed of blobs.neededBy([hash])) if (hashes.has(needed)) return true;
    return false;
  });
  const codeOf = db.prepare('SELECT code FROM shells WHERE id = ?').pluck();
  const codes = [...new Set(hit.map(({ shellId }) => codeOf.get(shellId) as string))].sort();
  if (codes.length === 0) return '';
  const more = codes.length > mostNamed ? ` and ${codes.length - mostNamed} more` : '';
  return `; they belong to ${codes.slice(0, mostNamed).join(', ')}${more}`;
}
