import { emptyShell } from '@/core/shell/empty-shell';
import type { Shell } from '@/core/shell/model';
import { houseTermOf, withHouseTerm, type HouseTerm } from './house-terms';
import type { LocalDate } from '@/core/dates/local-date';

const day = (text: string) => text as LocalDate;
const autumn: HouseTerm = {
  title: 'Autumn 2026',
  start: day('2026-08-24'),
  end: day('2026-12-11'),
  noClass: [],
};
const spring: HouseTerm = {
  title: 'Spring 2027',
  start: day('2027-01-11'),
  end: day('2027-05-07'),
  noClass: [day('2027-03-15'), day('2027-03-16')],
};
const summer: HouseTerm = {
  title: 'Summer 2027',
  start: day('2027-05-31'),
  end: day('2027-08-06'),
  noClass: [],
};
const terms = [summer, spring, autumn];
const none = { title: '', start: null, end: null };
const shell = (over: Partial<Shell>): Shell => ({
  ...emptyShell,
  asOf: day('2027-01-04'),
  term: none,
  ...over,
});

test.each<[string, Partial<Shell>, string | null]>([
  ['the days that were given', { term: { ...none, start: spring.start, end: spring.end } }, 'Spring 2027'],
  ['its first day alone', { term: { ...none, start: autumn.start } }, 'Autumn 2026'],
  ['other days are another term', { term: { ...none, start: day('2027-01-12'), end: spring.end } }, null],
  ['its title', { term: { ...none, title: 'spring  2027' } }, 'Spring 2027'],
  ['its title in other words', { term: { ...none, title: 'Spring term 2027' } }, 'Spring 2027'],
  ['a title that the house does not know', { term: { ...none, title: 'Winter 2027' } }, null],
  ['nothing given: the next to begin', {}, 'Spring 2027'],
  ['nothing given: the one that runs', { asOf: day('2026-10-01') }, 'Autumn 2026'],
  ['on its last day', { asOf: day('2026-12-11') }, 'Autumn 2026'],
  [
    'named by the shell’s title, though another is nearer',
    { title: 'Stream Ecology, Summer 2027' },
    'Summer 2027',
  ],
  ['named by the code', { code: 'HYD-214-Summer-2027' }, 'Summer 2027'],
  [
    'a title of a term that is over names none of now',
    { title: 'Stream Ecology, Autumn 2026' },
    'Spring 2027',
  ],
  ['far from any term', { asOf: day('2027-12-01') }, null],
  ['long before the first', { asOf: day('2026-05-01') }, null],
])('%s', (_, over, title) => expect(houseTermOf(shell(over), terms)?.term.title ?? null).toBe(title));

test('what was said stays, what nobody said is filled in, and the note says from where', () => {
  const { shell: made, notes } = withHouseTerm(shell({}), terms);
  expect([made.term, made.noClassDays]).toEqual([
    { title: 'Spring 2027', start: spring.start, end: spring.end },
    spring.noClass,
  ]);
  expect(notes).toEqual([
    {
      code: 'term-of-the-house',
      message:
        'the term is “Spring 2027” of the house rules, which give its first and last day and its days without class: it is the first that is not over on 4 January 2027',
      where: '',
    },
  ]);
  const termed = shell({
    term: { title: 'My spring', start: spring.start, end: spring.end },
    noClassDays: [day('2027-04-02')],
  });
  expect(withHouseTerm(termed, terms)).toEqual({ shell: termed, notes: [] });
  expect(withHouseTerm(shell({ asOf: day('2027-12-01') }), terms).notes).toEqual([]);
  expect(withHouseTerm(shell({}), []).notes).toEqual([]);
});
