import { addDays as addDaysElsewhere, differenceInCalendarDays, getISODay, startOfISOWeek } from 'date-fns';
import fc from 'fast-check';
import { DateTime } from 'luxon';
import { addDays, daysBetween, isoWeekday, type LocalDate } from '@/core/dates/local-date';
import type { Rule } from './ask';
import { isFarOutside, moveDay } from './move-day';
import { TeachingWeeks } from './teaching-weeks';

const day = (text: string) => text as LocalDate;
const range = (from: string, to: string): LocalDate[] => {
  const days: LocalDate[] = [];
  for (let at = day(from); at <= to; at = addDays(at, 1)) days.push(at);
  return days;
};
const weeks = (start: string, end: string, ...noClass: string[]) =>
  new TeachingWeeks({ start: day(start), end: day(end), noClass: new Set(noClass.map(day)) });
const plain = { map: new Map<number, number>(), avoidNoClass: null };

/** Autumn 2025 with a break in November, and Spring 2027 with one in March: the demo's terms. */
const autumn = weeks('2025-08-25', '2025-12-12', ...range('2025-11-24', '2025-11-28'));
const spring = weeks('2027-01-11', '2027-05-07', ...range('2027-03-15', '2027-03-19'), '2027-04-02');
const same: Rule = { mode: 'week-and-weekday', from: autumn, to: spring };
const moved = (text: string, rule: Rule = same, options: Parameters<typeof moveDay>[2] = plain) =>
  moveDay(day(text), rule, options)?.day;

// Worked by hand on two wall calendars.
test.each([
  ['2025-08-25', '2027-01-11', 'the first day'],
  ['2025-10-14', '2027-03-02', 'Tuesday of week 8'],
  ['2025-10-27', '2027-03-22', 'Monday of week 10, behind the new break'],
  ['2025-11-26', '2027-04-21', 'Wednesday of the old break: the week behind teaching week 13'],
  ['2025-12-12', '2027-04-30', 'Friday of week 15, the old term’s last day'],
  ['2025-08-20', '2027-01-06', 'five days before the first day'],
  ['2025-12-15', '2027-05-10', 'three days behind the last day'],
  ['2025-08-11', '2026-12-28', 'fourteen days before'],
])('%s becomes %s: %s', (from, to) => {
  expect(moved(from)).toBe(to);
});

test('what lies more than 14 days outside is told, on both sides', () => {
  expect(isFarOutside(day('2025-08-11'), same)).toBe(false);
  expect(isFarOutside(day('2025-08-10'), same)).toBe(true);
  expect(isFarOutside(day('2025-12-26'), same)).toBe(false);
  expect(isFarOutside(day('2025-12-27'), same)).toBe(true);
  expect(isFarOutside(day('1999-01-01'), { mode: 'shift', days: 1, to: null })).toBe(false);
});

test('only days of an old break are told as such', () => {
  expect(moveDay(day('2025-11-26'), same, plain)?.inBreak).toBe(true);
  expect(moveDay(day('2025-11-30'), same, plain)?.inBreak).toBe(true);
  expect(moveDay(day('2025-11-21'), same, plain)?.inBreak).toBe(false);
});

test('a day outside the term in its first calendar week keeps its distance', () => {
  const fromWednesday = weeks('2025-08-27', '2025-12-12');
  const rule: Rule = { mode: 'week-and-weekday', from: fromWednesday, to: spring };
  expect(moved('2025-08-26', rule)).toBe('2027-01-10');
  expect(moved('2025-08-28', rule)).toBe('2027-01-14');
});

test('a week that the new term lacks lies behind its last one, a break behind it farther still', () => {
  const short = weeks('2027-01-11', '2027-02-05');
  const rule: Rule = { mode: 'week-and-weekday', from: autumn, to: short };
  expect(moved('2025-09-15', rule)).toBe('2027-02-01');
  expect(moved('2025-09-22', rule)).toBe('2027-02-08');
  expect(moved('2025-11-24', rule)).toBe('2027-04-12');
});

