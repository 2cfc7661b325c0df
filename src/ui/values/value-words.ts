import type { CategoryName } from '@/core/values/read-value';
import type { DayOrder } from '@/core/values/read-moment';
import {
  dateColumns,
  type DateColumn,
  type ValueColumn,
  type Values,
  type ValueRow,
} from '@/core/values/value-row';

export const columnTitles: Readonly<Record<ValueColumn, string>> = {
  opens: 'Opens',
  due: 'Due',
  closes: 'Closes',
  points: 'Points',
  category: 'Category',
  students: 'Students',
  readers: 'File read by',
  requires: 'Requires',
};

/** How a reader’s own language writes moments, and in which order it takes their figures. */
export interface ReaderForm {
  readonly order: DayOrder;
  spell(moment: string): string;
}

/** The form of a locale: weekday, day and time. */
export function readerForm(locale: string): ReaderForm {
  const format = new Intl.DateTimeFormat(locale, {
    weekday: 'short',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: 'UTC',
  });
  return {
    order: orderOf(format),
    spell: (moment) => format.format(new Date(`${moment}Z`)).replace(/,(?= \d)/g, ''),
  };
}

function orderOf(format: Intl.DateTimeFormat): DayOrder {
  const parts = format
    .formatToParts(new Date('2027-01-13T12:00:00Z'))
    .filter(({ type }) => type === 'year' || type === 'month' || type === 'day');
  if (parts[0]?.type === 'year') return 'ymd';
  return parts[0]?.type === 'month' ? 'mdy' : 'dmy';
}

const isDate = (column: ValueColumn): column is DateColumn => dateColumns.some((name) => name === column);

/** What a cell says; empty where there is nothing. */
export function cellText(
  row: ValueRow,
  values: Values,
  column: ValueColumn,
  form: ReaderForm,
  categories: readonly CategoryName[],
): string {
  if (isDate(column)) {
    const moment = values[column];
    return moment === null ? '' : form.spell(moment);
  }
  switch (column) {
    case 'points':
      return values.points === null ? '' : String(values.points);
    case 'category':
      return categories.find(({ ref }) => ref === values.category)?.title ?? '';
    case 'students':
      return values.students;
    case 'readers':
      return values.readers ?? '';
    case 'requires':
      return requiredText(row, values.requires);
  }
}

function requiredText({ requires, requiredTitles }: ValueRow, kept: readonly string[]): string {
  return requires.flatMap((ref, n) => (kept.includes(ref) ? [requiredTitles[n] ?? ref] : [])).join(', ');
}
