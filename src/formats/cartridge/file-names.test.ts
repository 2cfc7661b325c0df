import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { linkGraphOf } from '@/core/links/graph';
import { shellRef } from '@/core/refs/refs';
import { openArchive } from '../archive/read-archive';
import { ShellComposer } from './compose-shell';
import { readCartridge } from './read-cartridge';
import { writeCartridge } from './write-cartridge';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-names-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const decomposed = 'Zu\u0308rich.pdf';
const names = [
  'with spaces and, commas.pdf',
  `${'n'.repeat(251)}.pdf`,
  decomposed,
  'CON.txt',
  'aux',
  'ends with a dot.',
  'colon:and*star?.txt',
  '100%.txt',
  'quote "and" \'apostrophe\'.txt',
  'emoji 🌊.png',
];

async function writtenAndRead(composer: ShellComposer, name: string) {
  const file = join(folder, `${name}.imscc`);
  await writeCartridge(composer.shell(), composer.source, file);
  const archive = await openArchive(file, name);
  if (!archive.ok) throw new Error(archive.trouble.message);
  const read = await readCartridge(archive.value);
  archive.value.close();
  if (!read.ok) throw new Error(read.trouble.message);
  return read.value;
}

test('names are written as they came: spaces, 255 bytes, other Unicode forms, reserved on other systems', async () => {
  const composer = new ShellComposer({ ref: shellRef('names') });
  for (const name of names) composer.file(`files/${name}`, name);
  const { shell } = await writtenAndRead(composer, 'names');
  expect(shell.files.map((f) => f.path).sort()).toEqual(names.map((name) => `files/${name}`).sort());
});

test('a name is found in whatever Unicode form a page writes it', async () => {
  const composer = new ShellComposer({ ref: shellRef('forms') });
  composer.file(`files/${decomposed}`, 'a map');
  composer.page(
    'Maps',
    `<a href="files/${decomposed.normalize('NFC')}">map</a> <a href="files/Z%C3%BCrich.pdf">map</a>`,
    { path: 'maps.html' },
  );
  const { shell } = await writtenAndRead(composer, 'forms');
  expect(linkGraphOf(shell).broken).toEqual([]);
});
