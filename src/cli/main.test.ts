import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { item, makeZip, manifest } from '@/services/__tests__/make-package';
import { previewAddSchema } from '@/formats/report/preview-add';
import { auditSchema, auditsSchema } from '@/formats/report/audit-json';
import { auditPackages } from '@/services/do/packages/audit-packages';
import { dayList } from './shell-options';
import { runHere } from './__tests__/run-here';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-cli-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const run = runHere;

const page = (title: string) =>
  `<html><head><title>${title}</title></head><body><p>${title}: what we measure at the weir, and how to write it down.</p></body></html>`;
const resource = (id: string, href: string) =>
  `<resource identifier="${id}" type="webcontent" href="${href}"><file href="${href}"/></resource>`;
function rosterFolder(): string {
  const roster = join(folder, 'roster');
  mkdirSync(roster, { recursive: true });
  writeFileSync(
    join(roster, 'categories.csv'),
    'sourcedId,status,dateLastModified,title,weight\nk1,active,,Labs,40\nk2,active,,Imported,\n',
  );
  writeFileSync(
    join(roster, 'lineItems.csv'),
    'sourcedId,status,dateLastModified,title,categorySourcedId,resultValueMax\nc1,active,,Lab 1,k1,10\n',
  );
  return roster;
}
/** Two pages, a file that one of them uses and a file that nothing uses. */
const course = (name = 'course.imscc') =>
  makeZip(join(folder, name), {
    'imsmanifest.xml': manifest(
      item('a', 'Weir', 'r-a') + item('b', 'Gauge', 'r-b'),
      resource('r-a', 'a.html') +
        resource('r-b', 'b.html') +
        resource('r-c', 'left.bin') +
        resource('r-d', 'used.bin'),
    ),
    'a.html': page('Weir').replace('</p>', ', see <a href="used.bin">the table</a></p>'),
    'b.html': page('Gauge'),
    'left.bin': 'nobody links here',
    'used.bin': 'a page links here',
  });

