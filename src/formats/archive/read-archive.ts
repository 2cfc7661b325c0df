import { createHash } from 'node:crypto';
import { statSync } from 'node:fs';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { crc32, createInflateRaw, inflateRawSync } from 'node:zlib';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { pathFault } from '@/core/shell/package-path';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { filePath, sha256, type FilePath, type Sha256 } from '@/core/refs/refs';
import { FileWindow } from './file-window';
import { defaultLimits, type ArchiveLimits } from './limits';

/** One file of an archive, not read yet. */
export interface ArchiveEntry {
  readonly path: FilePath;
  readonly bytes: number;
  readonly packedBytes: number;
}

/** An open archive. Bytes are read on demand; every reading checks size and CRC-32. */
export interface Archive {
  readonly entries: readonly ArchiveEntry[];
  readonly notes: readonly IntakeNote[];
  /** All bytes of an entry; the trouble is a sentence where they are damaged. */
  read(path: FilePath): Result<Buffer>;
  /** SHA-256 of an entry, block by block; `each` gets the blocks. */
  hash(path: FilePath, each?: (block: Buffer) => void): Promise<Result<Sha256>>;
  close(): void;
}

/** Where an entry lies in the file, and what it has to come to. */
interface Spot {
  readonly bytes: number;
  readonly packedBytes: number;
  readonly deflated: boolean;
  readonly crc32: number;
  /** Where its local header begins. */
  readonly header: number;
}

const zeroBytes = Buffer.alloc(0);

/** Opens a zip file (PKWARE APPNOTE 6.3) within limits. Names that leave the package, links and encrypted entries are left out and reported; trouble calls the file `name`. */
export async function openArchive(
  file: string,
  name: string,
  limits: ArchiveLimits = defaultLimits,
): Promise<Result<Archive>> {
  let size: number;
  try {
    const stats = statSync(file);
    if (!stats.isFile())
      return bad('not-a-file', `“${name}” is no file; give the package as .imscc or .zip.`);
    size = stats.size;
  } catch {
    return bad('no-such-file', `There is no file “${name}”; check the path.`);
  }
  if (size > limits.packedBytes)
    return bad(
      'too-large',
      `“${name}” is larger than ${limits.packedBytes} bytes; Currycomb does not read packages that large.`,
    );
  let window: FileWindow;
  try {
    window = new FileWindow(file);
  } catch {
    return bad('no-such-file', `There is no file “${name}” that can be read; check the path.`);
  }
  let zip: ZipFile;
  try {
    zip = await yauzl.fromRandomAccessReaderPromise(window, size, {
      autoClose: false,
      decodeStrings: false,
      validateEntrySizes: false,
    });
  } catch {
    window.close(() => undefined);
    return bad(
      'not-an-archive',
      `“${name}” can’t be read as a zip archive: it is damaged, cut short or something else. Export the package again.`,
    );
  }
  if (zip.entryCount > limits.entries) {
    zip.close();
    return bad(
      'too-many-entries',
      `“${name}” holds ${zip.entryCount} entries; at most ${limits.entries} are read.`,
    );
  }
  try {
    return await listEntries(zip, window, size, name, limits);
  } catch {
    zip.close();
    return bad(
      'damaged-archive',
      `“${name}” is damaged: its list of contents can’t be read to the end. Export the package again.`,
    );
  }
}

async function listEntries(
  zip: ZipFile,
  window: FileWindow,
  size: number,
  name: string,
  limits: ArchiveLimits,
): Promise<Result<Archive>> {
  const list = new EntryList(limits);
  for await (const entry of zip.eachEntry()) {
    list.add(entry);
    const trouble = troubleOfSizes(list, size, name, limits);
    if (trouble) {
      zip.close();
      return trouble;
    }
  }
  const { spots, notes } = list;
  return good({
    entries: [...spots].map(([path, { bytes, packedBytes }]) => ({ path, bytes, packedBytes })),
    notes,
    read: (path) => readWhole(window, spots.get(path), path),
    hash: (path, each) => hashEntry(window, spots.get(path), path, each),
    close: () => zip.close(),
  });
}

/** What of a zip's list of contents is read, and what is told of the rest. */
class EntryList {
  readonly notes: IntakeNote[] = [];
  readonly spots = new Map<FilePath, Spot>();
  /** Bytes of what is read, unpacked and as they lie in the archive. */
  unpackedBytes = 0;
  packedBytes = 0;
  private readonly byFoldedPath = new Map<string, FilePath>();

  constructor(private readonly limits: ArchiveLimits) {}

  add(entry: Entry): void {
    const path = pathOf(entry);
    if (path.endsWith('/')) return;
    const problem = refusal(entry, path, this.limits);
    if (problem) return void this.notes.push({ ...problem, where: path });
    if (this.spots.has(filePath(path)))
      return this.note('same-name-twice', 'stands twice in the archive; the first one is read', path);
    const folded = path.normalize('NFC').toLowerCase();
    const other = this.byFoldedPath.get(folded);
    if (other) this.note('names-differ-by-case', `differs only in case from “${other}”`, path);
    this.byFoldedPath.set(folded, filePath(path));
    this.unpackedBytes += entry.uncompressedSize;
    this.packedBytes += entry.compressedSize;
    this.spots.set(filePath(path), {
      bytes: entry.uncompressedSize,
      packedBytes: entry.compressedSize,
      deflated: entry.compressionMethod === 8,
      crc32: entry.crc32,
      header: entry.relativeOffsetOfLocalHeader,
    });
  }