test('a second week of a break lies two weeks behind, a break before week 1 before it', () => {
  const twoWeeks = weeks('2025-08-25', '2025-12-12', ...range('2025-10-13', '2025-10-24'));
  const rule: Rule = { mode: 'week-and-weekday', from: twoWeeks, to: spring };
  expect(moved('2025-10-10', rule)).toBe('2027-02-26');
  expect(moved('2025-10-20', rule)).toBe('2027-03-08');
  const lateClass = weeks('2025-08-25', '2025-12-12', ...range('2025-08-25', '2025-08-29'));
  expect(moved('2025-08-26', { mode: 'week-and-weekday', from: lateClass, to: spring })).toBe('2027-01-05');
});

test('the map changes the weekday inside the week, but not of days that keep their distance', () => {
  const map = new Map([
    [1, 2],
    [3, 4],
  ]);
  expect(moved('2025-10-13', same, { ...plain, map })).toBe('2027-03-02');
  expect(moved('2025-10-15', same, { ...plain, map })).toBe('2027-03-04');
  expect(moved('2025-10-17', same, { ...plain, map })).toBe('2027-03-05');
  expect(moved('2025-12-15', same, { ...plain, map })).toBe('2027-05-10');
  expect(moved('2025-10-13', { mode: 'shift', days: 3, to: null }, { ...plain, map })).toBe('2025-10-14');
});

test('a no-class day is left for the next or previous day with class; week-end days stay', () => {
  expect(moved('2025-11-07', same, { ...plain, avoidNoClass: 'next' })).toBe('2027-04-05');
  expect(moved('2025-11-07', same, { ...plain, avoidNoClass: 'previous' })).toBe('2027-04-01');
  expect(moved('2025-11-07')).toBe('2027-04-02');
  expect(moved('2025-11-08', same, { ...plain, avoidNoClass: 'next' })).toBe('2027-04-03');
});

test('spread keeps the place between the ends and the weekday', () => {
  const rule: Rule = {
    mode: 'spread',
    from: weeks('2025-09-01', '2025-12-19'),
    to: weeks('2027-02-01', '2027-03-26'),
  };
  expect(moved('2025-09-01', rule)).toBe('2027-02-01');
  expect(moved('2025-12-19', rule)).toBe('2027-03-26');
  // Tuesday, day 49 of 109: 49 × 53 / 109 = 23.8, the 24th day is 25 February; the nearest Monday is the 22nd.
  expect(moved('2025-10-20', rule)).toBe('2027-02-22');
});

test('spread takes the earlier day where it comes out half-way', () => {
  // 1 × 7 / 14 = 0.5 days: day 0, Monday; the Tuesday nearest to it is the next day.
  const rule: Rule = {
    mode: 'spread',
    from: weeks('2025-09-01', '2025-09-15'),
    to: weeks('2027-02-01', '2027-02-08'),
  };
  expect(moved('2025-09-02', rule)).toBe('2027-02-02');
  expect(moved('2025-09-04', rule)).toBe('2027-02-04');
});

/** Pairs of terms that begin on any day, of 6 to 20 weeks, with a break in each. */
const pair = fc
  .record({
    first: fc.integer({ min: 0, max: 2000 }),
    later: fc.integer({ min: 150, max: 800 }),
    weeks: fc.integer({ min: 6, max: 20 }),
    otherWeeks: fc.integer({ min: 6, max: 20 }),
    breakAt: fc.integer({ min: 2, max: 5 }),
    otherBreakAt: fc.integer({ min: 2, max: 5 }),
  })
  .map((p) => {
    const start = addDays(day('2021-01-01'), p.first);
    const otherStart = addDays(start, p.later);
    const term = (from: LocalDate, length: number, at: number) => {
      const monday = addDays(from, 7 * at + 1 - isoWeekday(from));
      return weeks(from, addDays(from, 7 * length - 3), ...range(monday, addDays(monday, 4)));
    };
    return { from: term(start, p.weeks, p.breakAt), to: term(otherStart, p.otherWeeks, p.otherBreakAt) };
  });

