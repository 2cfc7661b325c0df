import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { runs } from '@/core/__tests__/runs';
import { spoiledJson } from '@/core/__tests__/spoiled';
import { shellRef } from '@/core/refs/refs';
import type { LocalDate } from '@/core/dates/local-date';
import { openArchive } from '@/formats/archive/read-archive';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { stateFilePath } from '@/formats/cartridge/read-entries';
import { writeCartridge } from '@/formats/cartridge/write-cartridge';
import { auditShell } from '@/services/do/packages/audit-shell';
import { readShell } from '@/services/do/packages/read-shell';
import { oneSentence } from '@/core/__tests__/one-sentence';
import { rawZip, type RawEntry } from './raw-zip';

// A package with a state file that somebody spoiled: it is read or refused with a sentence, every check runs to its end, and
// the package that is exported holds the paths of the one that came in, and none that leads outside.
jest.setTimeout(3_600_000);
const outside = mkdtempSync(join(tmpdir(), 'currycomb-spoiled-state-'));
const folder = join(outside, 'within', 'folder');
mkdirSync(folder, { recursive: true });
afterAll(() => rmSync(outside, { recursive: true, force: true }));

const composer = new ShellComposer({ ref: shellRef('rivers'), code: 'HYD 214', title: 'Reading rivers' });
const week = composer.module('Week 1', { ref: 'w1' });
composer.module('Week 2', { ref: 'w2', parent: week });
composer.page('Gauge', '<p>Read <a href="m.png">it</a> at eye level.</p>', { ref: 'p1', parent: week });
composer.assignment('Notebook', '<p>Hand in</p>', 20, { ref: 'a1', parent: week });
composer.quiz('Check', [{ stem: '<p>How high?</p>', answers: ['one', 'two'], right: 1, points: 2 }], {
  ref: 'q1',
  parent: week,
});
composer.discussion('Talk', '<p>Say where you stood.</p>', { ref: 'd1', parent: 'w2' });
composer.file('m.png', Buffer.from([1, 2, 3]));

let entries: readonly RawEntry[] = [];
let state: unknown;
beforeAll(async () => {
  const path = join(folder, 'plain.imscc');
  await composer.write(path);
  const archive = await openArchive(path, 'plain.imscc');
  if (!archive.ok) throw new Error(archive.trouble.message);
  entries = archive.value.entries.map((entry) => {
    const bytes = archive.value.read(entry.path);
    if (!bytes.ok) throw new Error(bytes.trouble.message);
    return { path: entry.path, data: bytes.value };
  });
  archive.value.close();
  state = JSON.parse(
    entries.find(({ path }) => path === stateFilePath)?.data.toString('utf8') ?? '{}',
  ) as unknown;
});

async function pathsIn(file: string): Promise<string[]> {
  const archive = await openArchive(file, 'exported.imscc');
  if (!archive.ok) throw new Error(archive.trouble.message);
  const paths = archive.value.entries.map(({ path }) => path);
  archive.value.close();
  return paths.sort();
}

test('a spoiled state file ends nothing, and leads nowhere', async () => {
  const paths = entries.map(({ path }) => path).sort();
  let taken = 0;
  let leftAside = 0;
  await fc.assert(
    fc.asyncProperty(spoiledJson(state), async (text) => {
      const path = join(folder, 'spoiled.imscc');
      const others = entries.filter((entry) => entry.path !== stateFilePath);
      writeFileSync(path, rawZip([...others, { path: stateFilePath, data: Buffer.from(text) }]));
      const read = await readShell({
        package: { path, name: 'spoiled.imscc' },
        today: '2027-01-04' as LocalDate,
      });
      if (!read.ok) {
        expect(read.trouble.message).toMatch(oneSentence);
        return;
      }
      const { shell, archive, intake } = read.value;
      if (intake.some(({ code }) => code.startsWith('state-'))) leftAside += 1;
      else taken += 1;
      const audit = auditShell(shell);
      expect(audit.checks.filter(({ outcome }) => outcome.state === 'could-not-run')).toEqual([]);
      const exported = join(folder, 'exported.imscc');
      const bytesOf = (entry: string) => others.find((one) => one.path === entry)?.data ?? null;
      await writeCartridge(shell, { read: (_, entry) => bytesOf(entry) }, exported);
      archive.close();
      expect(await pathsIn(exported)).toEqual(paths);
    }),
    { numRuns: runs(20_000, 150) },
  );
  // Both ends are met, and nothing was written elsewhere.
  expect(taken).toBeGreaterThan(5);
  expect(leftAside).toBeGreaterThan(5);
  expect(readdirSync(outside)).toEqual(['within']);
  expect(readdirSync(join(outside, 'within'))).toEqual(['folder']);
  expect(readFileSync(join(folder, 'plain.imscc')).length).toBeGreaterThan(0);
});
