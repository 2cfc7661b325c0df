import type { LocalDate } from '@/core/dates/local-date';
import { TeachingWeeks } from './teaching-weeks';

const day = (text: string) => text as LocalDate;
const days = (...list: string[]) => new Set(list.map(day));
/** The demo's term: 11 January to 7 May 2027, spring break 15 to 19 March. */
const spring = new TeachingWeeks({
  start: day('2027-01-11'),
  end: day('2027-05-07'),
  noClass: days('2027-03-15', '2027-03-16', '2027-03-17', '2027-03-18', '2027-03-19'),
});

test('weeks with class are numbered from 1, and a break has no number (worked by hand on a wall calendar)', () => {
  expect(spring.count).toBe(16);
  expect(spring.weekOf(day('2027-01-11'))).toBe(1);
  expect(spring.weekOf(day('2027-03-14'))).toBe(9);
  expect(spring.weekOf(day('2027-03-17'))).toBeNull();
  expect(spring.weekOf(day('2027-03-22'))).toBe(10);
  expect(spring.weekOf(day('2027-05-09'))).toBe(16);
  expect(spring.weekOf(day('2027-05-10'))).toBeNull();
});

test('a week counts that has one day with class: a term from a Friday on, a week with a single free day', () => {
  const late = new TeachingWeeks({
    start: day('2027-01-15'),
    end: day('2027-02-01'),
    noClass: days('2027-01-18'),
  });
  expect(late.mondays).toEqual(['2027-01-11', '2027-01-18', '2027-01-25', '2027-02-01']);
  expect(late.hasClass(day('2027-01-14'))).toBe(false);
  expect(late.hasClass(day('2027-01-16'))).toBe(false);
  expect(late.hasClass(day('2027-01-18'))).toBe(false);
  expect(late.hasClass(day('2027-01-19'))).toBe(true);
});

test('a week-end alone makes no teaching week', () => {
  const weekEnd = new TeachingWeeks({ start: day('2027-01-16'), end: day('2027-01-22'), noClass: days() });
  expect(weekEnd.mondays).toEqual(['2027-01-18']);
  expect(weekEnd.placeOf(day('2027-01-16'))).toEqual({ is: 'without-class', after: 0, weeks: 1 });
  expect(weekEnd.mondayAt({ is: 'without-class', after: 0, weeks: 1 })).toBe('2027-01-11');
});

test('a week without class has a place behind the teaching week before it', () => {
  const place = spring.placeOf(day('2027-03-16'));
  expect(place).toEqual({ is: 'without-class', after: 9, weeks: 1 });
  expect(spring.mondayAt(place)).toBe('2027-03-15');
  expect(spring.isBreak(day('2027-03-20'))).toBe(true);
  expect(spring.isBreak(day('2027-05-12'))).toBe(false);
  expect(spring.isBeyond(day('2027-05-09'))).toBe(false);
  expect(spring.isBeyond(day('2027-05-10'))).toBe(true);
});

test('weeks that a term does not have lie behind its last one', () => {
  expect(spring.mondayOfWeek(18)).toBe('2027-05-17');
  expect(spring.mondayAt({ is: 'without-class', after: 18, weeks: 2 })).toBe('2027-05-31');
});
