import type { CalendarMark, CalendarView } from '@/services/show/decide/calendar-view';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { groupsOf, placeMarks, sayMark, stepsToEnd, stepsToRemove, stepToDropLinks } from './calendar-model';

const mark = (ref: string, at: string, more: Partial<CalendarMark> = {}): CalendarMark => ({
  key: `${ref} ${at}`,
  kind: 'event',
  ref,
  title: `Title of ${ref}`,
  at: `${at}T14:00:00` as LocalDateTime,
  allDay: false,
  dates: 1,
  links: [],
  made: null,
  finding: null,
  ...more,
});
const finding = { id: 'f', title: 'An old link', family: 'calendar' as const };
const series = ['2027-01-12', '2027-01-19', '2027-01-26'].map((day) => mark('s', day, { dates: 3 }));
const view: CalendarView = {
  id: 'x',
  headline: '',
  term: { title: '', start: '2027-01-11' as LocalDate, end: '2027-01-31' as LocalDate },
  weeks: ['2027-01-11', '2027-01-18', '2027-01-25'].map((monday, k) => ({
    monday: monday as LocalDate,
    number: k + 1,
    days: [],
  })),
  marks: series,
  isCombed: true,
};

test('a whole series is deleted, some of its dates are taken out of it, dates of items are cleared', () => {
  expect(stepsToRemove(series).map(({ step }) => step)).toEqual([
    { action: 'delete', targets: ['s'], params: {} },
  ]);
  const due = mark('lab', '2027-01-15', { kind: 'due' });
  expect(stepsToRemove([series[1]!, due]).map(({ step }) => step)).toEqual([
    {
      action: 'exclude-occurrence',
      targets: ['s'],
      params: { occurrences: { s: ['2027-01-19T14:00:00'] } },
    },
    { action: 'clear-dates', targets: ['lab'], params: { fields: ['due'] } },
  ]);
});

test('a series ends on the day before its first chosen date, and not before its first date', () => {
  expect(stepsToEnd(view, [series[1]!, series[2]!])).toEqual([
    { action: 'end-recurrence', targets: ['s'], params: { until: '2027-01-18' } },
  ]);
  expect(stepsToEnd(view, series)).toEqual([]);
});

test('links are dropped event by event', () => {
  const linked = mark('m', '2027-01-12', { links: ['https://rooms.example/1'] });
  expect(stepToDropLinks([linked, series[0]!])).toEqual({
    action: 'drop-link',
    targets: ['m'],
    params: { links: { m: ['https://rooms.example/1'] } },
  });
  expect(stepToDropLinks(series)).toBeNull();
});

test('what lies outside the term is gathered before and after it', () => {
  const early = mark('e', '2026-12-01');
  const late = mark('l', '2027-02-01');
  const placed = placeMarks({ weeks: view.weeks, marks: [early, ...series, late] });
  expect(placed.before).toEqual([early]);
  expect(placed.after).toEqual([late]);
  expect([...placed.byDay.keys()]).toEqual(['2027-01-12', '2027-01-19', '2027-01-26']);
});

test('groups come with what was found first, and all of it in one', () => {
  const found = [mark('a', '2027-01-12', { finding }), mark('b', '2027-01-13', { finding })];
  const groups = groupsOf([...series, ...found], 'series');
  expect(groups.map((group) => [group.title, group.marks.length])).toEqual([
    ['Events with a finding', 2],
    ['Title of a', 1],
    ['Title of b', 1],
    ['Title of s', 3],
  ]);
  expect(groupsOf(series, 'link')).toEqual([]);
  expect(groupsOf([mark('m', '2027-01-12', { made: '2025-08-18' as LocalDate })], 'made')[0]?.title).toBe(
    '18 August 2025',
  );
});

test('a mark says what it is, when, and what was found', () => {
  expect(sayMark(mark('a', '2027-01-12', { kind: 'due', finding }))).toBe(
    'due: Title of a, 14:00; An old link',
  );
});
