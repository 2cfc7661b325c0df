'use client';
import { useMemo, useState } from 'react';
import type { Gesture } from '@/core/outline/gesture';
import { readValue } from '@/core/values/read-value';
import { valueColumns, type ValueEdit, type ValueRow, type Values } from '@/core/values/value-row';
import { realEdit, valueSteps } from '@/core/values/value-steps';
import type { ValuesView } from '@/services/show/decide/values-view';
import type { CellText } from './cell-range';
import { cellText, type ReaderForm } from './value-words';

/** What was typed that can’t be taken, and why. */
interface Refused {
  readonly text: string;
  readonly sentence: string;
}
interface Typed {
  readonly edits: ReadonlyMap<string, ValueEdit>;
  /** By item and column. */
  readonly refused: ReadonlyMap<string, Refused>;
}
const nothingTyped: Typed = { edits: new Map(), refused: new Map() };

export interface ValuesState {
  /** What a cell says now, typed or not. */
  textOf(row: ValueRow, column: number): string;
  isChanged(row: ValueRow, column: number): boolean;
  /** Why what was typed can’t be taken; null where it can. */
  refusalOf(row: ValueRow, column: number): string | null;
  /** Puts texts into cells of the shown rows: one change, taken back at once. */
  put(rows: readonly ValueRow[], cells: readonly CellText[]): void;
  readonly canUndo: boolean;
  undo(): void;
  /** The changes as steps of the plan. */
  readonly steps: Gesture;
  /** How many cells were changed, and how many texts can’t be taken. */
  readonly changed: number;
  readonly refused: readonly { readonly key: string; readonly sentence: string }[];
  forget(): void;
}

const keyOf = (row: ValueRow, column: number): string => `${row.ref} ${valueColumns[column] ?? ''}`;

/** What is typed into the grid of values, until it goes into the plan. */
export function useValues(view: ValuesView, form: ReaderForm): ValuesState {
  const [history, setHistory] = useState<readonly Typed[]>([nothingTyped]);
  const now = history.at(-1) ?? nothingTyped;
  const { categories, rows: all } = view;
  const steps = useMemo(() => valueSteps(all, now.edits), [all, now]);
  const valuesOf = (row: ValueRow): Values => ({ ...row, ...now.edits.get(row.ref) });
  const textOf = (row: ValueRow, column: number): string => {
    const refused = now.refused.get(keyOf(row, column));
    const name = valueColumns[column];
    if (refused) return refused.text;
    return name === undefined ? '' : cellText(row, valuesOf(row), name, form, categories);
  };
  const put = (rows: readonly ValueRow[], cells: readonly CellText[]) => {
    const edits = new Map(now.edits);
    const refused = new Map(now.refused);
    for (const { row: place, column, text } of cells) {
      const row = rows[place];
      const name = valueColumns[column];
      if (!row || name === undefined || textOf(row, column) === text) continue;
      const key = keyOf(row, column);
      const read = readValue(text, row, name, { order: form.order, categories });
      refused.delete(key);
      if (!read.ok) {
        refused.set(key, { text, sentence: read.trouble });
        continue;
      }
      const edit = realEdit(row, { ...edits.get(row.ref), ...read.edit });
      if (edit) edits.set(row.ref, edit);
      else edits.delete(row.ref);
    }
    setHistory((before) => [...before, { edits, refused }]);
  };
  return {
    textOf,
    isChanged: (row, column) => {
      const name = valueColumns[column];
      return name !== undefined && now.edits.get(row.ref)?.[name] !== undefined;
    },
    refusalOf: (row, column) => now.refused.get(keyOf(row, column))?.sentence ?? null,
    put,
    canUndo: history.length > 1,
    undo: () => setHistory((before) => (before.length > 1 ? before.slice(0, -1) : before)),
    steps,
    changed: [...now.edits.values()].reduce((sum, edit) => sum + Object.keys(edit).length, 0),
    refused: [...now.refused].map(([key, { sentence }]) => ({ key, sentence })),
    forget: () => setHistory([nothingTyped]),
  };
}