describe('audit', () => {
  test('JSON keeps to its schema, and is the same bytes twice without the timing', async () => {
    const path = await course();
    const term = ['--term-start', '2027-01-11', '--term-end', '2027-05-07'];
    const first = await run(
      'audit',
      path,
      '--format',
      'json',
      '--as-of',
      '2027-01-04',
      '--no-timing',
      ...term,
    );
    const second = await run(
      'audit',
      path,
      '--format',
      'json',
      '--as-of',
      '2027-01-04',
      '--no-timing',
      ...term,
    );
    expect(first.code).toBe(0);
    expect(second.out).toBe(first.out);
    const audit = auditSchema.parse(JSON.parse(first.out));
    expect(audit.timing).toBeUndefined();
    expect(audit.findings.map((f) => [f.check, f.subjects[0]?.ref])).toEqual([
      ['orphan.unused-file', 'left.bin'],
      ['readiness.no-syllabus', 'man1'],
    ]);
    expect(auditSchema.parse(JSON.parse((await run('audit', path, '--format', 'json')).out)).timing).toEqual({
      readMs: expect.any(Number),
      auditMs: expect.any(Number),
    });
  });
  test.each([
    ['text', /3 findings/],
    ['csv', /^id,check,/],
    ['html', /^<!doctype html>/i],
  ])('%s', async (format, looks) => {
    const { code, out } = await run('audit', await course(), '--format', format);
    expect([code, looks.test(out)]).toEqual([0, true]);
  });
  test('--out writes a file and prints nothing', async () => {
    const out = join(folder, 'audit.json');
    expect(await run('audit', await course(), '--format', 'json', '--out', out)).toEqual({
      code: 0,
      out: '',
      err: '',
    });
    expect(auditSchema.safeParse(JSON.parse(readFileSync(out, 'utf8'))).success).toBe(true);
  });
  test('every flag is taken, and what it says is used', async () => {
    const events = join(folder, 'e.ics');
    writeFileSync(
      events,
      'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Currycomb//test//EN\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\nDTSTART:20270304T100000Z\r\nSUMMARY:Field day\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n',
    );
    const status = join(folder, 's.csv');
    writeFileSync(status, 'ref,visible\na,no\n');
    const rules = join(folder, 'rules.json');
    writeFileSync(rules, JSON.stringify({ schema: 'currycomb.house-rules/1' }));
    const { code, out, err } = await run(
      'audit',
      await course(),
      '--events',
      events,
      '--previous-events',
      events,
      '--previous-term-start',
      '2025-08-25',
      '--previous-term-end',
      '2025-12-12',
      '--code',
      'X 1',
      '--roster',
      rosterFolder(),
      '--status',
      status,
      '--house-rules',
      rules,
      '--baseline',
      await course('base.imscc'),
      '--baseline-is',
      'template',
      '--term-start',
      '2027-01-11',
      '--term-end',
      '2027-05-07',
      '--no-class',
      '2027-03-15..2027-03-19,2027-04-02',
      '--time-zone',
      'Europe/Dublin',
      '--as-of',
      '2027-01-04',
      '--format',
      'json',
    );
    expect([code, err]).toEqual([0, '']);
    const audit = auditSchema.parse(JSON.parse(out));
    expect(audit.shell).toMatchObject({
      code: 'X 1',
      asOf: '2027-01-04',
      term: { start: '2027-01-11', end: '2027-05-07' },
    });
    expect(audit.shell.counts.events).toBe(1);
    expect(audit.shell.counts).toMatchObject({ gradeCategories: 2, gradeColumns: 1 });
  });
  test('days without class reach the calendar checks', async () => {
    expect(dayList('2027-03-15..2027-03-17,2027-04-02')).toEqual([
      '2027-03-15',
      '2027-03-16',
      '2027-03-17',
      '2027-04-02',
    ]);
    expect(() => dayList('2027-03-17..2027-03-15')).toThrow('ends before it begins');
    const { code, err } = await run('audit', await course(), '--no-class', '2027-02-30');
    expect([code, err]).toEqual([2, expect.stringContaining('“2027-02-30” is no day')]);
  });
  test('the term and its free days come from the house rules where nobody said them, and the text says so', async () => {
    const rules = join(folder, 'terms.json');
    writeFileSync(
      rules,
      JSON.stringify({
        terms: [
          { title: 'Autumn 2027', start: '2027-08-30', end: '2027-12-17' },
          { title: 'Spring 2027', start: '2027-01-11', end: '2027-05-07', noClass: ['2027-03-15'] },
        ],
      }),
    );
    const audited = async (...more: string[]) =>
      auditSchema.parse(
        JSON.parse(
          (
            await run(
              'audit',
              await course(),
              '--format',
              'json',
              '--house-rules',
              rules,
              '--as-of',
              '2027-01-04',
              ...more,
            )
          ).out,
        ),
      );
    const audit = await audited();
    expect(audit.shell.term).toEqual({ start: '2027-01-11', end: '2027-05-07' });
    expect(audit.findings.map((f) => f.check)).not.toContain('readiness.term-dates');
    expect(audit.intake.find((n) => n.code === 'term-of-the-house')?.message).toMatch(
      /“Spring 2027” of the house rules.*the first that is not over on 4 January 2027/,
    );
    // What is said on the command line goes first.
    expect((await audited('--term-start', '2027-02-01', '--term-end', '2027-06-01')).shell.term).toEqual({
      start: '2027-02-01',
      end: '2027-06-01',
    });
  });
  test.each([
    [
      [{ title: 'Spring', start: '2027-05-07', end: '2027-01-11' }],
      /terms\.0\.end: the term “Spring” ends on 2027-01-11, before it begins on 2027-05-07/,
    ],
    [[{ title: ' ', start: '2027-01-11', end: '2027-05-07' }], /terms\.0\.title: a term needs a title/],
    [[{ title: 'Spring', start: '2027-02-30', end: '2027-05-07' }], /"2027-02-30" is no day/],
  ])('a term that makes no sense is refused: %j', async (terms, says) => {
    const rules = join(folder, 'odd-terms.json');
    writeFileSync(rules, JSON.stringify({ terms }));
    const { code, err } = await run('audit', await course(), '--house-rules', rules);
    expect([code, err]).toEqual([3, expect.stringMatching(says)]);
  });
  test('--fail-on fix-first is 0 where nothing is that urgent, 1 where something is', async () => {
    const term = ['--term-start', '2027-01-11', '--term-end', '2027-05-07'];
    expect((await run('audit', await course(), '--fail-on', 'fix-first', ...term)).code).toBe(0);
    const rules = join(folder, 'strict.json');
    writeFileSync(rules, JSON.stringify({ checks: { 'orphan.unused-file': { urgency: 'fix-first' } } }));
    expect((await run('audit', await course(), '--fail-on', 'fix-first', '--house-rules', rules)).code).toBe(
      1,
    );
  });
  test('bad usage is 2, with a sentence', async () => {
    for (const [args, says] of [
      [[], /Usage/],
      [['audit'], /missing required argument/],
      [['audit', 'x.imscc', '--format', 'yaml'], /one of json, csv, html, text/],
      [['audit', 'x.imscc', '--surprise'], /unknown option/],
      [['audit', 'x.imscc', '--time-zone', 'Mars/Base'], /no time zone/],
      [['audit', 'x.imscc', '--baseline-is', 'mine'], /either supplied or template/],
      [['polish'], /unknown command/],
    ] as const) {
      const { code, err } = await run(...args);
      expect([args, code, says.test(err)]).toEqual([args, 2, true]);
    }
  });
  test('unreadable input is 3, with one line', async () => {
    const text = join(folder, 'text.imscc');
    writeFileSync(text, 'not a zip');
    const odd = join(folder, 'odd.json');
    writeFileSync(odd, '{"termz": []}');
    for (const args of [
      ['audit', join(folder, 'nowhere.imscc')],
      ['audit', text],
      ['audit', await course(), '--house-rules', odd],
      ['audit', await course(), '--events', text],
    ]) {
      const { code, out, err } = await run(...args);
      expect([code, out]).toEqual([3, '']);
      expect(err).toMatch(/^currycomb: [^\n]+\n$/);
    }
  });
});

