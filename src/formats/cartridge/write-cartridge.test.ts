import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ShellComposer } from './compose-shell';
import { writeCartridge } from './write-cartridge';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-write-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('entries go to the disk as they are read, so that thousands of them are not in memory at once', async () => {
  const c = new ShellComposer();
  for (let n = 0; n < 1000; n += 1) c.file(`many/f${n}.bin`, randomBytes(10_000).toString('latin1'));
  const file = join(folder, 'many.imscc');
  let read = 0;
  let mostHeld = 0;
  const source = {
    read: (hash: never, path: never) => {
      const bytes = c.source.read(hash, path);
      read += bytes?.length ?? 0;
      mostHeld = Math.max(mostHeld, read - statSync(file).size);
      return bytes;
    },
  };
  await writeCartridge(c.shell(), source, file);
  expect(read).toBeGreaterThan(10_000_000);
  expect(statSync(file).size).toBeGreaterThan(7_000_000);
  expect(mostHeld).toBeLessThan(5_000_000);
});

test('where bytes are missing the writing ends with a sentence that names the file', async () => {
  const c = new ShellComposer();
  c.file('gone.bin', 'x');
  const writing = writeCartridge(c.shell(), { read: () => null }, join(folder, 'gone.imscc'));
  await expect(writing).rejects.toThrow('“gone.bin” is missing from Currycomb’s folder, or is damaged');
});
