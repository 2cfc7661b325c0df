import { joinStretches, liesWithin } from './stretches';

test('stretches are joined and searched', () => {
  const joined = joinStretches([
    { start: 8, end: 10 },
    { start: 0, end: 3 },
    { start: 2, end: 5 },
    { start: 10, end: 12 },
  ]);
  expect(joined).toEqual([
    { start: 0, end: 5 },
    { start: 8, end: 12 },
  ]);
  expect([
    liesWithin(joined, 1, 5),
    liesWithin(joined, 4, 6),
    liesWithin(joined, 9, 12),
    liesWithin(joined, 6, 7),
    liesWithin([], 0, 1),
  ]).toEqual([true, false, true, false, false]);
});
