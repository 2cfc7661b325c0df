import { entryOf } from '@/core/entries';
import { timeOf } from '@/core/dates/local-date';
import { readMoment, type DayOrder } from './read-moment';
import { holds, type DateColumn, type ValueColumn, type ValueEdit, type ValueRow } from './value-row';

export interface CategoryName {
  readonly ref: string;
  readonly title: string;
}

/** How what is typed is read. */
export interface Reading {
  readonly order: DayOrder;
  readonly categories: readonly CategoryName[];
}

/** What a typed value comes to: a change of the item, or one sentence why it can’t be that. */
export type ReadValue =
  { readonly ok: true; readonly edit: ValueEdit } | { readonly ok: false; readonly trouble: string };

const read = (edit: ValueEdit): ReadValue => ({ ok: true, edit });
const trouble = (sentence: string): ReadValue => ({ ok: false, trouble: sentence });

/** What a date without a time is taken to mean. */
const usualTimes: Readonly<Record<DateColumn, string>> = {
  opens: '00:00:00',
  due: '23:59:00',
  closes: '23:59:00',
};

/** Reads what was typed into, or put into, a cell; an empty text takes the value away. */
export function readValue(typed: string, row: ValueRow, column: ValueColumn, reading: Reading): ReadValue {
  const text = typed.trim();
  if (!holds(row, column)) {
    if (text === '') return read({});
    return trouble(`“${row.title}” has ${nothingThere[column]}.`);
  }
  switch (column) {
    case 'opens':
    case 'due':
    case 'closes':
      return readDate(text, row, column, reading.order);
    case 'points':
      return readPoints(text);
    case 'category':
      return readCategory(text, reading.categories);
    case 'students':
      return readWord(text, studentWords, (students) => ({ students }));
    case 'readers':
      return readWord(text, readerWords, (readers) => ({ readers }));
    case 'requires':
      return text === ''
        ? read({ requires: [] })
        : trouble('Requirements can be taken away here; empty the cell.');
  }
}

const nothingThere: Readonly<Record<ValueColumn, string>> = {
  opens: 'no date',
  due: 'no date',
  closes: 'no date',
  points: 'no points of its own',
  category: 'no grade column, and so no category',
  students: 'no switch',
  readers: 'no file that somebody could read',
  requires: 'no requirement to take away',
};

function readDate(text: string, row: ValueRow, column: DateColumn, order: DayOrder): ReadValue {
  if (text === '') return read({ [column]: null });
  const before = row[column];
  const usual = before === null ? usualTimes[column] : `${timeOf(before)}:${before.slice(17, 19) || '00'}`;
  const moment = readMoment(text, order, usual);
  return moment.ok ? read({ [column]: moment.value }) : moment;
}

function readPoints(text: string): ReadValue {
  if (text === '') return read({ points: null });
  const points = Number(text.replace(',', '.'));
  return Number.isFinite(points) && points >= 0
    ? read({ points })
    : trouble(`“${text}” is no number of points; write a number from 0 on.`);
}

function readCategory(text: string, categories: readonly CategoryName[]): ReadValue {
  const fold = (title: string) => title.trim().toLowerCase();
  const named = categories.filter(({ title }) => fold(title) === fold(text));
  const [only] = named;
  if (named.length === 1 && only) return read({ category: only.ref });
  if (named.length > 1) return trouble(`There are ${named.length} categories “${text}”; merge them first.`);
  const there = categories.map(({ title }) => `“${title}”`).join(', ');
  return trouble(`There is no category “${text}”; there are ${there || 'none'}.`);
}

const studentWords = { shown: 'shown', yes: 'shown', x: 'shown', hidden: 'hidden', no: 'hidden' } as const;
const readerWords = { all: 'all', everyone: 'all', students: 'all', staff: 'staff' } as const;

function readWord<Word extends string>(
  text: string,
  words: Readonly<Record<string, Word>>,
  edit: (word: Word) => ValueEdit,
): ReadValue {
  const word = entryOf(words, text.toLowerCase());
  if (word !== undefined) return read(edit(word));
  return trouble(`“${text}” says nothing here; write ${[...new Set(Object.values(words))].join(' or ')}.`);
}
