import { addDays, atTime, dateOf, timeOf } from '@/core/dates/local-date';
import { readMoment, type DayOrder } from '@/core/values/read-moment';
import { cellsOf, type Cell, type CellRange, type CellText } from './cell-range';

/** The first date of each column of a range, and below it each a week later than the one above. */
export function weekApart(range: CellRange, textAt: (cell: Cell) => string, order: DayOrder): CellText[] {
  return cellsOf(range).flatMap(({ row, column }): CellText[] => {
    const first = readMoment(textAt({ row: range.top, column }), order, '23:59');
    if (!first.ok) return [];
    const day = addDays(dateOf(first.value), 7 * (row - range.top));
    return [{ row, column, text: atTime(day, timeOf(first.value)).slice(0, 16).replace('T', ' ') }];
  });
}
