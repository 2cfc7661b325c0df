import type { LocalDate } from '@/core/dates/local-date';
import { emptyShell } from '@/core/shell/empty-shell';
import { identityDoubts } from './identity';

const spring = { title: 'Spring 2027', start: '2027-01-11' as LocalDate, end: '2027-05-07' as LocalDate };
const doubts = (title: string, more: object = {}) =>
  identityDoubts({
    ...emptyShell,
    code: 'HYD 214',
    term: spring,
    title: 'x',
    frame: { ...emptyShell.frame, title },
    ...more,
  }).map((d) => `${d.what} ${d.says}`);

test.each([
  ['Stream Ecology Autumn 2025', ['term Autumn 2025']],
  ['Stream Ecology (Fall ’25)', ['term Fall ’25']],
  ['Stream Ecology Spring 2026', ['term Spring 2026']],
  ['Stream Ecology, Semester 1, 2025', ['term Semester 1, 2025']],
  ['Stream Ecology 2024-25', ['term 2024-25']],
  ['GEO 130 Reading Maps', ['code GEO 130']],
  ['GEO-130 Reading Maps, Winter 21', ['term Winter 21', 'code GEO-130']],
  ['HYD 215 Stream Ecology', ['code HYD 215']],
  ['Stream Ecology Field Methods', []],
  ['HYD 214 Stream Ecology, Spring 2027', []],
  ['HYD-214 Stream Ecology 2026/27', []],
  ['Stream Ecology spring term 2027', []],
  ['HYD 214 after RFC 304', []],
  ['Maps of 1879', []],
])('%s', (title, expected) => expect(doubts(title)).toEqual(expected));

test('what is not known is not doubted', () => {
  expect(doubts('GEO 130, Autumn 2019', { code: '', term: { title: '', start: null, end: null } })).toEqual(
    [],
  );
  expect(doubts('Autumn 2026', { term: { title: '', start: '2026-08-24', end: '2026-12-11' } })).toEqual([]);
  expect(doubts('Spring 2026', { term: { title: '', start: '2026-08-24', end: '2026-12-11' } })).toEqual([
    'term Spring 2026',
  ]);
});
