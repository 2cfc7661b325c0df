import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDate } from '@/core/dates/local-date';
import { openArchive } from '@/formats/archive/read-archive';
import { ZipWriter } from '@/formats/archive/zip-writer';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { stateFilePath } from '@/formats/cartridge/read-entries';
import { writeState } from '@/formats/state-file/shell-state';
import { auditShell } from '@/services/do/packages/audit-shell';
import { readShell } from '@/services/do/packages/read-shell';

// A state file of two kilobytes that contradicts the package it is in: it is left aside with a note, and what was read can
// be combed. One such file once ended the server, and again at each start.
const folder = mkdtempSync(join(tmpdir(), 'currycomb-state-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const composer = new ShellComposer();
composer.module('Week 1', { ref: 'm1' });
composer.page('Gauges', '<p>Read the gauge.</p>', { ref: 'p1', parent: 'm1' });
composer.module('Week 2', { ref: 'm2', parent: 'm1' });
type State = Record<string, unknown> & { items: Record<string, Record<string, unknown>> };

async function packageWith(change: (state: State) => void): Promise<string> {
  const plain = join(folder, 'plain.imscc');
  await composer.write(plain);
  const archive = await openArchive(plain, 'plain.imscc');
  if (!archive.ok) throw new Error(archive.trouble.message);
  const path = join(folder, `${Math.random()}.imscc`);
  const zip = new ZipWriter(path);
  for (const entry of archive.value.entries) {
    const bytes = archive.value.read(entry.path);
    if (bytes.ok && entry.path !== stateFilePath) zip.add(entry.path, bytes.value);
  }
  archive.value.close();
  const state = JSON.parse(writeState(composer.shell())) as State;
  change(state);
  zip.add(stateFilePath, Buffer.from(JSON.stringify(state)));
  zip.end();
  return path;
}

const items = (refs: Readonly<Record<string, string>>) => (state: State) => {
  for (const [written, ref] of Object.entries(refs)) state.items[written] = { ...state.items[written], ref };
};

test.each<[string, (state: State) => void, string]>([
  ['an item with the ref of its own module', items({ p1: 'm1' }), 'state-contradicts'],
  ['a module with the ref of the one around it', items({ m2: 'm1' }), 'state-contradicts'],
  ['all items of one ref', items({ m1: 'x', p1: 'x', m2: 'x' }), 'state-contradicts'],
  [
    'a day that no calendar has',
    (state) => (state.items['p1'] = { due: '2027-99-99T10:00:00' }),
    'state-contradicts',
  ],
  [
    'a term of ten thousand years',
    (state) => (state['term'] = { title: '', start: '1000-01-01', end: '9999-12-31' }),
    'term-unbelievable',
  ],
])('%s is noted, and the shell is combed', async (_, change, code) => {
  const file = await packageWith(change);
  const today = '2027-01-04' as LocalDate;
  const read = await readShell({ package: { path: file, name: 'x.imscc' }, today });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  expect(read.value.intake.map((note) => note.code)).toContain(code);
  const audit = auditShell(read.value.shell);
  expect(audit.checks.filter(({ outcome }) => outcome.state === 'could-not-run')).toEqual([]);
});

test.each(['constructor', 'toString', '__proto__'])(
  'refs called %s keep what the state file says of them',
  async (name) => {
    const file = await packageWith((state) => {
      const entries = Object.entries({ ...state.items, [name]: {} });
      state.items = Object.fromEntries([...entries, ['p1', { ref: name, points: 7 }]]);
    });
    const read = await readShell({
      package: { path: file, name: 'x.imscc' },
      today: '2027-01-04' as LocalDate,
    });
    if (!read.ok) throw new Error(read.trouble.message);
    read.value.archive.close();
    expect(read.value.shell.items.find(({ ref }) => ref === name)).toMatchObject({ points: 7 });
    expect(
      auditShell(read.value.shell).checks.filter(({ outcome }) => outcome.state === 'could-not-run'),
    ).toEqual([]);
  },
);
