import { crc32, deflateRawSync } from 'node:zlib';

/** An entry of a zip that is made by hand, so that every field of it can lie (PKWARE APPNOTE 6.3, 4.3). */
export interface RawEntry {
  readonly path: string;
  readonly data: Buffer;
  /** 0 stored, 8 deflated, else whatever it claims. */
  readonly method?: number;
  readonly flags?: number;
  readonly mode?: number;
  readonly rawName?: Buffer;
  readonly saysBytes?: number;
  readonly saysCrc?: number;
}

/** `againLast`: so many more records in the directory that point at the last entry's bytes. */
export function rawZip(
  entries: readonly RawEntry[],
  { againLast = 0 }: { readonly againLast?: number } = {},
): Buffer {
  const parts: Buffer[] = [];
  const directory: Buffer[] = [];
  let offset = 0;
  entries.forEach((entry, index) => {
    const name = entry.rawName ?? Buffer.from(entry.path, 'utf8');
    const packed = entry.method === 8 ? deflateRawSync(entry.data) : entry.data;
    const method = entry.method ?? 0;
    const crc = entry.saysCrc ?? crc32(entry.data);
    const bytes = entry.saysBytes ?? entry.data.length;
    const local = Buffer.alloc(30);
    local.writeUInt32LE(0x04034b50, 0);
    local.writeUInt16LE(20, 4);
    local.writeUInt16LE(entry.flags ?? 0x800, 6);
    local.writeUInt16LE(method, 8);
    local.writeUInt32LE(crc >>> 0, 14);
    local.writeUInt32LE(packed.length, 18);
    local.writeUInt32LE(bytes, 22);
    local.writeUInt16LE(name.length, 26);
    const record = (nameBytes: Buffer): Buffer => {
      const central = Buffer.alloc(46);
      central.writeUInt32LE(0x02014b50, 0);
      central.writeUInt16LE((3 << 8) | 20, 4);
      central.writeUInt16LE(20, 6);
      central.writeUInt16LE(entry.flags ?? 0x800, 8);
      central.writeUInt16LE(method, 10);
      central.writeUInt32LE(crc >>> 0, 16);
      central.writeUInt32LE(packed.length, 20);
      central.writeUInt32LE(bytes, 24);
      central.writeUInt16LE(nameBytes.length, 28);
      central.writeUInt32LE(((entry.mode ?? 0o100644) * 65536) >>> 0, 38);
      central.writeUInt32LE(offset, 42);
      return Buffer.concat([central, nameBytes]);
    };
    directory.push(record(name));
    if (index === entries.length - 1)
      for (let n = 0; n < againLast; n += 1) directory.push(record(Buffer.from(`${entry.path}-${n}`)));
    parts.push(local, name, packed);
    offset += 30 + name.length + packed.length;
  });
  const size = directory.reduce((n, d) => n + d.length, 0);
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt16LE(Math.min(0xffff, directory.length), 8);
  end.writeUInt16LE(Math.min(0xffff, directory.length), 10);
  end.writeUInt32LE(size, 12);
  end.writeUInt32LE(offset, 16);
  return Buffer.concat([...parts, ...directory, end]);
}
