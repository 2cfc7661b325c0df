import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { resetSchema, type ResetJson } from '@/formats/report/reset-report';
import { runHere as run } from './__tests__/run-here';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-reset-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const path = join(folder, 'course.imscc');
const status = join(folder, 'status.csv');
beforeAll(async () => {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'week' });
  composer.page('Birds', '<a href="more.html">more</a><img src="heron.png">', {
    ref: 'birds',
    parent: 'week',
    path: 'birds.html',
  });
  composer.assignment('Count', '<p>count them</p>', 10, { ref: 'count', parent: 'week' });
  composer.page('More', '<p>more</p>', { ref: 'more', path: 'more.html' });
  composer.file('heron.png', 'picture');
  await composer.write(path);
  writeFileSync(status, 'ref,has_student_work\ncount,4\nbirds,0\nmore,0\n');
});
const about = () => [path, '--status', status, '--code', 'BIO 355', '--as-of', '2027-01-04'];
const reset = async (...flags: string[]) => {
  const result = await run('reset', ...about(), ...flags, '--format', 'json');
  const json = result.out === '' ? null : resetSchema.parse(JSON.parse(result.out));
  return { ...result, json };
};
const count = (json: ResetJson | null, name: string) => {
  const area = json?.areas.find((one) => one.area === name);
  return area && [area.before, area.after, area.returns];
};
let folders = 0;
const outDir = () => join(folder, `out-${(folders += 1)}`);

test('it says what would go, and writes nothing', async () => {
  const before = readdirSync(folder);
  const { code, err, json } = await reset();
  expect(code).toBe(0);
  expect(count(json, 'items')).toEqual([4, 0, 'gone for good']);
  expect(count(json, 'files')).toEqual([1, 0, 'returns']);
  expect(json?.areas.map(({ area }) => area)).not.toContain('groups');
  expect(err).toContain('1 thing with student work would be gone for good');
  expect(readdirSync(folder)).toEqual(before);
  const text = await run('reset', ...about());
  expect(text.out).toMatch(/Empty: 0 of 5 left\.\nNothing was written\./);
});

test('armed by the code and the number of things with student work, it empties the shell', async () => {
  const out = outDir();
  const { code, json } = await reset('--confirm', 'BIO 355', '--with-student-work', '1', '--out-dir', out);
  expect(code).toBe(0);
  expect(json?.left).toEqual([]);
  expect(JSON.parse(readFileSync(join(out, 'summary.json'), 'utf8'))).toEqual(json);
  const again = await run('audit', join(out, 'shell.imscc'), '--as-of', '2027-01-04', '--format', 'json');
  const { shell } = JSON.parse(again.out) as { shell: { code: string; counts: Record<string, number> } };
  expect(shell.counts).toMatchObject({ items: 0, files: 0 });
  expect(shell.code).toBe('BIO 355');
});

test('what is kept is there afterwards with what it needs, and its links lead nowhere broken', async () => {
  const out = outDir();
  const flags = ['--keep', 'birds', '--confirm', 'BIO 355', '--with-student-work', '1', '--out-dir', out];
  const { json } = await reset(...flags);
  expect(json).toMatchObject({ kept: ['birds'], left: [] });
  expect([...(json?.neededByKept ?? [])].sort()).toEqual(['heron.png', 'week']);
  expect(count(json, 'items')).toEqual([4, 2, 'gone for good']);
  const again = await run('audit', join(out, 'shell.imscc'), '--as-of', '2027-01-04', '--format', 'json');
  const audit = JSON.parse(again.out) as { findings: { check: string }[] };
  expect(audit.findings.filter(({ check }) => check === 'orphan.broken-link')).toEqual([]);
  // The plan that was done does the same to the same package.
  const replay = outDir();
  const plan = await run('clean', ...about(), '--plan', join(out, 'plan.json'), '--out-dir', replay);
  expect(plan.code).toBe(0);
  expect(readFileSync(join(replay, 'shell.imscc')).equals(readFileSync(join(out, 'shell.imscc')))).toBe(true);
});

test.each<[string, string[], number, RegExp]>([
  ['another code', ['--confirm', 'BIO 35', '--out-dir', 'X'], 2, /“BIO 35” is not the code of this shell/],
  ['a code without a folder', ['--confirm', 'BIO 355'], 2, /--out-dir/],
  ['a folder without the code', ['--out-dir', 'X'], 2, /only with --confirm/],
  [
    'student work that nobody spoke of',
    ['--confirm', 'BIO 355', '--out-dir', 'X'],
    4,
    /1 of the things that would go have student work.*--with-student-work 1/,
  ],
  [
    'a wrong number',
    ['--confirm', 'BIO 355', '--with-student-work', '3', '--out-dir', 'X'],
    4,
    /3 were said/,
  ],
  ['something to keep that is not there', ['--keep', 'nobody'], 2, /nothing with the ref “nobody”/],
  ['an area that nobody knows', ['--areas', 'item'], 2, /no area “item”; the nearest one is items/],
])('%s is refused in one sentence, and writes nothing', async (_, flags, code, sentence) => {
  const out = outDir();
  const result = await run('reset', ...about(), ...flags.map((flag) => (flag === 'X' ? out : flag)));
  expect([result.code, result.out]).toEqual([code, '']);
  expect(result.err).toMatch(sentence);
  expect(existsSync(out)).toBe(false);
});

test('areas that hold no student work need no number', async () => {
  const out = outDir();
  const { code, json } = await reset('--areas', 'files,events', '--confirm', 'BIO 355', '--out-dir', out);
  expect(code).toBe(0);
  expect(json?.areas.map(({ area }) => area)).toEqual(['files', 'events']);
});
