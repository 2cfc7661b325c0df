import { cellsOf, isInside, pastedCells, rangeBetween } from './cell-range';

const range = rangeBetween({ row: 3, column: 2 }, { row: 1, column: 1 });

test('a range has its corners in order', () => {
  expect(range).toEqual({ top: 1, bottom: 3, left: 1, right: 2 });
  expect(cellsOf(range)).toHaveLength(6);
  expect([isInside(range, { row: 2, column: 2 }), isInside(range, { row: 4, column: 2 })]).toEqual([
    true,
    false,
  ]);
});

test('one pasted value fills the range', () => {
  expect(pastedCells('12\n', range, 9, 9).map(({ row, column, text }) => [row, column, text])).toEqual(
    cellsOf(range).map(({ row, column }) => [row, column, '12']),
  );
});

test('a pasted table goes from the first cell on, as far as there are cells', () => {
  expect(pastedCells('a\tb\r\nc\td\r\n', range, 2, 3)).toEqual([
    { row: 1, column: 1, text: 'a' },
    { row: 1, column: 2, text: 'b' },
  ]);
  expect(pastedCells('a\t\n\tb', range, 9, 9).map(({ text }) => text)).toEqual(['a', '', '', 'b']);
});
