import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { emptyShell } from '@/core/shell/empty-shell';
import type { LocalDate } from '@/core/dates/local-date';
import { makeZip } from '@/services/__tests__/make-package';
import { applyRoster } from './apply-roster';
import { readRoster, type Roster } from './read-roster';
import { readRosterTables } from './read-tables';
import { writeGrades } from './write-grades';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-roster-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

// Columns after the OneRoster 1.1 and 1.2 CSV bindings (1EdTech), from memory of the standard.
const tables = {
  'academicSessions.csv':
    'sourcedId,status,dateLastModified,title,type,startDate,endDate,parentSourcedId,schoolYear\ny,active,,2026-27,schoolYear,2026-07-01,2027-06-30,,2027\ns0,active,,Autumn 2025,term,2025-08-25,2025-12-12,,2026\ns1,active,,Spring 2027,term,2027-01-11,2027-05-07,y,2027\ns2,tobedeleted,,Gone,term,2027-01-01,2027-01-02,,2027\nsx,active,,Broken,term,soon,later,,2027\n',
  'courses.csv':
    'sourcedId,status,dateLastModified,schoolYearSourcedId,title,courseCode\nc1,active,,y,Stream Ecology Field Methods,HYD 214\nc2,active,,y,Reading Maps,GEO 130\n',
  'classes.csv':
    'sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds\nk1,active,,Stream Ecology,,c1,HYD-214-1,scheduled,,o,s1\nk2,active,,Maps,,c2,GEO-130-1,scheduled,,o,s1\n',
  'enrollments.csv':
    'sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary\ne1,active,,k1,o,u1,teacher,true\ne2,active,,k1,o,u2,student,\ne3,active,,k1,o,u3,student,\ne4,active,,k2,o,u4,student,\ne5,tobedeleted,,k1,o,u5,student,\n',
  'categories.csv':
    'sourcedId,status,dateLastModified,title,weight\ng1,active,,Labs,60\ng2,active,,Imported,\ng3,active,,Map work,\n',
  'lineItems.csv':
    'sourcedId,status,dateLastModified,title,description,assignDate,dueDate,classSourcedId,categorySourcedId,gradingPeriodSourcedId,resultValueMin,resultValueMax\nl1,active,,"Lab 1, gauges",,2027-01-18,2027-01-29,k1,g1,s1,0,20\nl2,active,,Field day,,,,k1,nowhere,s1,0,\nl3,active,,Contours,,,,k2,g3,s1,0,10\n',
  'results.csv':
    'sourcedId,status,dateLastModified,lineItemSourcedId,studentSourcedId,scoreStatus,score\nr1,active,,l1,u2,fully graded,18\nr2,active,,l1,u3,fully graded,17\n',
  'users.csv': 'this file would hold names; "it is never opened\n',
};
const zip = (more: Record<string, string> = {}) =>
  makeZip(join(folder, 'roster.zip'), { ...tables, ...more });
const wanted = { code: 'HYD 214', asOf: '2027-01-04' as LocalDate };
async function read(path: string, want: Parameters<typeof readRoster>[1] = wanted): Promise<Roster> {
  const set = await readRosterTables(path, 'roster.zip');
  if (!set.ok) throw new Error(set.trouble.message);
  return readRoster(set.value.tables, want, 'roster.zip');
}

test('class, term, enrolments and grade setup of one class', async () => {
  const roster = await read(await zip());
  expect(roster).toMatchObject({
    code: 'HYD 214',
    title: 'Stream Ecology',
    term: { title: 'Spring 2027', start: '2027-01-11', end: '2027-05-07' },
    previousTerm: { title: 'Autumn 2025' },
    schoolYear: { title: '2026-27' },
  });
  expect(roster.enrolments).toEqual({ teacher: 1, student: 2 });
  // Map work is used by the other class only.
  expect(roster.gradeCategories.map((c) => [c.ref, c.weight])).toEqual([
    ['g1', 60],
    ['g2', null],
  ]);
  expect(roster.gradeColumns.map((c) => [c.title, c.category, c.points, c.results])).toEqual([
    ['Lab 1, gauges', 'g1', 20, 2],
    ['Field day', null, null, 0],
  ]);
  expect(roster.notes.map((n) => n.code).sort()).toEqual(['roster-category', 'roster-session']);
});

test('the class code does as well; an unknown one leaves people and columns out and says so', async () => {
  expect(
    (await read(await zip(), { ...wanted, code: 'geo-130-1' })).gradeColumns.map((c) => c.title),
  ).toEqual(['Contours']);
  const none = await read(await zip(), { ...wanted, code: 'BIO 355' });
  expect([none.gradeColumns, none.enrolments, none.notes.some((n) => n.code === 'roster-class')]).toEqual([
    [],
    {},
    true,
  ]);
});

test('without a class the term is the one that holds the day, else the next', async () => {
  const at = async (asOf: string) =>
    (await read(await zip({ 'classes.csv': 'sourcedId,title\n' }), { code: null, asOf: asOf as LocalDate }))
      .term?.title;
  expect([await at('2025-10-01'), await at('2026-02-01'), await at('2028-01-01')]).toEqual([
    'Autumn 2025',
    'Spring 2027',
    undefined,
  ]);
});

test('a folder and a zip with a folder in it give the same', async () => {
  const dir = mkdtempSync(join(folder, 'dir-'));
  for (const [name, text] of Object.entries(tables)) writeFileSync(join(dir, name), text);
  const inside = await makeZip(
    join(folder, 'inside.zip'),
    Object.fromEntries(Object.entries(tables).map(([name, text]) => [`export/${name}`, text])),
  );
  expect(await read(dir)).toEqual(await read(await zip()));
  expect(await read(inside)).toEqual(await read(await zip()));
});

test('grade setup is written as CSV and reads back equal, columns that nobody reads included', async () => {
  const roster = await read(await zip());
  const shell = applyRoster(emptyShell, roster, {});
  const dir = mkdtempSync(join(folder, 'out-'));
  const files = writeGrades(shell);
  for (const [name, text] of Object.entries(files)) writeFileSync(join(dir, name), text as string);
  expect(files['manifest.csv']).toContain('file.results,absent');
  const again = applyRoster(emptyShell, await read(dir), { l1: 2, l2: 0 });
  expect(again.gradeColumns).toEqual(shell.gradeColumns);
  expect(again.gradeCategories).toEqual(shell.gradeCategories);
  expect(again.gradeColumns[0]?.extra).toMatchObject({ dueDate: '2027-01-29', classSourcedId: 'k1' });
});

test.each([
  ['nothing of a roster', { 'a.txt': 'x' }, /holds none of the OneRoster tables/],
  ['a table without sourcedId', { 'classes.csv': 'id,title\n1,x\n' }, /has no column “sourcedId”/],
  [
    'a broken quotation',
    { 'classes.csv': 'sourcedId,title\n1,"x\n' },
    /is not a readable CSV file \(line \d+/,
  ],
] as const)('%s is one clear sentence', async (_, files, sentence) => {
  const set = await readRosterTables(await makeZip(join(folder, 'bad.zip'), files), 'bad.zip');
  expect(set.ok ? '' : set.trouble.message).toMatch(sentence);
});

test('a path that leads nowhere', async () => {
  const set = await readRosterTables(join(folder, 'nowhere'), 'nowhere');
  expect(set.ok ? '' : set.trouble.message).toBe('There is no folder or file “nowhere”; check the path.');
});
