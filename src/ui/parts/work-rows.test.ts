import { workRows, type WorkColumn } from './work-rows';

interface Line {
  readonly title: string;
  readonly place: string;
  readonly bytes: number;
}
const lines: readonly Line[] = [
  { title: 'Week 10', place: 'Top', bytes: 5 },
  { title: 'Week 2', place: 'Gauges', bytes: 300 },
  { title: 'week 1', place: '', bytes: 40 },
];
const columns: readonly WorkColumn<Line>[] = [
  { key: 'title', title: 'Title', width: '1fr', text: (line) => line.title },
  { key: 'place', title: 'Place', width: '1fr', text: (line) => line.place },
  {
    key: 'size',
    title: 'Size',
    width: '80px',
    text: (line) => `${line.bytes} bytes`,
    order: (line) => line.bytes,
  },
];
const titles = (filter: string, column?: string, down = false) =>
  workRows(lines, columns, filter, column === undefined ? null : { column, down }).map((line) => line.title);

test('a filter keeps the rows that hold all of its words, in any column', () => {
  expect(titles('week gau')).toEqual(['Week 2']);
  expect(titles('ＷＥＥＫ')).toEqual(['Week 10', 'Week 2', 'week 1']);
  expect(titles('nothing like it')).toEqual([]);
});
test('words sort with their numbers by size, figures by size, what is empty last', () => {
  expect(titles('', 'title')).toEqual(['week 1', 'Week 2', 'Week 10']);
  expect(titles('', 'title', true)).toEqual(['Week 10', 'Week 2', 'week 1']);
  expect(titles('', 'size')).toEqual(['Week 10', 'week 1', 'Week 2']);
  expect(titles('', 'place')).toEqual(['Week 2', 'Week 10', 'week 1']);
});
test('without a sort the given order stays', () =>
  expect(titles('')).toEqual(lines.map((line) => line.title)));