test('1,000 pairs of terms: week and weekday as Luxon and date-fns count them', () => {
  fc.assert(
    fc.property(pair, fc.nat(139), ({ from, to }, n) => {
      const at = addDays(from.term.start, n % (daysBetween(from.term.start, from.term.end) + 1));
      const result = moveDay(at, { mode: 'week-and-weekday', from, to }, plain);
      const luxon = DateTime.fromISO(at);
      const firstWeek = DateTime.fromISO(from.mondays[0]!);
      // Calendar weeks since the first teaching week, less the break where it lies behind.
      const calendarWeek = Math.floor(luxon.startOf('week').diff(firstWeek, 'days').days / 7 + 0.5);
      const skipped = countWithoutClass(
        from,
        firstWeek.toISODate() as LocalDate,
        luxon.toISODate() as LocalDate,
      );
      const week = calendarWeek - skipped;
      if (from.weekOf(at) === null) return;
      expect(from.weekOf(at)).toBe(week + 1);
      expect(result?.inBreak).toBe(false);
      const goal = new Date(`${result!.day}T12:00:00`);
      expect(getISODay(goal)).toBe(luxon.weekday);
      if (week + 1 > to.count) return;
      const monday = addDaysElsewhere(new Date(`${to.mondays[week]!}T12:00:00`), 0);
      expect(differenceInCalendarDays(startOfISOWeek(goal), startOfISOWeek(monday))).toBe(0);
    }),
    { numRuns: 1000 },
  );
});

/** Weeks without a day of class between two Mondays, counted day by day. */
function countWithoutClass(weeksOf: TeachingWeeks, from: LocalDate, to: LocalDate): number {
  let without = 0;
  for (
    let at = DateTime.fromISO(from);
    at.startOf('week') < DateTime.fromISO(to).startOf('week');
    at = at.plus({ weeks: 1 })
  )
    if (
      [0, 1, 2, 3, 4].every(
        (n) => !weeksOf.hasClass(at.startOf('week').plus({ days: n }).toISODate() as LocalDate),
      )
    )
      without += 1;
  return without;
}

test('order is kept: a later day never becomes an earlier one, breaks aside', () => {
  fc.assert(
    fc.property(pair, fc.nat(130), fc.nat(130), ({ from, to }, a, b) => {
      const [first, second] = [Math.min(a, b), Math.max(a, b)].map((n) => addDays(from.term.start, n));
      const rule: Rule = { mode: 'week-and-weekday', from, to };
      const results = [first!, second!].map((at) => moveDay(at, rule, plain)!);
      if (results.some((r) => r.inBreak || r.keepsDistance)) return;
      expect(results[0]!.day <= results[1]!.day).toBe(true);
      expect(results.map((r) => isoWeekday(r.day))).toEqual([first!, second!].map(isoWeekday));
    }),
    { numRuns: 1000 },
  );
});

test('there and back is equal wherever both terms have the week', () => {
  fc.assert(
    fc.property(pair, fc.nat(130), ({ from, to }, n) => {
      const at = addDays(from.term.start, n);
      const there = moveDay(at, { mode: 'week-and-weekday', from, to }, plain)!;
      const week = from.weekOf(at);
      const isIn = (term: TeachingWeeks, d: LocalDate) => d >= term.term.start && d <= term.term.end;
      if (week === null || week > to.count || !isIn(from, at) || !isIn(to, there.day)) return;
      expect(moveDay(there.day, { mode: 'week-and-weekday', from: to, to: from }, plain)!.day).toBe(at);
    }),
    { numRuns: 1000 },
  );
});
