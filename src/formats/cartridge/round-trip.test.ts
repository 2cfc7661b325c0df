import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { shellRef } from '@/core/refs/refs';
import { readShell } from '@/services/do/packages/read-shell';
import { addDays, parseLocalDate } from '@/core/dates/local-date';
import { ShellComposer } from './compose-shell';

const day = (text: string) => parseLocalDate(text)!;
let folder: string;
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'currycomb-test-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** One of everything that the composer can make. */
export function everything(): ShellComposer {
  const c = new ShellComposer({
    ref: shellRef('m1'),
    code: 'HYD 214',
    title: 'shell',
    asOf: day('2027-01-04'),
    timeZone: 'UTC',
  });
  const week = c.module('Week 1 & more', { ref: 'w1', shown: false });
  c.heading('Read <first>', { ref: 'h1', parent: week });
  c.file('files/map one.png', Buffer.from([1, 2, 3]));
  c.file('files/style.css', 'body{background:url("map%20one.png")}');
  c.page(
    'Gauge',
    '<html><head><title>Gauge</title><link rel="stylesheet" href="../files/style.css"></head><body><p>Read it.</p></body></html>',
    { ref: 'p1', parent: week, path: 'week1/gauge.html' },
  );
  c.discussion('Talk', '<p>Say <b>hello</b> &amp; <img src="$IMS-CC-FILEBASE$/files/map one.png"></p>', {
    ref: 'd1',
    parent: week,
    opens: null,
  });
  c.assignment('Notebook', '<p>Hand it in.</p>', 20, {
    ref: 'a1',
    parent: week,
    studentWork: 3,
    batch: 'b1',
  });
  c.quiz('Check', [{ stem: '<p>How high?</p>', answers: ['one', 'two <2'], right: 1, points: 2 }], {
    ref: 'q1',
    parent: week,
  });
  c.webLink('Agency', 'https://example.org/?a=1&b=2', { ref: 'l1', parent: week });
  c.fileItem('Map', 'files/map one.png', { ref: 'f1', parent: week });
  c.placeAgain('p1', 'Gauge again', { ref: 'p1b' });
  c.page('Left over', '<p>Nobody links here</p>', { outside: true, path: 'old/left.html' });
  c.module('Empty', { ref: 'w2' });
  c.foreign('vendor/thing', 'vendor/settings.xml', '<settings><use href="x"/></settings>');
  c.depends('p1', 'files/style.css');
  return c;
}

test('what is written reads back equal, and equal shells give equal bytes', async () => {
  const composer = everything();
  const file = join(folder, 'one.imscc');
  await composer.write(file);
  const read = await readShell({
    package: { path: file, name: 'one.imscc' },
    title: 'shell',
    today: day('2027-01-04'),
  });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  const composed = composer.shell();
  const titled = {
    ...read.value.shell,
    items: read.value.shell.items.map((i) =>
      i.ref.startsWith('resource:') ? { ...i, title: 'Left over' } : i,
    ),
  };
  expect(titled.items).toEqual(composed.items);
  expect(titled.contents).toEqual(composed.contents);
  expect(titled.files).toEqual(composed.files);
  expect([...titled.entries].sort((a, b) => (a.path < b.path ? -1 : 1))).toEqual(
    [...composed.entries].sort((a, b) => (a.path < b.path ? -1 : 1)),
  );
  expect(titled).toMatchObject({ ref: 'm1', code: 'HYD 214', title: 'shell', timeZone: 'UTC' });
  const again = join(folder, 'two.imscc');
  await composer.write(again);
  expect(readFileSync(again).equals(readFileSync(file))).toBe(true);
  expect(addDays(day('2027-02-28'), 1)).toBe('2027-03-01');
});
