import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import type { Shell } from '@/core/shell/model';
import { shellRef } from '@/core/refs/refs';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeCartridge } from '@/formats/cartridge/write-cartridge';
import { writeManifest } from '@/formats/cartridge/write-manifest';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { writeGrades } from '@/formats/oneroster/write-grades';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import { buildGeo130, geo130Roster } from '../../../demo/geo-130/build';
import { buildHyd214 } from '../../../demo/hyd-214/build';
import { autumnCalendar, springCalendar } from '../../../demo/hyd-214/calendar';
import { buildHyd214E } from '../../../demo/hyd-214-e/build';
import { buildTemplate } from '../../../demo/template/build';
import { readShell } from '@/services/do/packages/read-shell';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import { makeZip } from './make-package';
import { packagingErrors } from './packaging-schema';

const today = '2027-01-04' as LocalDate;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-round-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Reads, writes everything that was given, reads that: the two shells. */
async function twice(inputs: ShellInputs): Promise<[Shell, Shell]> {
  const first = await readShell(inputs);
  if (!first.ok) throw new Error(first.trouble.message);
  const { shell, archive } = first.value;
  const dir = mkdtempSync(join(folder, 'out-'));
  const file = (name: string) => ({ path: join(dir, name), name: inputs.package.name });
  await writeCartridge(
    shell,
    { read: (_, path) => ((bytes) => (bytes.ok ? bytes.value : null))(archive.read(path)) },
    join(dir, 'p'),
  );
  archive.close();
  if (shell.calendar) writeFileSync(join(dir, 'e'), writeCalendar(shell.events, shell.calendar));
  writeFileSync(join(dir, 's'), writeStatusSheet(shell));
  mkdirSync(join(dir, 'grades'));
  for (const [name, text] of Object.entries(writeGrades(shell)))
    writeFileSync(join(dir, 'grades', name), text as string);
  const second = await readShell({
    ...inputs,
    package: file('p'),
    events: inputs.events && file('e'),
    status: inputs.status && file('s'),
    roster: inputs.roster && file('grades'),
  });
  if (!second.ok) throw new Error(second.trouble.message);
  second.value.archive.close();
  return [shell, second.value.shell];
}
const byPath = <T extends { path: string }>(list: readonly T[]) =>
  [...list].sort((a, b) => (a.path < b.path ? -1 : 1));
/** Everything but the order of entries in the zip, which the writer makes alphabetical, and the version that it writes. */
const comparable = (shell: Shell) => ({
  ...shell,
  entries: byPath(shell.entries),
  files: byPath(shell.files),
  frame: { ...shell.frame, version: '' },
});
const side = (name: string, text: string) => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return { path, name };
};
const written = async (name: string, composer: ShellComposer) => {
  const path = join(folder, `${name}.imscc`);
  await composer.write(path);
  return { path, name: `${name}.imscc` };
};
const about = {
  today,
  asOf: today,
  termStart: '2027-01-11' as LocalDate,
  termEnd: '2027-05-07' as LocalDate,
};

describe('writing then reading gives the same shell', () => {
  test('HYD 214, with calendar and status sheet', async () => {
    const composer = buildHyd214();
    const inputs = {
      ...about,
      package: await written('hyd', composer),
      events: side('e.ics', springCalendar()),
      previousEvents: side('p.ics', autumnCalendar()),
      status: side('s.csv', writeStatusSheet(composer.shell())),
      code: 'HYD 214',
    };
    const [first, second] = await twice(inputs);
    expect(first.items.length).toBe(345);
    expect(comparable(second)).toEqual(comparable(first));
  });
  test('GEO 130, a content package with a roster', async () => {
    const roster = await makeZip(join(folder, 'roster.zip'), geo130Roster());
    const [first, second] = await twice({
      ...about,
      package: await written('geo', buildGeo130()),
      roster: { path: roster, name: 'roster.zip' },
      code: 'GEO 130',
    });
    expect([
      first.gradeCategories.length,
      first.gradeColumns.length,
      first.banks.length,
      first.frame.format,
    ]).toEqual([11, 20, 1, 'content-packaging']);
    expect(comparable(second)).toEqual(comparable(first));
  });
  test('HYD 214-E against the template', async () => {
    const [first, second] = await twice({
      ...about,
      package: await written('evening', buildHyd214E()),
      baseline: await written('template', buildTemplate()),
      code: 'HYD 214-E',
    });
    expect(first.baseline?.items.length).toBe(4);
    expect(comparable(second)).toEqual(comparable(first));
  });
});