  private note(code: string, message: string, where: string): void {
    this.notes.push({ code, message, where });
  }
}

function pathOf(entry: Entry): string {
  // The types of the library do not say that names are bytes where it is told not to decode them.
  const raw = entry as unknown as { fileName: Buffer; extraFields: Entry['extraFields'] };
  return yauzl.getFileNameLowLevel(entry.generalPurposeBitFlag, raw.fileName, raw.extraFields, false);
}

function troubleOfSizes(
  list: EntryList,
  size: number,
  name: string,
  limits: ArchiveLimits,
): Result<never> | null {
  if (list.packedBytes > size)
    return bad(
      'overlapping-entries',
      `“${name}” is made to unpack the same bytes many times over, which no export does; it is not read.`,
    );
  if (list.unpackedBytes > limits.unpackedBytes)
    return bad(
      'too-large-unpacked',
      `“${name}” unpacks to more than ${limits.unpackedBytes} bytes; Currycomb does not read packages that large.`,
    );
  return null;
}

function refusal(
  entry: Entry,
  path: string,
  limits: ArchiveLimits,
): { code: string; message: string } | null {
  if (path === '') return { code: 'entry-without-name', message: 'an entry has no name; it is left out' };
  const fault = pathFault(path);
  if (fault !== null) return { code: 'path-leaves-package', message: `${fault}; it is left out` };
  if ((entry.generalPurposeBitFlag & 1) === 1)
    return { code: 'encrypted-entry', message: 'is encrypted; it is left out' };
  const mode = (entry.externalFileAttributes >>> 16) & 0o170000;
  if (mode === 0o120000) return { code: 'link-entry', message: 'is a link; it is left out' };
  if (entry.compressionMethod !== 0 && entry.compressionMethod !== 8)
    return {
      code: 'unknown-compression',
      message: 'is packed in a way that is not read here; it is left out',
    };
  if (
    entry.uncompressedSize > limits.ratioFrom &&
    entry.uncompressedSize > entry.compressedSize * limits.ratio
  )
    return {
      code: 'suspicious-ratio',
      message: `unpacks to more than ${limits.ratio} times its packed size; it is left out`,
    };
  return null;
}

const damaged = (path: string) =>
  bad('damaged-entry', `“${path}” is damaged in the archive and can’t be read.`);

/** Where an entry's packed bytes begin, from its local header (APPNOTE 4.3.7). */
function dataStart(window: FileWindow, spot: Spot): number | null {
  const header = window.bytes(spot.header, 30);
  if (header.length < 30 || header.readUInt32LE(0) !== 0x04034b50) return null;
  return spot.header + 30 + header.readUInt16LE(26) + header.readUInt16LE(28);
}

function readWhole(window: FileWindow, spot: Spot | undefined, path: FilePath): Result<Buffer> {
  if (!spot) return bad('missing-entry', `“${path}” is not in the archive.`);
  const start = dataStart(window, spot);
  if (start === null) return damaged(path);
  const packed = window.bytes(start, spot.packedBytes);
  if (packed.length < spot.packedBytes) return damaged(path);
  try {
    const bytes = !spot.deflated ? Buffer.from(packed) : inflate(packed, spot.bytes);
    return bytes.length === spot.bytes && crc32(bytes) === spot.crc32 ? good(bytes) : damaged(path);
  } catch {
    return damaged(path);
  }
}

/** Inflates what should come to `size` bytes, and stops where it comes to more. The first piece of memory holds it all. */
const inflate = (packed: Buffer, size: number): Buffer =>
  size === 0
    ? zeroBytes
    : inflateRawSync(packed, {
        maxOutputLength: size,
        chunkSize: Math.max(64, Math.min(size + 8, 8 * 1024 ** 2)),
      });

/** Entries up to this many bytes are read at once, larger ones block by block. */
export const wholeReadLimit = 8 * 1024 ** 2;

async function hashEntry(
  window: FileWindow,
  spot: Spot | undefined,
  path: FilePath,
  each?: (block: Buffer) => void,
): Promise<Result<Sha256>> {
  if (!spot) return bad('missing-entry', `“${path}” is not in the archive.`);
  const start = dataStart(window, spot);
  if (start === null) return damaged(path);
  const hash = createHash('sha256');
  let size = 0;
  let check = 0;
  /** Whoever takes the blocks failed, as on a full disk: the entry itself is sound. */
  let refused: { readonly error: unknown } | null = null as { readonly error: unknown } | null;
  const meter = new Transform({
    transform(block: Buffer, _encoding, done) {
      size += block.length;
      if (size > spot.bytes) return done(new Error('larger than declared'));
      check = crc32(block, check);
      hash.update(block);
      try {
        each?.(block);
        done();
      } catch (error) {
        refused = { error };
        done(new Error('the block was not taken'));
      }
    },
  });
  try {
    const packed = Readable.from(blocks(window, start, spot.packedBytes));
    if (!spot.deflated) await pipeline(packed, meter);
    else await pipeline(packed, createInflateRaw(), meter);
  } catch {
    if (refused) throw refused.error;
    return damaged(path);
  }
  return size === spot.bytes && check === spot.crc32 ? good(sha256(hash.digest('hex'))) : damaged(path);
}

function* blocks(window: FileWindow, start: number, size: number): Generator<Buffer> {
  for (let done = 0; done < size;) {
    // The window moves on while a block is still on its way through the pipe.
    const block = Buffer.from(window.bytes(start + done, Math.min(1024 ** 2, size - done)));
    if (block.length === 0) return;
    done += block.length;
    yield block;
  }
}
