import { closeSync, openSync, writeSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { crc32, createDeflateRaw, deflateRawSync, type ZlibOptions } from 'node:zlib';
import { centralHeader, endRecords, localHeader, type ZipEntry } from './zip-records';

/** So many bytes are gathered before they are written. */
const blockBytes = 1024 ** 2;
/** From here on an entry may come out wider than 32 bits can say, deflating included. */
const wideFrom = 0xf0000000;

/**
 * Writes a zip file entry by entry, holding one entry at a time. The libraries of the registry pass every entry through
 * a chain of streams, and the one we had looked through all entries for each: fifty thousand tiny files took it 25 s,
 * and take this 1 s. Throws what the file system throws, a full disk for one.
 */
export class ZipWriter {
  private readonly file: number;
  private readonly entries: ZipEntry[] = [];
  /** What waits to be written is copied here: a small entry must not hold on to the large buffer that it is a slice of. */
  private readonly block = Buffer.allocUnsafe(blockBytes);
  private gathered = 0;
  /** Bytes that went to the file. */
  private written = 0;

  /** `wx` throws where the file is there already. */
  constructor(path: string, flag: 'w' | 'wx' = 'w') {
    this.file = openSync(path, flag);
  }

  /** Adds a file of these bytes; `pack: false` for what is packed already. */
  add(name: string, bytes: Buffer, { pack = true }: { readonly pack?: boolean } = {}): void {
    const packed = pack && bytes.length > 0 ? deflateRawSync(bytes, deflating(bytes.length)) : bytes;
    const isPacked = packed.length < bytes.length;
    const body = isPacked ? packed : bytes;
    const entry: ZipEntry = {
      name: Buffer.from(name, 'utf8'),
      isPacked,
      crc32: crc32(bytes),
      packedBytes: body.length,
      bytes: bytes.length,
      offset: this.offset,
    };
    this.entries.push(entry);
    this.put(localHeader(entry));
    this.put(body);
  }

  /** Adds a file that is too large to be held: its header is written anew when its bytes have gone by. */
  async addStream(
    name: string,
    stream: Readable,
    { bytes, pack = true }: { readonly bytes: number; readonly pack?: boolean },
  ): Promise<void> {
    const isWide = bytes >= wideFrom;
    const offset = this.offset;
    const begun = { name: Buffer.from(name, 'utf8'), isPacked: pack, offset };
    this.put(localHeader({ ...begun, crc32: 0, packedBytes: 0, bytes: 0 }, isWide));
    const bodyAt = this.offset;
    let sum = 0;
    let read = 0;
    const watched = async function* () {
      for await (const block of stream as AsyncIterable<Buffer>) {
        sum = crc32(block, sum);
        read += block.length;
        yield block;
      }
    };
    const blocks = pack ? deflated(watched()) : watched();
    for await (const block of blocks) this.put(block);
    const entry: ZipEntry = { ...begun, crc32: sum, packedBytes: this.offset - bodyAt, bytes: read };
    this.flush();
    writeWhole(this.file, localHeader(entry, isWide), offset);
    this.entries.push(entry);
  }

  /** Writes the directory and closes the file. */
  end(): void {
    const offset = this.offset;
    for (const entry of this.entries) this.put(centralHeader(entry));
    this.put(endRecords(this.entries.length, offset, this.offset - offset));
    this.flush();
    this.close();
  }

  /** Lets the file go as it is. */
  close(): void {
    closeSync(this.file);
  }

  private get offset(): number {
    return this.written + this.gathered;
  }

  private put(bytes: Buffer): void {
    if (this.gathered + bytes.length > blockBytes) this.flush();
    if (bytes.length > blockBytes) return this.write(bytes);
    this.gathered += bytes.copy(this.block, this.gathered);
  }

  private flush(): void {
    const waiting = this.block.subarray(0, this.gathered);
    this.gathered = 0;
    this.write(waiting);
  }

  private write(bytes: Buffer): void {
    writeWhole(this.file, bytes, this.written);
    this.written += bytes.length;
  }
}

/** The widest window that deflating knows, as a power of two, and the narrowest that zlib writes for raw deflate. */
const [widestWindow, narrowestWindow] = [15, 9];
/** So many bytes of a window zlib keeps free in front of it (MIN_LOOKAHEAD in its deflate.h). */
const lookAhead = 262;

/**
 * How so many bytes are deflated: in a window that they just fit into. The usual one is cleared anew for every entry, and
 * with its buffers takes tiny entries twice as long; the result is the same length.
 */
function deflating(bytes: number): ZlibOptions {
  const windowBits = Math.max(narrowestWindow, Math.ceil(Math.log2(bytes + lookAhead)));
  if (windowBits >= widestWindow) return {};
  // So many symbols are written in one go (2 to the power of memLevel + 6): all of them, as with the usual window.
  const memLevel = Math.min(8, windowBits - 6);
  return { windowBits, memLevel, chunkSize: Math.max(smallestChunk, bytes) };
}
/** No less is taken for what comes out (zlib refuses less than 64 bytes). */
const smallestChunk = 256;

/** A write may take less than it is given. */
function writeWhole(file: number, bytes: Buffer, position: number): void {
  for (let at = 0; at < bytes.length;) at += writeSync(file, bytes, at, bytes.length - at, position + at);
}

function deflated(blocks: AsyncIterable<Buffer>): AsyncIterable<Buffer> {
  const deflate = createDeflateRaw();
  const feed = async () => {
    for await (const block of blocks)
      if (!deflate.write(block)) await new Promise<void>((resolve) => deflate.once('drain', () => resolve()));
    deflate.end();
  };
  feed().catch((error: Error) => deflate.destroy(error));
  return deflate as AsyncIterable<Buffer>;
}
