import { execFileSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { deflateRawSync } from 'node:zlib';
import yauzl from 'yauzl';
import { ZipWriter } from './zip-writer';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-zip-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What another reader, yauzl, finds in a file. */
function readAll(path: string, isRead = true): Promise<Map<string, Buffer>> {
  return new Promise((resolve, reject) => {
    const found = new Map<string, Buffer>();
    yauzl.open(path, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error);
      zip.on('end', () => resolve(found));
      zip.on('error', reject);
      zip.on('entry', (entry: yauzl.Entry) => {
        if (!isRead) {
          found.set(entry.fileName, Buffer.alloc(0));
          return zip.readEntry();
        }
        zip.openReadStream(entry, (trouble, stream) => {
          if (trouble) return reject(trouble);
          const blocks: Buffer[] = [];
          stream.on('data', (block: Buffer) => blocks.push(block));
          stream.on('end', () => {
            found.set(entry.fileName, Buffer.concat(blocks));
            zip.readEntry();
          });
        });
      });
      zip.readEntry();
    });
  });
}

const blocksOf = (bytes: Buffer, size: number) =>
  Readable.from(
    Array.from({ length: Math.ceil(bytes.length / size) }, (_, n) =>
      bytes.subarray(n * size, (n + 1) * size),
    ),
  );

describe('a zip file as it is written', () => {
  it('is read by another reader and by Info-ZIP: packed, stored, empty, streamed, named in any script', async () => {
    const path = join(folder, 'all.zip');
    const large = Buffer.concat([Buffer.alloc(3_000_000, 'stream ecology '), randomBytes(500_000)]);
    const zip = new ZipWriter(path);
    zip.add('plain.txt', Buffer.from('turbidity '.repeat(100)));
    zip.add('short.txt', Buffer.from('x'));
    zip.add('nothing.txt', Buffer.alloc(0));
    zip.add('as-is.png', Buffer.from('turbidity '.repeat(100)), { pack: false });
    await zip.addStream('large.bin', blocksOf(large, 70_001), { bytes: large.length });
    await zip.addStream('large.mp4', blocksOf(large, 70_001), { bytes: large.length, pack: false });
    zip.add('Überschwemmung/川.txt', Buffer.from('flood'));
    zip.end();
    const found = await readAll(path);
    expect([...found.keys()]).toEqual([
      'plain.txt',
      'short.txt',
      'nothing.txt',
      'as-is.png',
      'large.bin',
      'large.mp4',
      'Überschwemmung/川.txt',
    ]);
    expect(found.get('plain.txt')?.toString()).toBe('turbidity '.repeat(100));
    expect(found.get('nothing.txt')).toHaveLength(0);
    expect(found.get('large.bin')?.equals(large)).toBe(true);
    expect(found.get('large.mp4')?.equals(large)).toBe(true);
    expect(readFileSync(path).length).toBeLessThan(2 * large.length);
    expect(execFileSync('unzip', ['-tqq', path], { encoding: 'utf8' })).toBe('');
  });

  it('packs entries of every size as well as with the usual window of zlib', async () => {
    const sizes = [1, 63, 100, 511, 512, 513, 4095, 4096, 16_383, 16_384, 16_385, 40_000];
    const words = 'turbidity flow discharge weir riffle pool gauge '.split(' ');
    for (const size of sizes) {
      const prose = Array.from({ length: size }, (_, n) => words[(n * n + (n >> 3)) % words.length]).join(
        ' ',
      );
      const noise = randomBytes(size);
      const path = join(folder, `size-${size}.zip`);
      const zip = new ZipWriter(path);
      const texts = { 'prose.txt': Buffer.from(prose.slice(0, size)), 'noise.txt': noise };
      for (const [name, bytes] of Object.entries(texts)) zip.add(name, bytes);
      zip.end();
      const found = await readAll(path);
      for (const [name, bytes] of Object.entries(texts)) expect(found.get(name)?.equals(bytes)).toBe(true);
      const usual = Object.values(texts).map((bytes) => Math.min(deflateRawSync(bytes).length, bytes.length));
      // Two headers, two lines of the directory and its end; the names are nine letters long.
      const around = 2 * (30 + 46 + 2 * 9) + 22;
      const packed = readFileSync(path).length - around;
      expect([size, packed]).toEqual([size, usual.reduce((sum, length) => sum + length, 0)]);
    }
  });

  it('keeps more entries than 16 bits count, by the records of zip64', async () => {
    const path = join(folder, 'many.zip');
    const zip = new ZipWriter(path);
    for (let n = 0; n < 70_000; n += 1) zip.add(`f/${n}.txt`, Buffer.from(`text ${n}`));
    zip.end();
    const found = await readAll(path, false);
    expect(found.size).toBe(70_000);
    expect(execFileSync('unzip', ['-p', path, 'f/69999.txt'], { encoding: 'utf8' })).toBe('text 69999');
  });

  it('throws where the stream fails, packed or not', async () => {
    for (const pack of [true, false]) {
      const zip = new ZipWriter(join(folder, 'failed.zip'));
      const failing = Readable.from(
        (async function* () {
          yield Buffer.from('some');
          throw new Error('the disk is gone');
        })(),
      );
      await expect(zip.addStream('x', failing, { bytes: 100, pack })).rejects.toThrow('the disk is gone');
      zip.close();
    }
  });
});
