import { ShellComposer } from '../cartridge/compose-shell';
import { applyStatusSheet } from './apply-status-sheet';
import { readStatusSheet } from './read-status-sheet';
import { writeCsv } from '../archive/write-csv';
import { writeStatusSheet } from './write-status-sheet';

function base() {
  const c = new ShellComposer();
  c.module('Week 1', { ref: 'm' });
  c.page('Gauge', '<p>x</p>', { ref: 'p', parent: 'm' });
  c.page('Twice', '<p>y</p>', { ref: 't1' });
  c.page('Twice', '<p>z</p>', { ref: 't2' });
  c.discussion('Talk', '<p>d</p>', { outside: true });
  c.file('files/map.pdf', 'pdf');
  return { ...c.shell(), timeZone: 'Europe/Dublin' };
}
const apply = (csv: string) => {
  const sheet = readStatusSheet(csv, 's.csv');
  if (!sheet.ok) throw new Error(sheet.trouble.message);
  const applied = applyStatusSheet(base(), sheet.value, 's.csv');
  const of = (ref: string) => applied.shell.items.find((i) => i.ref === ref)!;
  return { ...applied, of, codes: [...sheet.value.notes, ...applied.notes].map((n) => n.code) };
};

test('every column is understood, whatever the case', () => {
  const { of, shell, notes } = apply(
    'REF,Visible,opens,closes,due,points,grade_category,grade_column,created,modified,import_batch,readable_by,has_student_work,requires,group\r\n' +
      'p,HIDDEN,2027-01-11,2027-02-01,2027-01-29,12.5,Labs,Lab 1,2026-12-01T08:00:00Z,2026-12-02T08:00,copy 1,,3,m t1,g1 g2\r\n' +
      'files/map.pdf,,,,,,,,2025-08-01,,copy 1,STAFF,,,\r\n',
  );
  expect(notes).toEqual([]);
  expect(of('p')).toMatchObject({
    shown: false,
    opens: '2027-01-11T00:00:00',
    closes: '2027-02-01T23:59:59',
    due: '2027-01-29T23:59:59',
    points: 12.5,
    gradeCategory: 'Labs',
    gradeColumn: 'Lab 1',
    created: '2026-12-01T08:00:00',
    modified: '2026-12-02T08:00:00',
    batch: 'copy 1',
    studentWork: 3,
    requires: ['m', 't1'],
    groups: ['g1', 'g2'],
  });
  expect(shell.files[0]).toMatchObject({
    readableBy: 'staff',
    created: '2025-08-01T00:00:00',
    batch: 'copy 1',
  });
});
test('a file may be named by its resource, and its readers stand in the row of the item that shows it', () => {
  const { content } = base().files[0]!;
  expect(apply(`ref,readable_by\n${content},staff`).shell.files[0]).toMatchObject({ readableBy: 'staff' });
  expect(apply(`ref,readable_by\nresource:${content},staff`)).toMatchObject({
    shell: { files: [{ readableBy: 'staff' }] },
    codes: [],
  });
});
test('what a row says that its thing can’t have is left out and said', () => {
  const { notes } = apply('ref,readable_by,visible,due\np,staff,no,\nfiles/map.pdf,,no,2027-01-29\n');
  expect(notes.map(({ code, message }) => [code, message])).toEqual([
    ['cell-left-out', 'readable_by is about files, and “Gauge” is not one; the cell is left out'],
    [
      'cell-left-out',
      '“files/map.pdf” is a file and no item, so what the row says of visible, due is left out',
    ],
  ]);
});
test('offsets are brought to the shell’s clock', () =>
  expect(apply('ref,due\np,2027-06-01T10:00:00+00:00').of('p').due).toBe('2027-06-01T11:00:00'));
test('an empty cell means not known', () =>
  expect(apply('ref,visible,points\np,,').of('p')).toMatchObject({ shown: null, points: null }));
