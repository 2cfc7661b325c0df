/**
 * The records of a zip file (PKWARE APPNOTE 6.3.10, sections 4.3 and 4.5.3). Every entry carries one fixed time, since
 * equal shells are to give equal bytes; the time is never read as a date.
 */
export interface ZipEntry {
  readonly name: Buffer;
  readonly isPacked: boolean;
  readonly crc32: number;
  /** Bytes as they stand in the file, and unpacked. */
  readonly packedBytes: number;
  readonly bytes: number;
  /** Where its local header begins. */
  readonly offset: number;
}

/** What does not fit into 16 or 32 bits stands in the zip64 records, and this in its place. */
const full16 = 0xffff;
const full32 = 0xffffffff;
/** Noon of 1 January 2000, as MS-DOS counts (4.4.6). */
const dosTime = 12 << 11;
const dosDate = ((2000 - 1980) << 9) | (1 << 5) | 1;
/** Made on Unix by version 4.5 of the format (4.4.2); names are UTF-8 (4.4.4, bit 11). */
const madeBy = (3 << 8) | 45;
const utf8Names = 1 << 11;
const plainFile = 0o100644;

const asks64 = (entry: Pick<ZipEntry, 'bytes' | 'packedBytes'>): boolean =>
  entry.bytes >= full32 || entry.packedBytes >= full32;

/** The header in front of an entry’s bytes (4.3.7). `has64` keeps room for sizes that are not known yet. */
export function localHeader(entry: ZipEntry, has64 = asks64(entry)): Buffer {
  const extra = has64 ? zip64Field([entry.bytes, entry.packedBytes]) : Buffer.alloc(0);
  const head = Buffer.alloc(30);
  head.writeUInt32LE(0x04034b50, 0);
  head.writeUInt16LE(has64 ? 45 : 20, 4);
  writeAbout(head, 6, entry, has64);
  head.writeUInt16LE(entry.name.length, 26);
  head.writeUInt16LE(extra.length, 28);
  return Buffer.concat([head, entry.name, extra]);
}

/** An entry’s line in the directory at the end (4.3.12). */
export function centralHeader(entry: ZipEntry): Buffer {
  const sizes64 = asks64(entry);
  const offset64 = entry.offset >= full32;
  const wide = [...(sizes64 ? [entry.bytes, entry.packedBytes] : []), ...(offset64 ? [entry.offset] : [])];
  const extra = wide.length > 0 ? zip64Field(wide) : Buffer.alloc(0);
  const head = Buffer.alloc(46);
  head.writeUInt32LE(0x02014b50, 0);
  head.writeUInt16LE(madeBy, 4);
  head.writeUInt16LE(wide.length > 0 ? 45 : 20, 6);
  writeAbout(head, 8, entry, sizes64);
  head.writeUInt16LE(entry.name.length, 28);
  head.writeUInt16LE(extra.length, 30);
  head.writeUInt32LE(plainFile * 2 ** 16, 38);
  head.writeUInt32LE(offset64 ? full32 : entry.offset, 42);
  return Buffer.concat([head, entry.name, extra]);
}

/** What both headers say in the same order: flags, method, time, check sum, sizes. */
function writeAbout(head: Buffer, at: number, entry: ZipEntry, sizes64: boolean): void {
  head.writeUInt16LE(utf8Names, at);
  head.writeUInt16LE(entry.isPacked ? 8 : 0, at + 2);
  head.writeUInt16LE(dosTime, at + 4);
  head.writeUInt16LE(dosDate, at + 6);
  head.writeUInt32LE(entry.crc32, at + 8);
  head.writeUInt32LE(sizes64 ? full32 : entry.packedBytes, at + 12);
  head.writeUInt32LE(sizes64 ? full32 : entry.bytes, at + 16);
}

/** The extra field of what is wider than 32 bits (4.5.3). */
function zip64Field(values: readonly number[]): Buffer {
  const field = Buffer.alloc(4 + 8 * values.length);
  field.writeUInt16LE(1, 0);
  field.writeUInt16LE(8 * values.length, 2);
  values.forEach((value, n) => field.writeBigUInt64LE(BigInt(value), 4 + 8 * n));
  return field;
}

/** The end of the file: where the directory stands and how long it is (4.3.14 to 4.3.16). */
export function endRecords(entries: number, offset: number, bytes: number): Buffer {
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt16LE(Math.min(entries, full16), 8);
  end.writeUInt16LE(Math.min(entries, full16), 10);
  end.writeUInt32LE(Math.min(bytes, full32), 12);
  end.writeUInt32LE(Math.min(offset, full32), 16);
  if (entries < full16 && bytes < full32 && offset < full32) return end;
  return Buffer.concat([wideEnd(entries, offset, bytes), end]);
}

/** The zip64 end of the directory, and what tells where that stands. */
function wideEnd(entries: number, offset: number, bytes: number): Buffer {
  const record = Buffer.alloc(56);
  record.writeUInt32LE(0x06064b50, 0);
  record.writeBigUInt64LE(44n, 4);
  record.writeUInt16LE(madeBy, 12);
  record.writeUInt16LE(45, 14);
  record.writeBigUInt64LE(BigInt(entries), 24);
  record.writeBigUInt64LE(BigInt(entries), 32);
  record.writeBigUInt64LE(BigInt(bytes), 40);
  record.writeBigUInt64LE(BigInt(offset), 48);
  const locator = Buffer.alloc(20);
  locator.writeUInt32LE(0x07064b50, 0);
  locator.writeBigUInt64LE(BigInt(offset + bytes), 8);
  locator.writeUInt32LE(1, 16);
  return Buffer.concat([record, locator]);
}
