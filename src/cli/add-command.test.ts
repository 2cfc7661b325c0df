import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { addReportSchema, type AddReport } from '@/formats/report/add-report';
import { runHere as run } from './__tests__/run-here';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-add-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const [source, target] = [join(folder, 'autumn.imscc'), join(folder, 'spring.imscc')];
const status = join(folder, 'autumn.csv');
const events = join(folder, 'autumn.ics');
beforeAll(async () => {
  const autumn = new ShellComposer({ ref: 'autumn' as never, title: 'Birds, autumn' });
  for (const n of [1, 2, 3]) {
    autumn.module(`Week ${n}`, { ref: `a${n}` });
    autumn.page(
      `Birds ${n}`,
      `<p>The birds of week ${n} are these, and nobody knows them yet.</p><img src="${n}.png">`,
      {
        ref: `birds${n}`,
        parent: `a${n}`,
        path: `birds${n}.html`,
      },
    );
    autumn.assignment(`Count ${n}`, `<p>Count the birds of week ${n} at the marsh.</p>`, 10, {
      ref: `count${n}`,
      parent: `a${n}`,
    });
    autumn.file(`${n}.png`, `picture ${n}`);
  }
  autumn.page('Quiz 1 answer key', '<p>The heron, the rail, the bittern and the crane.</p>', { ref: 'key' });
  autumn.file('left.txt', 'nobody uses this');
  await autumn.write(source);
  const spring = new ShellComposer({ ref: 'spring' as never, title: 'Birds, spring' });
  spring.module('Week 1: Begin', { ref: 's1' });
  spring.page('Birds 1', '<p>Other words about the birds of the first week.</p>', {
    ref: 'own',
    parent: 's1',
  });
  await spring.write(target);
  writeFileSync(status, 'ref,due,visible\ncount1,2026-09-07T12:00:00,\ncount2,2026-09-14T12:00:00,no\n');
  const event = (uid: string, day: string) =>
    `BEGIN:VEVENT\r\nUID:${uid}\r\nDTSTAMP:20260801T000000Z\r\nDTSTART:${day}T090000\r\nSUMMARY:Walk ${uid}\r\nEND:VEVENT\r\n`;
  writeFileSync(
    events,
    `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//currycomb test//EN\r\n${event('w1', '20260908')}END:VCALENDAR\r\n`,
  );
});

const terms = [
  '--source-term-start',
  '2026-08-31',
  '--source-term-end',
  '2026-12-18',
  '--term-start',
  '2027-01-11',
  '--term-end',
  '2027-05-07',
];
const about = ['--source-status', status, ...terms, '--as-of', '2027-01-04'];
const add = async (...flags: string[]) => {
  const result = await run('add', source, '--into', target, ...about, ...flags, '--format', 'json');
  return { ...result, json: result.out === '' ? null : addReportSchema.parse(JSON.parse(result.out)) };
};
const thing = (json: AddReport | null, ref: string) => json?.things.find((one) => one.ref === ref);
let folders = 0;
const outDir = () => join(folder, `out-${(folders += 1)}`);

test('it says of everything what it is to the shell and what would become of it, and writes nothing', async () => {
  const before = readdirSync(folder);
  const { code, json } = await add('--dates', 'week-and-weekday');
  expect(code).toBe(0);
  expect(json?.counts).toEqual({
    new: 12,
    there: 1,
    differs: 1,
    doubled: 0,
    proposed: 7,
    taken: 9,
    replaced: 0,
    brokenLinks: 0,
  });
  expect(json?.from.term).toEqual({ start: '2026-08-31', end: '2026-12-18', inferred: false });
  expect(thing(json, 'a1')).toMatchObject({ standing: 'there', counterpart: 's1', taken: null });
  expect(thing(json, 'birds1')).toMatchObject({ standing: 'differs', counterpart: 'own', taken: null });
  expect(thing(json, 'a2')).toMatchObject({ proposed: false, taken: 'needed', for: ['birds2', 'count2'] });
  expect(thing(json, '2.png')).toMatchObject({ taken: 'needed', for: ['birds2'] });
  expect(thing(json, 'key')).toMatchObject({ leftOut: 'key', taken: null, landed: null });
  expect(thing(json, 'left.txt')).toMatchObject({ leftOut: 'unused' });
  expect(thing(json, 'count1')).toMatchObject({
    landed: { ref: 'count1', module: 's1', after: 'own', hidden: false },
    dates: [{ field: 'due', old: '2026-09-07T12:00:00', new: '2027-01-18T12:00:00', warnings: [] }],
  });
  expect(thing(json, 'count2')?.landed?.hidden).toBe(true);
  expect(readdirSync(folder)).toEqual(before);
  const text = await run('add', source, '--into', target, ...about);
  expect(text.out).toContain('New: 12, Differs: 1, A second copy: 0, Already there: 1');
  expect(text.out).toContain('  page: Quiz 1 answer key: named as an answer key, and students would see it');
  expect(text.out).toMatch(/\nNothing was written\.\n$/);
});

