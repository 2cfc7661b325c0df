import { makeSteps } from '@/core/plan/make-steps';
import { runPlan } from '@/core/plan/run-plan';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { emptyShell } from '@/core/shell/empty-shell';
import { blankItem } from '@/core/shell/blank-item';
import type { Item, Shell } from '@/core/shell/model';
import { gradeColumnRef, itemRef } from '@/core/refs/refs';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { plainAsk, type RedateAsk } from './ask';
import { inferTerm, oddTerm } from './infer-term';
import { redate } from './redate';

const day = (text: string) => text as LocalDate;
const at = (text: string) => text as LocalDateTime;
const item = (ref: string, dates: Partial<Item>): Item => ({
  ...blankItem,
  ref: itemRef(ref),
  kind: 'assignment',
  title: `Title of ${ref}`,
  placed: true,
  ...dates,
});
const shellOf = (items: readonly Item[], more: Partial<Shell> = {}): Shell => ({
  ...emptyShell,
  timeZone: 'Europe/Dublin',
  term: { title: '', start: day('2027-01-11'), end: day('2027-05-07') },
  previousTerm: { title: '', start: day('2025-08-25'), end: day('2025-12-12') },
  items,
  ...more,
});
const worked = (shell: Shell, ask: Partial<RedateAsk> = {}) => {
  const result = redate(shell, { ...plainAsk, ...ask });
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
};

const lab = item('lab', {
  opens: at('2025-10-06T08:00:00'),
  due: at('2025-10-10T23:59:59'),
  closes: at('2025-10-12T23:59:59'),
});

test('each date goes by itself and keeps its time; counts come first and add up', () => {
  const shell = shellOf([
    lab,
    item('none', {}),
    item('far', { due: at('2024-10-10T23:59:59') }),
    item('half', { opens: at('2024-10-10T00:00:00'), due: at('2025-10-10T23:59:59') }),
  ]);
  const { counts, changes } = worked(shell);
  expect(counts).toEqual({ things: 4, dated: 3, changed: 2, same: 0, outside: 1 });
  expect(changes.filter((c) => c.ref === 'lab').map((c) => [c.field, c.new, c.week, c.weekday])).toEqual([
    ['opens', '2027-02-22T08:00:00', 7, 'mon'],
    ['due', '2027-02-26T23:59:59', 7, 'fri'],
    ['closes', '2027-02-28T23:59:59', 7, 'sun'],
  ]);
});

test('a thing that is not moved counts as the same', () => {
  expect(worked(shellOf([lab]), { mode: 'shift', days: 0 }).counts).toMatchObject({ changed: 0, same: 1 });
});

test('order is said on every date of a pair that is wrong', () => {
  // The opening lies far outside and stays; due before it by then.
  const shell = shellOf([item('odd', { opens: at('2028-10-10T00:00:00'), due: at('2025-10-10T23:59:59') })]);
  expect(worked(shell).changes.map((c) => [c.field, c.warnings])).toEqual([['due', ['order']]]);
  const both = shellOf([item('both', { opens: at('2025-10-12T00:00:00'), due: at('2025-10-10T23:59:59') })]);
  expect(worked(both).changes.map((c) => c.warnings)).toEqual([['order'], ['order']]);
});

test('days outside the new term and on no-class days are warned of', () => {
  const shell = shellOf(
    [
      item('late', { due: at('2025-12-15T12:00:00') }),
      item('early', { due: at('2025-08-20T12:00:00') }),
      item('off', { due: at('2025-11-07T12:00:00') }),
    ],
    { noClassDays: [day('2027-03-26')] },
  );
  expect(worked(shell).changes.map((c) => [c.new?.slice(0, 10), c.warnings])).toEqual([
    ['2027-05-10', ['after-term']],
    ['2027-01-06', ['before-term']],
    ['2027-03-26', ['no-class']],
  ]);
});

test('to one date and clear take everything that was asked about', () => {
  const shell = shellOf([lab, item('far', { due: at('1999-10-10T10:00:00') })]);
  const one = worked(shell, { mode: 'to-date', date: day('2027-02-01') });
  expect(new Set(one.changes.map((c) => c.new?.slice(0, 10)))).toEqual(new Set(['2027-02-01']));
  expect(one.counts.outside).toBe(0);
  const cleared = worked(shell, { mode: 'clear', only: new Set(['far']) });
  expect(cleared.changes).toEqual([
    expect.objectContaining({ ref: 'far', new: null, week: null, weekday: null }),
  ]);
});

