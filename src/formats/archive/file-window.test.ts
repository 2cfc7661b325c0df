import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { FileWindow } from './file-window';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-window-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const size = 3 * 1024 ** 2 + 17;
const bytes = Buffer.from(
  Uint32Array.from({ length: Math.ceil(size / 4) }, (_, i) => Math.imul(i, 2_654_435_761)).buffer,
).subarray(0, size);
const path = join(folder, 'bytes');
writeFileSync(path, bytes);

test('any part, in any order, is what the file holds (property)', () => {
  const window = new FileWindow(path);
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: size + 100 }),
      fc.oneof(fc.integer({ min: 0, max: 5000 }), fc.integer({ min: 0, max: size + 100 })),
      (from, length) => {
        expect(window.bytes(from, length).equals(bytes.subarray(from, from + length))).toBe(true);
      },
    ),
    { numRuns: 300, seed: 3 },
  );
  window.close(() => undefined);
});

test('yauzl’s own ways of reading give the same', async () => {
  const window = new FileWindow(path);
  const into = Buffer.alloc(10);
  window.read(into, 2, 8, 100, (error, n) =>
    expect([error, n, into.subarray(2).equals(bytes.subarray(100, 108))]).toEqual([null, 8, true]),
  );
  const blocks: Buffer[] = [];
  for await (const block of window._readStreamForRange(5, 2_000_000)) blocks.push(block as Buffer);
  expect(Buffer.concat(blocks).equals(bytes.subarray(5, 2_000_000))).toBe(true);
  window.close(() => undefined);
});

test('a file that is not there can’t be opened', () =>
  expect(() => new FileWindow(join(folder, 'nowhere'))).toThrow('ENOENT'));