test('what is written has the refs that were said, and the same source again proposes nothing', async () => {
  const out = outDir();
  const { code, json } = await add('--source-events', events, '--and', 'w1', '--out-dir', out);
  expect(code).toBe(0);
  expect(JSON.parse(readFileSync(join(out, 'summary.json'), 'utf8'))).toEqual(json);
  expect(readdirSync(out).sort()).toEqual([
    'events.ics',
    'plan.json',
    'report.html',
    'shell.imscc',
    'status.csv',
    'summary.json',
  ]);
  const sides = ['--status', join(out, 'status.csv'), '--events', join(out, 'events.ics')];
  const written = join(out, 'shell.imscc');
  const again = await run(
    'add',
    source,
    '--into',
    written,
    ...sides,
    '--source-events',
    events,
    ...about,
    '--format',
    'json',
  );
  const second = addReportSchema.parse(JSON.parse(again.out));
  expect(second.counts).toMatchObject({ proposed: 0, taken: 0 });
  for (const one of json?.things ?? []) {
    if (one.landed === null || one.kind === 'module') continue;
    expect([one.ref, thing(second, one.ref)?.standing]).toEqual([one.ref, 'there']);
    expect(thing(second, one.ref)?.counterpart).toBe(one.landed.ref);
  }
});

test('without a calendar, a sheet or grade tables none is written for which there is nothing', async () => {
  const out = outDir();
  const flags = ['--take', 'none', '--and', 'birds3', '--out-dir', out];
  expect((await run('add', source, '--into', target, ...terms, ...flags)).code).toBe(0);
  expect(readdirSync(out).sort()).toEqual(['plan.json', 'report.html', 'shell.imscc', 'summary.json']);
});

test.each<[string, string[], RegExp]>([
  ['a ref that is not there', ['--and', 'nobody'], /nothing with the ref “nobody” in the source/],
  ['taken and left out', ['--and', 'key', '--leave', 'key'], /“key” can’t be both taken and left out/],
  ['nothing to replace', ['--replace', 'birds2'], /no counterpart with other content/],
  ['a place that is not there', ['--place', 'in:nowhere'], /nothing with the ref “nowhere” in the outline/],
  ['a place that is no module', ['--place', 'in:own'], /“Birds 1” is no module/],
  ['no place at all', ['--place', 'somewhere'], /“somewhere” is no place/],
  ['a kind that there is not', ['--kinds', 'pagse'], /There is no kind “pagse”; the nearest one is page/],
  ['a shift without days', ['--dates', 'shift'], /shift needs the number of days/],
  ['days without a shift', ['--days', '7'], /--days goes with --dates shift/],
  ['cleared events', ['--source-events', events, '--and', 'w1', '--dates', 'clear'], /An event needs a date/],
  ['a home page that is not taken', ['--home-page', 'birds1'], /“birds1” is not taken/],
])('%s is refused', async (_, flags, sentence) => {
  const out = outDir();
  const { code, err } = await add(...flags, '--out-dir', out);
  expect([code, err]).toEqual([2, expect.stringMatching(sentence)]);
  expect(existsSync(out)).toBe(false);
});

test('an answer key that students would see is held back, unless all lands hidden', async () => {
  const out = outDir();
  const { code, err } = await add('--and', 'key', '--out-dir', out);
  expect([code, err]).toEqual([4, expect.stringContaining('“Quiz 1 answer key” is named as an answer key')]);
  expect(existsSync(out)).toBe(false);
  const hidden = await add('--hidden');
  expect(thing(hidden.json, 'key')).toMatchObject({
    leftOut: null,
    taken: 'ticked',
    landed: { hidden: true },
  });
});

test('a folder with something in it is left alone', async () => {
  const { code, err } = await add('--out-dir', folder);
  expect([code, err]).toEqual([2, expect.stringContaining('is not empty')]);
});
