import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDate } from '@/core/dates/local-date';
import { readShell } from '@/services/do/packages/read-shell';
import { item, manifest, resource } from './make-package';
import { oddities, oddityTable, type Oddity } from './oddities';
import { rawZip } from './raw-zip';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-oddities-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const plain = () =>
  rawZip([
    {
      path: 'imsmanifest.xml',
      data: Buffer.from(manifest(item('a', 'A', 'R'), resource('R', 'webcontent', 'a.html'))),
    },
    { path: 'a.html', data: Buffer.from('<p>A page</p>') },
  ]);

function kept(name: string, data: string | Buffer): { path: string; name: string } {
  const path = join(folder, name);
  writeFileSync(path, data);
  return { path, name };
}

function rosterOf(tables: NonNullable<Oddity['roster']>): { path: string; name: string } {
  const path = mkdtempSync(join(folder, 'roster-'));
  mkdirSync(path, { recursive: true });
  for (const [name, data] of Object.entries(tables)) writeFileSync(join(path, name), data);
  return { path, name: 'roster' };
}

async function read(one: Oddity) {
  const result = await readShell({
    package: kept('shell.imscc', (one.package ?? plain)()),
    events: one.events === undefined ? undefined : kept('events.ics', one.events),
    status: one.status === undefined ? undefined : kept('status.csv', one.status),
    roster: one.roster === undefined ? undefined : rosterOf(one.roster),
    today: '2027-01-04' as LocalDate,
  });
  if (!result.ok) return { sentence: result.trouble.message, notes: [] };
  result.value.archive.close();
  return { sentence: null, notes: result.value.intake };
}

test.each(oddities.map((one) => [`${one.reader}: ${one.oddity}`, one] as const))('%s', async (_, one) => {
  const { sentence, notes } = await read(one);
  if (one.outcome === 'refused') {
    expect(sentence).toMatch(/^\S.*\.$/);
    return;
  }
  const { told } = one.outcome;
  expect(sentence).toBeNull();
  const lines = notes.filter((note) => note.code === told);
  expect([told, lines.length]).toEqual([told, 1]);
  if (one.where !== undefined) expect(lines[0]?.where).toBe(one.where);
});

test('a package without oddities is told of in nothing but its zone and its day', async () => {
  const { notes } = await read({ reader: 'manifest', oddity: 'none', outcome: 'refused' });
  expect(notes.map((n) => n.code).sort()).toEqual(['as-of-today', 'time-zone']);
});

test('docs/reliability.md lists every reader and oddity', () => {
  const page = readFileSync('docs/reliability.md', 'utf8');
  expect(page).toContain(oddityTable().join('\n'));
});