describe('audit of several packages', () => {
  const term = [
    '--term-start',
    '2027-01-11',
    '--term-end',
    '2027-05-07',
    '--as-of',
    '2027-01-04',
    '--no-timing',
  ];
  test('one table, in the order given, each report into a folder', async () => {
    const out = join(folder, 'reports');
    const { code, out: text } = await run(
      'audit',
      await course('one.imscc'),
      await course('two.imscc'),
      ...term,
      '--out-dir',
      out,
    );
    expect(code).toBe(0);
    expect(
      text
        .split('\n')
        .filter((l) => l.includes('imscc'))
        .map((l) => l.includes('one')),
    ).toEqual([true, false]);
    expect(readdirSync(out).sort()).toEqual(['one.txt', 'two.txt']);
    expect(readFileSync(join(out, 'two.txt'), 'utf8')).toMatch(/2 findings/);
  });
  test.each([
    ['json', (text: string) => auditsSchema.parse(JSON.parse(text)).packages.length === 2],
    ['csv', (text: string) => /^Package,Code,Title/.test(text) && text.trim().split(/\r?\n/).length === 3],
    ['html', (text: string) => /^<!doctype html>/i.test(text) && (text.match(/<tr>/g) ?? []).length === 3],
  ] as const)('as %s', async (format, fits) => {
    expect(
      fits(
        (
          await run(
            'audit',
            await course('one.imscc'),
            await course('two.imscc'),
            '--format',
            format,
            ...term,
          )
        ).out,
      ),
    ).toBe(true);
  });
  test('one that can’t be read does not hold up the others, and is exit 3', async () => {
    writeFileSync(join(folder, 'no.imscc'), 'no zip');
    const { code, out, err } = await run(
      'audit',
      await course('one.imscc'),
      join(folder, 'no.imscc'),
      ...term,
    );
    expect([
      code,
      /one\.imscc/.test(out),
      /could not be read/.test(out),
      err.trim().split('\n').length,
    ]).toEqual([3, true, true, 1]);
  });
  test('side files stand beside a package under its name; those of one shell can’t be given for several', async () => {
    const path = await course('with-events.imscc');
    writeFileSync(
      join(folder, 'with-events.events.ics'),
      'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:e\r\nDTSTAMP:20250101T000000Z\r\nDTSTART:20250901T100000Z\r\nSUMMARY:Old\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n',
    );
    const { out } = await run('audit', path, await course('one.imscc'), '--format', 'json', ...term);
    const [first] = auditsSchema.parse(JSON.parse(out)).packages;
    expect(first && 'audit' in first && first.audit.findings.map((f) => f.check)).toContain(
      'calendar.outside-term',
    );
    const refused = await run('audit', path, path, '--events', join(folder, 'with-events.events.ics'));
    expect([refused.code, refused.err]).toEqual([2, expect.stringMatching(/--events belongs to one shell/)]);
  });
  test('one thread and four give the same bytes', async () => {
    const worker = join(process.cwd(), 'dist/workers/audit.mjs');
    const inputs = await Promise.all(
      ['a', 'b', 'c', 'd', 'e'].map(async (n) => ({ path: await course(`${n}.imscc`), name: `${n}.imscc` })),
    );
    const orders = inputs.map((p) => ({
      inputs: { package: p, today: '2027-01-04' as never },
      format: 'json' as const,
      timing: false,
    }));
    const one = await auditPackages(orders, { workerFile: worker, count: 1 });
    const four = await auditPackages(orders, { workerFile: worker, count: 4 });
    expect(JSON.stringify(four)).toBe(JSON.stringify(one));
    expect(four.every((r) => r.ok)).toBe(true);
  });
});

