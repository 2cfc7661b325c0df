import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ShellComposer } from './compose-shell';
import { writeCartridge } from './write-cartridge';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-write-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('entries are read one after another, so that thousands of them are not in memory at once', async () => {
  const c = new ShellComposer();
  for (let n = 0; n < 3000; n += 1) c.file(`many/f${n}.txt`, `file ${n}`);
  let asked = 0;
  let mostAhead = 0;
  let written = 0;
  const source = {
    read: (hash: never, path: never) => {
      asked += 1;
      mostAhead = Math.max(mostAhead, asked - written);
      setImmediate(() => (written += 1));
      return c.source.read(hash, path);
    },
  };
  await writeCartridge(c.shell(), source, join(folder, 'many.imscc'));
  expect(asked).toBe(3000);
  expect(mostAhead).toBeLessThan(20);
}, 30_000);

test('where bytes are missing the writing ends with a sentence that names the file', async () => {
  const c = new ShellComposer();
  c.file('gone.bin', 'x');
  const writing = writeCartridge(c.shell(), { read: () => null }, join(folder, 'gone.imscc'));
  await expect(writing).rejects.toThrow('“gone.bin” is missing from Currycomb’s folder, or is damaged');
});
