import fc from 'fast-check';
import { dayFromNumber, atTime, type LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { runWritten } from '@/core/plan/__tests__/written-plans';
import { readMoment, type DayOrder } from './read-moment';
import { readValue, type Reading } from './read-value';
import type { ValueEdit, ValueRow } from './value-row';
import { valueSteps } from './value-steps';
import { valuesOfShell } from './values-of-shell';

const usual = '23:59:00';
const said = (text: string, order: DayOrder = 'dmy') => {
  const moment = readMoment(text, order, usual);
  return moment.ok ? moment.value : null;
};

describe('a moment as people write it', () => {
  test.each<[string, DayOrder, string | null]>([
    ['2027-01-13', 'dmy', '2027-01-13T23:59:00'],
    ['2027-01-13T08:05:30', 'mdy', '2027-01-13T08:05:30'],
    ['13/1/2027', 'dmy', '2027-01-13T23:59:00'],
    ['1/13/2027 11:59 PM', 'mdy', '2027-01-13T23:59:00'],
    ['12:30 am is no day', 'mdy', null],
    ['1/13/2027, 12:30 a.m.', 'mdy', '2027-01-13T00:30:00'],
    ['Mi., 13.01.2027, 7:00', 'dmy', '2027-01-13T07:00:00'],
    ['13/1/27', 'dmy', null],
    ['31/2/2027', 'dmy', null],
    ['2027-01-13 25:00', 'dmy', null],
    ['2027-01-13 13:00 pm', 'dmy', null],
    ['next week', 'dmy', null],
  ])('%s (%s)', (text, order, expected) => {
    expect(said(text, order)).toBe(expected);
  });

  // Intl.DateTimeFormat (ECMA-402) spells; what it spells is read back.
  test.each<[string, DayOrder]>([
    ['en-GB', 'dmy'],
    ['en-US', 'mdy'],
    ['de-DE', 'dmy'],
    ['sv-SE', 'ymd'],
    ['en-CA', 'ymd'],
    ['fr-FR', 'dmy'],
  ])('what %s spells is read back', (locale, order) => {
    const format = new Intl.DateTimeFormat(locale, {
      weekday: 'short',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      timeZone: 'UTC',
    });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), fc.integer({ min: 0, max: 1439 }), (day, minute) => {
        const time = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}:00`;
        const moment = atTime(dayFromNumber(day), time);
        expect(said(format.format(new Date(`${moment}Z`)), order)).toBe(moment);
      }),
    );
  });
});

/** Two weeks with an assignment in each, a quiz, and a file. */
function termShell() {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'w1' });
  for (const n of [1, 2])
    composer.assignment(`Report ${n}`, '<p>do</p>', 10, {
      ref: `r${n}`,
      parent: 'w1',
      due: '2025-09-05T17:00:00' as LocalDateTime,
    });
  composer.page('Reading', '<p>text</p>', { ref: 'page', parent: 'w1', path: 'page.html' });
  return composer.shell();
}
const rowsOf = () => valuesOfShell(termShell());
const rowOf = (ref: string): ValueRow => {
  const row = rowsOf().find((one) => one.ref === ref);
  if (!row) throw new Error(`no ${ref}`);
  return row;
};
const reading: Reading = {
  order: 'dmy',
  categories: [
    { ref: 'c1', title: 'Reports' },
    { ref: 'c2', title: 'Quizzes' },
    { ref: 'c3', title: 'quizzes' },
  ],
};

describe('what is typed into a cell', () => {
  const graded: ValueRow = { ...rowOf('r1'), gradeColumn: 'g1', category: 'c2' };
  const filed: ValueRow = { ...rowOf('page'), file: 'map.pdf', readers: 'all' };
  const bound: ValueRow = { ...rowOf('r1'), requires: ['r2'], requiredTitles: ['Report 2'] };
  test.each<[string, ValueRow, Parameters<typeof readValue>[2], string, ValueEdit | RegExp]>([
    ['a day keeps the time', graded, 'due', '12/1/2027', { due: '2027-01-12T17:00:00' as never }],
    ['a first day of opening', graded, 'opens', '12/1/2027', { opens: '2027-01-12T00:00:00' as never }],
    ['nothing takes the date away', graded, 'due', ' ', { due: null }],
    ['points', graded, 'points', '12,5', { points: 12.5 }],
    ['no points', graded, 'points', '-1', /no number of points/],
    ['a category by its title', graded, 'category', ' reports', { category: 'c1' }],
    ['a category that is not there', graded, 'category', 'Labs', /no category “Labs”; there are “Reports”/],
    ['a category that stands twice', graded, 'category', 'quizzes', /2 categories/],
    ['shown', graded, 'students', 'Hidden', { students: 'hidden' }],
    ['neither shown nor hidden', graded, 'students', 'maybe', /write shown or hidden/],
    ['readers', filed, 'readers', 'Staff', { readers: 'staff' }],
    ['readers of nothing', graded, 'readers', 'staff', /no file/],
    ['points of a page', filed, 'points', '3', /no points of its own/],
    ['a cell that holds nothing emptied', filed, 'points', '', {}],
    ['requirements emptied', bound, 'requires', '', { requires: [] }],
    ['another requirement', bound, 'requires', 'Report 3', /taken away here/],
  ])('%s', (_, row, column, text, expected) => {
    const result = readValue(text, row, column, reading);
    if (expected instanceof RegExp) expect(result.ok ? '' : result.trouble).toMatch(expected);
    else expect(result).toEqual({ ok: true, edit: expected });
  });
});

test('changes of many items are one step of each sort, and the plan makes them so', () => {
  const shell = termShell();
  const rows = valuesOfShell(shell);
  const edits = new Map<string, ValueEdit>([
    ['r1', { due: '2027-01-15T17:00:00' as never, points: 20 }],
    ['r2', { due: null, students: 'hidden', points: 10 }],
    ['page', { students: 'shown' }],
  ]);
  const steps = valueSteps(rows, edits);
  expect(steps.map(({ action, targets }) => [action, ...targets])).toEqual([
    ['re-date', 'r1', 'r2'],
    ['set-points', 'r1'],
    ['hide', 'r2'],
  ]);
  const { after } = runWritten(
    shell,
    steps.map((step) => ({ ...step, from: 'hand' })),
  );
  const now = valuesOfShell(after);
  expect(now.find(({ ref }) => ref === 'r1')).toMatchObject({ due: '2027-01-15T17:00:00', points: 20 });
  expect(now.find(({ ref }) => ref === 'r2')).toMatchObject({ due: null, students: 'hidden', points: 10 });
});

test('categories, readers and requirements become steps about columns, files and items', () => {
  const [row] = rowsOf();
  if (!row) throw new Error('no rows');
  const rows: ValueRow[] = [
    { ...row, ref: 'a', gradeColumn: 'g', category: 'c1', requires: ['x', 'y'], requiredTitles: [] },
    { ...row, ref: 'b', file: 'map.pdf', readers: 'all' },
  ];
  const edits = new Map<string, ValueEdit>([
    ['a', { category: 'c2', requires: ['y'] }],
    ['b', { readers: 'staff' }],
  ]);
  expect(valueSteps(rows, edits)).toEqual([
    { action: 'set-category', targets: ['g'], params: { categories: { g: 'c2' } } },
    { action: 'file-access', targets: ['map.pdf'], params: { readers: 'staff' } },
    { action: 'drop-requirement', targets: ['a'], params: { requirements: { a: ['x'] } } },
  ]);
});