test('a byte-order mark, unknown columns and blank lines do no harm', () => {
  const { of, codes } = apply('\ufeffref,colour,visible\n\np,red,no\n');
  expect(of('p').shown).toBe(false);
  expect(codes).toEqual(['unknown-column']);
});
test('resources can be named with and without their mark, titles where they are the only one', () => {
  expect(apply('ref,visible\nr1,no').of('p').shown).toBe(false);
  expect(apply('ref,visible\nresource:r4,no').of('resource:r4').shown).toBe(false);
  expect(apply('ref,title,visible\n,gauge,no').of('p').shown).toBe(false);
  expect(apply('ref,title,readable_by\n,MAP.pdf,staff').shell.files[0]!.readableBy).toBe('staff');
});
test.each([
  ['ref,visible\nnobody,no', 'unknown-ref'],
  ['title,visible\nTwice,no', 'ambiguous-title'],
  ['title,visible\nNowhere,no', 'unknown-title'],
  ['ref,visible\np,maybe', 'unknown-value'],
  ['ref,due\np,next Tuesday', 'unknown-value'],
  ['ref,points\np,many', 'unknown-value'],
  ['ref,kind\np,spaceship', 'unknown-kind'],
  ['ref,kind\np,quiz', 'kind-differs'],
])('%j is reported as %s and changes nothing', (csv, code) => {
  const { shell, codes, notes } = apply(csv);
  expect(codes).toEqual([code]);
  expect(notes[0]!.where).toBe('s.csv, row 1');
  expect(shell.items).toEqual(base().items);
});
test('announcements, home pages, groups and banks are declared by their kind', () => {
  const { shell, of } = apply(
    'ref,title,kind,in_use\nresource:r4,,announcement,\np,,home-page,no\ng1,Group one,group,\nb1,Bank one,bank,\n',
  );
  expect(of('resource:r4').kind).toBe('announcement');
  expect(of('p').kind).toBe('page');
  expect(shell.homePages).toEqual([{ ref: 'p', title: 'Gauge', inUse: false }]);
  expect(shell.groups).toEqual([{ ref: 'g1', title: 'Group one' }]);
  expect(shell.banks).toEqual([{ ref: 'b1', title: 'Bank one', content: null }]);
});
test('what is written reads back the same', () => {
  const { shell } = apply(
    'ref,title,kind,visible,due,points,readable_by,import_batch,requires,group\np,,,no,2027-01-29,5,,"=cmd, ""x""",m,g1\nfiles/map.pdf,,,,,,staff,,,\ng1,Group,group,,,,,,,\n',
  );
  const csv = writeStatusSheet(shell);
  expect(csv).toContain(`"'=cmd, ""x"""`);
  const sheet = readStatusSheet(csv, 's');
  if (!sheet.ok) throw new Error(sheet.trouble.message);
  const again = applyStatusSheet(base(), sheet.value, 's');
  expect(again.shell).toEqual(shell);
  expect(again.notes).toEqual([]);
});
test('CSV: quotes, commas, line breaks (RFC 4180, section 2) and no formulas', () => {
  expect(writeCsv([['a"b', 'c,d', 'e\nf', '=1+1', '-5', '@x', '+4,5']])).toBe(
    `"a""b","c,d","e\nf",'=1+1,-5,'@x,"+4,5"\r\n`,
  );
});

test('columns under other names mean what was said of them', () => {
  const read = readStatusSheet('Item ID,Published,visible,Colour\na,no,yes,green\n', 'report.csv', {
    'item id': 'ref',
    published: 'visible',
    visible: null,
  });
  if (!read.ok) throw new Error(read.trouble.message);
  expect(read.value.rows).toEqual([{ row: 1, cells: { ref: 'a', visible: 'no' } }]);
  expect(read.value.notes.map((n) => n.message)).toEqual([
    'the column “colour” is not known and is left alone',
  ]);
});
