import * as fs from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { digest } from '@/core/refs/digest';
import { ZipWriter } from '@/formats/archive/zip-writer';
import { openArchive } from '@/formats/archive/read-archive';
import { filePath } from '@/core/refs/refs';
import { BlobStore } from '../blobs';

// write(2) may take a part of the bytes only: all writes of this file do, or fail in the middle where that is asked for.
const disk = { mostBytes: Infinity, free: Infinity };
jest.mock('node:fs', () => {
  const real = jest.requireActual<typeof fs>('node:fs');
  return {
    ...real,
    writeSync: (file: number, bytes: Uint8Array, at = 0, length = bytes.length - at) => {
      if (disk.free <= 0) throw Object.assign(new Error('ENOSPC: no space left'), { code: 'ENOSPC' });
      const taken = Math.min(length, disk.mostBytes, disk.free);
      disk.free -= taken;
      return real.writeSync(file, bytes, at, taken);
    },
  };
});

const folder = fs.mkdtempSync(join(tmpdir(), 'currycomb-short-'));
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));
beforeEach(() => Object.assign(disk, { mostBytes: Infinity, free: Infinity }));
const fresh = () => new BlobStore(fs.mkdtempSync(join(folder, 'blobs-')));
const large = Buffer.from(Array.from({ length: 500_000 }, (_, n) => n % 251));
const hash = digest(large);

test('a blob that the disk takes in pieces is whole', () => {
  disk.mostBytes = 60_000;
  const blobs = fresh();
  expect(blobs.put(large)).toBe(hash);
  const begun = blobs.begin();
  const other = Buffer.concat([large, large]);
  for (let at = 0; at < other.length; at += 100_000) begun.write(other.subarray(at, at + 100_000));
  begun.done(digest(other));
  expect(blobs.read(hash)?.equals(large)).toBe(true);
  expect(blobs.read(digest(other))?.equals(other)).toBe(true);
  blobs.close();
});

test('a blob that the disk has no room for is thrown, and is not there under its hash', () => {
  const blobs = fresh();
  disk.free = 300_000;
  expect(() => blobs.put(large)).toThrow(/ENOSPC/);
  disk.free = Infinity;
  expect(blobs.has(hash)).toBe(false);
  expect(blobs.put(large)).toBe(hash);
  expect(blobs.read(hash)?.equals(large)).toBe(true);
  blobs.close();
});

test('a full disk while an entry is unpacked is told as that, and not as a damaged entry', async () => {
  const zip = join(folder, 'large.zip');
  const writer = new ZipWriter(zip);
  writer.add('large.bin', large);
  writer.end();
  const archive = await openArchive(zip, 'large.zip');
  if (!archive.ok) throw new Error(archive.trouble.message);
  const blobs = fresh();
  const begun = blobs.begin();
  disk.free = 200_000;
  await expect(archive.value.hash(filePath('large.bin'), (block) => begun.write(block))).rejects.toThrow(
    /ENOSPC/,
  );
  begun.abandon();
  disk.free = Infinity;
  expect(blobs.list()).toEqual([]);
  archive.value.close();
  blobs.close();
});