test('the steps do what the preview says, and the line item and the to-do go along', () => {
  const column = gradeColumnRef('c1');
  const todo =
    'BEGIN:VTODO\r\nUID:due-lab@currycomb\r\nDUE;TZID=Europe/Dublin:20251010T235959\r\nSUMMARY:x\r\nEND:VTODO';
  const shell = shellOf([{ ...lab, gradeColumn: column }], {
    gradeColumns: [
      {
        ref: column,
        title: 'Lab',
        category: null,
        points: 10,
        results: null,
        extra: { dueDate: '2025-10-10', assignDate: '2025-10-06' },
      },
    ],
    calendar: { head: '', others: [todo] },
  });
  const steps = makeSteps(shell, worked(shell).steps);
  const { after } = runPlan(shell, steps.ok ? steps.value : [], defaultHouseRules(allChecks));
  expect(after.items[0]).toMatchObject({ due: '2027-02-26T23:59:59', opens: '2027-02-22T08:00:00' });
  expect(after.gradeColumns[0]?.extra).toEqual({ dueDate: '2027-02-26', assignDate: '2027-02-22' });
  expect(after.calendar?.others[0]).toContain('DUE;TZID=Europe/Dublin:20270226T235959');
  const cleared = makeSteps(shell, worked(shell, { mode: 'clear' }).steps);
  const without = runPlan(shell, cleared.ok ? cleared.value : [], defaultHouseRules(allChecks)).after;
  expect(without.items[0]?.due).toBeNull();
  expect(without.calendar?.others).toEqual([]);
});

test('a term that nobody told is the shortest that holds nine tenths of the dates that cluster', () => {
  const days = ['2025-09-01', '2025-09-08', '2025-09-15', '2025-09-22', '2025-09-29', '2025-10-06'];
  const more = ['2025-10-13', '2025-10-20', '2025-10-27', '2025-11-20', '2024-01-01'];
  const opening = [...days, ...more].map((d, k) => item(`i${k}`, { opens: at(`${d}T12:00:00`) }));
  const shell = shellOf(opening, { previousTerm: null });
  expect(inferTerm(shell)).toEqual({ start: '2025-09-01', end: '2025-10-27' });
  expect(worked(shell).from).toEqual({ start: '2025-09-01', end: '2025-10-27', inferred: true });
  // A term does not end before the last of its due dates; one of another year is none of them.
  const due = [...days, ...more].map((d, k) => item(`i${k}`, { due: at(`${d}T12:00:00`) }));
  expect(inferTerm(shellOf(due, { previousTerm: null }))).toEqual({ start: '2025-09-01', end: '2025-11-20' });
});

test('terms of an odd length or year are questioned', () => {
  const odd = (start: string, end: string) =>
    oddTerm({ start: day(start), end: day(end) }, day('2027-01-11'));
  expect(odd('2025-08-25', '2025-12-12')).toBeNull();
  expect(odd('2025-08-25', '2025-08-31')).toMatch(/one week only/);
  expect(odd('2024-08-25', '2025-08-31')).toMatch(/53 weeks/);
  expect(odd('2023-08-25', '2023-12-12')).toMatch(/2023/);
});

test.each([
  [{ term: { title: '', start: null, end: null } }, /new term’s first and last day/],
  [{ previousTerm: null, items: [] }, /no date in the shell tells it/],
  [{ noClassDays: weekdaysOf('2027-01-11', 18) }, /new term has no day with class/],
])('what is missing is said with the way out', (more, reason) => {
  const result = redate(shellOf([lab], more), plainAsk);
  expect(result.ok ? '' : result.trouble.message).toMatch(reason);
});

function weekdaysOf(monday: string, weeks: number): LocalDate[] {
  const first = Date.parse(`${monday}T00:00:00Z`);
  return Array.from({ length: weeks * 7 }, (_, n) =>
    day(new Date(first + n * 86_400_000).toISOString().slice(0, 10)),
  );
}
