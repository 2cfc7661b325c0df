'use client';
import { useRef, useState, type ClipboardEvent, type KeyboardEvent, type RefObject } from 'react';
import type { DayOrder } from '@/core/values/read-moment';
import { valueColumns, type ValueRow } from '@/core/values/value-row';
import { cellsOf, pastedCells, rangeBetween, type Cell, type CellRange } from './cell-range';
import type { ValuesState } from './use-values';
import { gridAction, type GridDoing } from './value-keys';
import { weekApart } from './week-apart';

export interface ValueGridState {
  readonly box: RefObject<HTMLDivElement | null>;
  /** The cell that the keys are at. */
  readonly at: Cell;
  /** The chosen cells. */
  readonly range: CellRange;
  /** What is typed into the cell that the keys are at; null where nothing is. */
  readonly typing: string | null;
  setTyping(text: string | null): void;
  /** What was typed goes into the cell. */
  takeTyped(): void;
  go(cell: Cell, extend: boolean): void;
  fillDown(): void;
  /** The first date of each column, a week later in each row below it. */
  spreadWeeks(): void;
  onKey(event: KeyboardEvent): void;
  onCopy(event: ClipboardEvent): void;
  onPaste(event: ClipboardEvent): void;
}

/** Going about in the grid of values: cells chosen, typed over, emptied, filled, copied and pasted. */
export function useValueGrid(
  rows: readonly ValueRow[],
  values: ValuesState,
  order: DayOrder,
): ValueGridState {
  const box = useRef<HTMLDivElement>(null);
  const { at, range, choose } = useCellChoice(rows.length);
  const [typing, setTyping] = useState<string | null>(null);
  // A field that goes away is left, too: what was typed is taken once.
  const isTyping = useRef(false);
  const textAt = ({ row, column }: Cell): string => {
    const one = rows[row];
    return one ? values.textOf(one, column) : '';
  };
  const type = (text: string | null) => {
    isTyping.current = text !== null;
    setTyping(text);
  };
  const takeTyped = () => {
    if (typing === null || !isTyping.current) return;
    type(null);
    values.put(rows, [{ ...at, text: typing }]);
    box.current?.focus();
  };
  const go = (cell: Cell, extend: boolean) => {
    takeTyped();
    choose(cell, extend);
  };
  const putAll = (textFor: (cell: Cell) => string) =>
    values.put(
      rows,
      cellsOf(range).map((cell) => ({ ...cell, text: textFor(cell) })),
    );
  const fillDown = () => putAll(({ column }) => textAt({ row: range.top, column }));

  const doing: GridDoing = {
    step: (down, right, extend) => go({ row: at.row + down, column: at.column + right }, extend),
    type: (text) => type(text ?? textAt(at)),
    leaveTyping: () => {
      type(null);
      box.current?.focus();
    },
    empty: () => putAll(() => ''),
    fillDown,
    undo: values.undo,
  };
  return {
    box,
    at,
    range,
    typing,
    setTyping: type,
    takeTyped,
    go,
    fillDown,
    spreadWeeks: () => values.put(rows, weekApart(range, textAt, order)),
    onKey: (event) => {
      const run = gridAction(event, typing !== null, doing);
      if (!run) return;
      event.preventDefault();
      run();
    },
    ...clipboard(typing !== null, range, textAt, (text) =>
      values.put(rows, pastedCells(text, range, rows.length, valueColumns.length)),
    ),
  };
}

/** The cell that the keys are at and the range that ends there, never outside the grid. */
function useCellChoice(rows: number) {
  const [end, setEnd] = useState<Cell>({ row: 0, column: 1 });
  const [corner, setCorner] = useState<Cell>(end);
  const within = (cell: Cell): Cell => ({
    row: Math.max(0, Math.min(rows - 1, cell.row)),
    column: Math.max(0, Math.min(valueColumns.length - 1, cell.column)),
  });
  const at = within(end);
  const choose = (cell: Cell, extend: boolean) => {
    setEnd(within(cell));
    if (!extend) setCorner(within(cell));
  };
  return { at, range: rangeBetween(within(corner), at), choose };
}

/** Copying and pasting of cells; while a cell is typed into they are about what is typed. */
function clipboard(
  isTyping: boolean,
  range: CellRange,
  textAt: (cell: Cell) => string,
  onText: (text: string) => void,
): Pick<ValueGridState, 'onCopy' | 'onPaste'> {
  return {
    onCopy: (event) => {
      if (isTyping) return;
      event.preventDefault();
      event.clipboardData.setData('text/plain', copied(range, textAt));
    },
    onPaste: (event) => {
      if (isTyping) return;
      event.preventDefault();
      onText(event.clipboardData.getData('text/plain'));
    },
  };
}

/** The chosen cells as spreadsheets take them: columns apart by tabs, rows by line breaks. */
function copied(range: CellRange, textAt: (cell: Cell) => string): string {
  const lines: string[] = [];
  for (let row = range.top; row <= range.bottom; row += 1) {
    const cells: string[] = [];
    for (let column = range.left; column <= range.right; column += 1) cells.push(textAt({ row, column }));
    lines.push(cells.join('\t'));
  }
  return lines.join('\n');
}