describe('clean', () => {
  test('writes all the files of a cleaning, and a plan that can be used again on the same package', async () => {
    const out = join(folder, 'clean');
    const { code, out: said } = await run(
      'clean',
      await course(),
      '--accept',
      'orphan.unused-file',
      '--out-dir',
      out,
      '--format',
      'json',
    );
    expect(code).toBe(0);
    expect(JSON.parse(said)).toMatchObject({
      schema: 'currycomb.clean/1',
      removed: { items: 0, files: 1 },
      before: { 'orphan.unused-file': 1 },
      caused: [],
    });
    expect(readdirSync(out).sort()).toEqual(['plan.json', 'report.html', 'shell.imscc', 'summary.json']);
    const again = join(folder, 'clean-by-plan');
    expect(
      (await run('clean', await course(), '--plan', join(out, 'plan.json'), '--out-dir', again)).code,
    ).toBe(0);
    expect(readFileSync(join(again, 'shell.imscc'))).toEqual(readFileSync(join(out, 'shell.imscc')));
    const other = await run(
      'clean',
      join(out, 'shell.imscc'),
      '--plan',
      join(out, 'plan.json'),
      '--out-dir',
      join(folder, 'never'),
    );
    expect([other.code, other.err]).toEqual([
      3,
      expect.stringMatching(/made for another state of this shell: contents, files differ/),
    ]);
    expect(existsSync(join(folder, 'never'))).toBe(false);
  });
  test('a roster that was given is written as grade tables, and reads back equal', async () => {
    const out = join(folder, 'with-grades');
    expect(
      (
        await run(
          'clean',
          await course(),
          '--roster',
          rosterFolder(),
          '--accept',
          'orphan.unused-file',
          '--out-dir',
          out,
        )
      ).code,
    ).toBe(0);
    expect(readdirSync(join(out, 'grades')).sort()).toEqual([
      'categories.csv',
      'lineItems.csv',
      'manifest.csv',
    ]);
    const counts = async (roster: string) =>
      auditSchema.parse(
        JSON.parse(
          (await run('audit', join(out, 'shell.imscc'), '--roster', roster, '--format', 'json')).out,
        ),
      ).shell.counts;
    expect(await counts(join(out, 'grades'))).toEqual(await counts(rosterFolder()));
  });
  test('a folder that is not empty is refused, a dry run writes nothing', async () => {
    expect(await run('clean', await course(), '--accept', 'safe', '--out-dir', folder)).toMatchObject({
      code: 2,
      err: expect.stringMatching(/empty/),
    });
    const { code, out } = await run('clean', await course(), '--accept', 'orphan.unused-file', '--dry-run');
    expect([code, out]).toEqual([0, expect.stringContaining('Nothing was written.')]);
  });
  test('an unknown check names the nearest one', async () => {
    expect(await run('clean', await course(), '--accept', 'orphan.unused-fil', '--dry-run')).toMatchObject({
      code: 2,
      err: expect.stringContaining('nearest one is orphan.unused-file'),
    });
    expect((await run('clean', await course(), '--dry-run')).code).toBe(2);
  });
  test('a blocked step is 4, and nothing is written', async () => {
    const path = await course();
    const summaryDir = join(folder, 'base');
    await run('clean', path, '--accept', 'orphan.unused-file', '--out-dir', summaryDir);
    const plan = JSON.parse(readFileSync(join(summaryDir, 'plan.json'), 'utf8')) as {
      steps: { action: string; targets: string[]; params: object; from: string }[];
    };
    const blocked = join(folder, 'blocked.json');
    // A page that stays links to this file.
    writeFileSync(
      blocked,
      JSON.stringify({
        ...plan,
        steps: [{ action: 'delete', targets: ['used.bin'], params: {}, from: 'hand' }],
      }),
    );
    const out = join(folder, 'blocked-out');
    expect(await run('clean', path, '--plan', blocked, '--out-dir', out)).toMatchObject({
      code: 4,
      err: expect.stringMatching(/^currycomb: blocked: [^\n]+\n$/),
    });
    expect(existsSync(out)).toBe(false);
    expect((await run('clean', path, '--plan', blocked, '--out-dir', out, '--leave-blocked')).code).toBe(0);
  });
});

