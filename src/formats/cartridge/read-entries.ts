import { append } from '@/core/collect';
import { digest } from '@/core/refs/digest';
import type { PackedFile } from '@/core/shell/model';
import { filePath, type FilePath, type Sha256 } from '@/core/refs/refs';
import { good, type IntakeNote, type Result } from '@/core/shell/result';
import { decodeText, encodingNotes } from '../archive/decode-text';
import { defaultLimits } from '../archive/limits';
import { listPacked, packedBudget, packedLimits } from '../archive/list-packed';
import { wholeReadLimit, type Archive } from '../archive/read-archive';
import { holdsLinks, isHtmlName } from './resource-types';

export interface ReadOptions {
  readonly onProgress?: (bytesDone: number, bytesTotal: number) => void;
  /** Gets the bytes of every page as they are read. */
  readonly onPage?: (path: FilePath, bytes: Buffer) => void;
  /** Gets every entry's bytes as they are read: whole where they are few, block by block where they are many. */
  readonly sink?: {
    keep(bytes: Buffer, hash: Sha256): void;
    begin(): { write(block: Buffer): void; done(hash: Sha256): void; abandon(): void };
  };
}

export const stateFilePath = filePath('currycomb/shell-state.json');
export const stateResourceType = 'currycomb/shell-state';

/** What is known of one entry of a package. */
export interface EntryInfo {
  readonly bytes: number;
  readonly sha256: Sha256;
  readonly text: string | null;
  readonly packed: readonly PackedFile[] | null;
}

/** Reads every entry once: its hash, its text where links may stand in it, and what is packed in it. */
export async function readEntries(
  archive: Archive,
  options: ReadOptions,
  notes: IntakeNote[],
): Promise<Map<FilePath, EntryInfo>> {
  const found = new Map<FilePath, EntryInfo>();
  const total = archive.entries.reduce((n, e) => n + e.bytes, 0);
  let done = 0;
  let texts = 0;
  const budget = packedBudget();
  for (const entry of archive.entries) {
    const holds = holdsLinks(entry.path);
    const wantsText =
      holds && entry.bytes <= defaultLimits.textBytes && texts + entry.bytes <= defaultLimits.allTextBytes;
    if (wantsText) texts += entry.bytes;
    else if (holds)
      notes.push({
        code: 'text-too-long',
        message: 'is too long to be searched for links; it is kept as it is',
        where: entry.path,
      });
    // Manifest and state file are made anew with every writing; nobody asks for their old bytes.
    const sink = entry.path === 'imsmanifest.xml' || entry.path === stateFilePath ? undefined : options.sink;
    const read =
      entry.bytes <= wholeReadLimit || wantsText
        ? readWholeEntry(
            archive,
            entry.path,
            wantsText,
            sink,
            isHtmlName(entry.path) ? options.onPage : undefined,
          )
        : await readInBlocks(archive, entry.path, sink);
    done += entry.bytes;
    options.onProgress?.(done, total);
    if (read.ok) {
      append(notes, read.value.notes);
      const inner =
        isArchive(entry.path) && entry.bytes <= packedLimits.archiveBytes ? archive.read(entry.path) : null;
      found.set(entry.path, {
        bytes: entry.bytes,
        sha256: read.value.sha256,
        text: read.value.text,
        packed: inner?.ok ? await listPacked(inner.value, budget) : null,
      });
    } else
      notes.push({
        code: read.trouble.code,
        message: 'is damaged in the archive and is left out',
        where: entry.path,
      });
  }
  return found;
}

/** What reading one entry gave. */
type ReadEntry = Omit<EntryInfo, 'bytes' | 'packed'> & { readonly notes: readonly IntakeNote[] };
type Sink = ReadOptions['sink'];
const isArchive = (path: string): boolean => /\.zip$/i.test(path);

function readWholeEntry(
  archive: Archive,
  path: FilePath,
  wantsText: boolean,
  sink: Sink,
  onPage: ReadOptions['onPage'],
): Result<ReadEntry> {
  const bytes = archive.read(path);
  if (!bytes.ok) return bytes;
  const hash = digest(bytes.value);
  sink?.keep(bytes.value, hash);
  if (wantsText) onPage?.(path, bytes.value);
  if (!wantsText) return good({ sha256: hash, text: null, notes: [] });
  const decoded = decodeText(bytes.value);
  return good({ sha256: hash, text: decoded.text, notes: encodingNotes(decoded, path) });
}

type Part = ReturnType<NonNullable<Sink>['begin']> | undefined;

/** Hands an entry on block by block; what can't be kept is thrown, and nothing of it is left. */
async function hashInto(archive: Archive, path: FilePath, part: Part): Promise<Result<Sha256>> {
  try {
    return await archive.hash(path, (block) => part?.write(block));
  } catch (error) {
    part?.abandon();
    throw error;
  }
}

async function readInBlocks(archive: Archive, path: FilePath, sink: Sink): Promise<Result<ReadEntry>> {
  const part = sink?.begin();
  const hashed = await hashInto(archive, path, part);
  if (!hashed.ok) {
    part?.abandon();
    return hashed;
  }
  part?.done(hashed.value);
  return good({ sha256: hashed.value, text: null, notes: [] });
}
