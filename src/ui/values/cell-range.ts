/** A cell by the places of its row and its column among those that are shown. */
export interface Cell {
  readonly row: number;
  readonly column: number;
}

/** A rectangle of cells, both corners included. */
export interface CellRange {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
}

export const rangeBetween = (one: Cell, other: Cell): CellRange => ({
  top: Math.min(one.row, other.row),
  bottom: Math.max(one.row, other.row),
  left: Math.min(one.column, other.column),
  right: Math.max(one.column, other.column),
});

export const isInside = ({ top, bottom, left, right }: CellRange, { row, column }: Cell): boolean =>
  row >= top && row <= bottom && column >= left && column <= right;

export const cellCount = ({ top, bottom, left, right }: CellRange): number =>
  (bottom - top + 1) * (right - left + 1);

/** The cells of a range, row by row. */
export function cellsOf({ top, bottom, left, right }: CellRange): Cell[] {
  const cells: Cell[] = [];
  for (let row = top; row <= bottom; row += 1)
    for (let column = left; column <= right; column += 1) cells.push({ row, column });
  return cells;
}

export interface CellText extends Cell {
  readonly text: string;
}

/**
 * Where each part of a pasted table goes: from the first cell of the range on, or, where it is one value, into every cell
 * of the range. Columns are apart by tabs, rows by line breaks, as spreadsheets copy them (common practice, no source).
 */
export function pastedCells(pasted: string, range: CellRange, rows: number, columns: number): CellText[] {
  const lines = pasted.replace(/\r\n?/g, '\n').replace(/\n$/, '').split('\n');
  const table = lines.map((line) => line.split('\t'));
  const [only] = table[0] ?? [];
  if (table.length === 1 && table[0]?.length === 1)
    return cellsOf(range).map((cell) => ({ ...cell, text: only ?? '' }));
  return table
    .flatMap((line, down) =>
      line.map((text, right) => ({ row: range.top + down, column: range.left + right, text })),
    )
    .filter(({ row, column }) => row < rows && column < columns);
}