describe('preview-add', () => {
  test('the same package brings nothing new; JSON keeps to its schema', async () => {
    const path = await course();
    const { code, out } = await run(
      'preview-add',
      path,
      '--into',
      await course('other.imscc'),
      '--format',
      'json',
    );
    expect(code).toBe(0);
    const preview = previewAddSchema.parse(JSON.parse(out));
    expect(preview.counts).toEqual({ new: 0, there: 4, differs: 0, doubled: 0 });
    expect((await run('preview-add', path, '--into', path)).out).toContain('Nothing in it is new.');
  });
  test('into an empty shell everything used is proposed', async () => {
    const empty = await makeZip(join(folder, 'empty.imscc'), { 'imsmanifest.xml': manifest('', '') });
    const { out } = await run('preview-add', await course(), '--into', empty, '--format', 'json');
    expect(
      previewAddSchema
        .parse(JSON.parse(out))
        .things.filter((t) => t.proposed)
        .map((t) => t.ref),
    ).toEqual(['a', 'b', 'used.bin']);
    expect((await run('preview-add', await course(), '--into', empty)).out).toMatch(/\+ page: Weir/);
  });
  test('each of the two packages is named where it can’t be read', async () => {
    const path = await course();
    expect(await run('preview-add', path, '--into', join(folder, 'nowhere.imscc'))).toMatchObject({
      code: 3,
      err: expect.stringMatching(/^currycomb: The shell: .*nowhere/),
    });
    expect(await run('preview-add', join(folder, 'nowhere.imscc'), '--into', path)).toMatchObject({
      code: 3,
    });
    expect((await run('preview-add', path)).code).toBe(2);
  });
});

test('help is no error', async () => {
  expect(await run('--help')).toMatchObject({ code: 0, out: expect.stringContaining('audit') });
  expect(await run('clean', '--help')).toMatchObject({
    code: 0,
    out: expect.stringContaining('--leave-blocked'),
  });
});
