import { wordFinder } from '@/core/text/has-words';

/** A column of a work table: what it says of a row, and by what it sorts. */
export interface WorkColumn<Row> {
  readonly key: string;
  readonly title: string;
  /** A share of the width, as a grid track. */
  readonly width: string;
  readonly text: (row: Row) => string;
  /** What sorts where the words do not: bytes, a date. */
  readonly order?: (row: Row) => number | string;
}
export interface WorkSort {
  readonly column: string;
  readonly down: boolean;
}

/** The rows that hold every word of the filter in some column, in the order of a column; the given order without one. */
export function workRows<Row>(
  rows: readonly Row[],
  columns: readonly WorkColumn<Row>[],
  filter: string,
  sort: WorkSort | null,
): readonly Row[] {
  const hasWords = wordFinder(filter);
  const says = (row: Row) => columns.map((column) => column.text(row)).join(' ');
  const shown = filter.trim() === '' ? rows : rows.filter((row) => hasWords(says(row)));
  const column = columns.find((one) => one.key === sort?.column);
  if (!column || !sort) return shown;
  const order = column.order ?? column.text;
  const sorted = [...shown].sort((a, b) => compare(order(a), order(b)));
  return sort.down ? sorted.reverse() : sorted;
}

/** Numbers by size, words with the numbers inside them by size: Week 2 before Week 10. What says nothing comes last. */
function compare(a: number | string, b: number | string): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  const [one, other] = [String(a), String(b)];
  if ((one === '') !== (other === '')) return one === '' ? 1 : -1;
  return collator.compare(one, other);
}
const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
