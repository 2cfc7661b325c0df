import { seriesOfRef } from './series-ref';

test.each([
  ['lecture#20270126T140000', 'lecture'],
  ['lecture#20270126T140000Z~2', 'lecture'],
  ['day#20270126', 'day'],
  ['odd#uid', 'odd#uid'],
  ['odd#uid#20270126T140000', 'odd#uid'],
  ['lecture~2', 'lecture~2'],
])('%s belongs to %s', (ref, series) => {
  expect(seriesOfRef(ref)).toBe(series);
});