test('the manifests of all demo shells keep to the Content Packaging schema', async () => {
  for (const composer of [buildHyd214(), buildGeo130(), buildHyd214E(), buildTemplate()])
    expect(await packagingErrors(writeManifest(composer.shell()))).toEqual([]);
});

const word = fc.constantFrom(
  'Gauge',
  'Week',
  'Ä & <b>',
  '“quoted”',
  'riffle',
  '日本',
  "it's",
  'a  b',
  '100 %',
  'näive',
);
const title = fc.array(word, { minLength: 1, maxLength: 4 }).map((w) => w.join(' ').replace(/\s+/g, ' '));
const moment = fc.option(
  fc
    .integer({ min: 1, max: 28 })
    .map((d) => `2027-02-${String(d).padStart(2, '0')}T23:59:59` as LocalDateTime),
  { nil: null },
);
const thing = fc.record({
  kind: fc.constantFrom(
    'module',
    'page',
    'discussion',
    'assignment',
    'quiz',
    'web-link',
    'file',
    'heading',
    'bank',
    'foreign',
  ),
  title,
  text: fc.array(word, { maxLength: 8 }),
  due: moment,
  shown: fc.constantFrom(true, false, null),
  points: fc.option(fc.integer({ min: 0, max: 100 }), { nil: null }),
  deep: fc.boolean(),
  work: fc.option(fc.integer({ min: 0, max: 30 }), { nil: null }),
});

test('property: any composed shell reads back as it was made', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(thing, { maxLength: 14 }), fc.boolean(), async (things, packaging) => {
      const c = new ShellComposer({
        ref: shellRef('generated'),
        code: 'GEN 1',
        title: 'Generated',
        asOf: today,
        ...(packaging
          ? {
              frame: {
                format: 'content-packaging',
                version: '1.1',
                title: '',
                metadataXml: [],
                organizationId: 'o',
                rootItemId: null,
                prefixes: {},
                extraXml: [],
              },
            }
          : {}),
      });
      let parent: string | null = null;
      things.forEach((t, n) => {
        const placing = {
          ref: `i${n}`,
          parent: t.deep ? parent : null,
          shown: t.shown,
          due: t.due,
          studentWork: t.work,
        };
        const html = `<p>${t.text.join(' ').replace(/&/g, '&amp;').replace(/</g, '&lt;')}</p>`;
        const plainTitle = t.title.replace(/&/g, '&amp;').replace(/</g, '&lt;');
        if (t.kind === 'module') parent = c.module(t.title, { ...placing, parent: null });
        else if (t.kind === 'heading') c.heading(t.title, placing);
        else if (t.kind === 'page')
          c.page(t.title, `<html><head><title>${plainTitle}</title></head><body>${html}</body></html>`, {
            ...placing,
            outside: !t.deep && n % 2 === 0,
          });
        else if (t.kind === 'discussion') c.discussion(t.title, html, placing);
        else if (t.kind === 'assignment') c.assignment(t.title, html, t.points, placing);
        else if (t.kind === 'quiz')
          c.quiz(
            t.title,
            [{ stem: html, answers: [t.title, 'no'], right: 0, points: t.points ?? 1 }],
            placing,
          );
        else if (t.kind === 'web-link')
          c.webLink(t.title, `https://example.org/?q=${n}&r=${encodeURIComponent(t.title)}`, placing);
        else if (t.kind === 'bank')
          c.bank(`bank-${n}`, [{ stem: html, answers: ['a', 'b'], right: 1, points: 1 }], `banks/b${n}.xml`);
        else if (t.kind === 'foreign') c.foreign('vendor/thing', `vendor/t${n}.xml`, '<x/>');
        else
          c.fileItem(
            t.title,
            c.file(`files/${n} ${t.title.replace(/[<>]/g, '')}.txt`, t.text.join(' ')),
            placing,
          );
      });
      const read = await readShell({ package: await written('generated', c), today, asOf: today });
      if (!read.ok) throw new Error(read.trouble.message);
      read.value.archive.close();
      const composed = c.shell();
      const outsideOnly = read.value.shell;
      expect(outsideOnly.items).toEqual(composed.items);
      expect(outsideOnly.contents).toEqual(composed.contents);
      expect(byPath(outsideOnly.files)).toEqual(byPath(composed.files));
      expect(byPath(outsideOnly.entries)).toEqual(byPath(composed.entries));
      expect(outsideOnly.banks).toEqual(composed.banks);
      // Equal shells give equal bytes.
      await c.write(join(folder, 'again.imscc'));
      expect(
        readFileSync(join(folder, 'again.imscc')).equals(readFileSync(join(folder, 'generated.imscc'))),
      ).toBe(true);
    }),
    { numRuns: 150, seed: 20270104 },
  );
});
