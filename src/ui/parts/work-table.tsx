'use client';
import TextField from '@mui/material/TextField';
import { useId, useMemo, useState, type CSSProperties, type KeyboardEvent, type ReactNode } from 'react';
import { ChoiceBox } from '../marks/choice-box';
import { KeyHints } from './key-hints';
import { rowsFurther } from './row-steps';
import { useChoice, type Choice } from './use-choice';
import { useRowWindow } from './use-row-window';
import { workRows, type WorkColumn, type WorkSort } from './work-rows';
import styles from './work-table.module.css';

const rowHeight = 36;

interface WorkTableProps<Row> {
  readonly label: string;
  /** What the table is filtered by when it opens. */
  readonly find?: string;
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => string;
  readonly columns: readonly WorkColumn<Row>[];
  /** What can be done with the chosen rows; `clear` lets them go. */
  readonly actions: (chosen: readonly Row[], clear: () => void) => ReactNode;
}

/** A table to work in: filter, sort, choose one, a range or all, and act on what is chosen. */
export function WorkTable<Row>({ label, find = '', rows, keyOf, columns, actions }: WorkTableProps<Row>) {
  const [filter, setFilter] = useState(find);
  const [sort, setSort] = useState<WorkSort | null>(null);
  const shown = useMemo(() => workRows(rows, columns, filter, sort), [rows, columns, filter, sort]);
  const keys = useMemo(() => shown.map(keyOf), [shown, keyOf]);
  const choice = useChoice(keys);
  const chosenRows = shown.filter((row) => choice.chosen.has(keyOf(row)));
  const tracks = `28px ${columns.map((column) => column.width).join(' ')}`;
  return (
    <div className={styles.work}>
      <div className={styles.bar}>
        <TextField
          size="small"
          label="Filter"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
          sx={{ width: 240 }}
        />
        <span className="soft number" role="status">
          {sayCounts(choice.chosen.size, shown.length, rows.length)}
        </span>
        <span style={{ flex: 1 }} />
        {actions(chosenRows, choice.clear)}
      </div>
      <Grid
        label={label}
        rows={shown}
        keys={keys}
        columns={columns}
        choice={choice}
        tracks={tracks}
        sort={sort}
        onSort={(column) => setSort(nextSort(sort, column))}
      />
      <KeyHints keys={tableKeys} />
    </div>
  );
}

/** What the keys do in the table. */
const tableKeys = [
  ['↑ ↓', 'go'],
  ['Space', 'choose'],
  ['Shift ↓', 'choose the way'],
  ['Ctrl A', 'all'],
  ['Esc', 'none'],
] as const;

function sayCounts(chosen: number, shown: number, all: number): string {
  const figures = (n: number) => n.toLocaleString('en');
  const some = shown < all ? `${figures(shown)} of ${figures(all)}` : figures(all);
  return chosen > 0 ? `${figures(chosen)} of ${figures(shown)} chosen` : some;
}

/** Up, down, and the given order again. */
function nextSort(sort: WorkSort | null, column: string): WorkSort | null {
  if (sort?.column !== column) return { column, down: false };
  return sort.down ? null : { column, down: true };
}

interface GridProps<Row> {
  readonly label: string;
  readonly rows: readonly Row[];
  readonly keys: readonly string[];
  readonly columns: readonly WorkColumn<Row>[];
  readonly choice: Choice;
  readonly tracks: string;
  readonly sort: WorkSort | null;
  readonly onSort: (column: string) => void;
}

function Grid<Row>({ label, rows, keys, columns, choice, tracks, sort, onSort }: GridProps<Row>) {
  // Two tables may stand on one page, and a row is named by its table.
  const name = useId();
  const { at } = choice;
  const { box, windowed } = useRowWindow({ rows: rows.length, at, rowHeight, headHeight: rowHeight });
  const slots = windowed.getVirtualItems();
  const isDrawn = slots.some((slot) => slot.index === at);
  return (
    <div
      ref={box}
      className={styles.grid}
      tabIndex={0}
      role="grid"
      aria-label={label}
      aria-multiselectable="true"
      aria-rowcount={rows.length + 1}
      aria-activedescendant={isDrawn ? `${name}-row-${at}` : undefined}
      onKeyDown={(event) => onKey(event, choice)}
      style={{ '--tracks': tracks } as CSSProperties}
    >
      <HeadRow columns={columns} choice={choice} count={rows.length} sort={sort} onSort={onSort} />
      <div role="rowgroup" style={{ height: windowed.getTotalSize(), position: 'relative' }}>
        {slots.map((slot) => {
          const row = rows[slot.index];
          const key = keys[slot.index];
          if (row === undefined || key === undefined) return null;
          const isChosen = choice.chosen.has(key);
          return (
            <div
              key={key}
              id={`${name}-row-${slot.index}`}
              role="row"
              aria-rowindex={slot.index + 2}
              aria-selected={isChosen}
              data-at={slot.index === at}
              className={styles.row}
              style={{ position: 'absolute', top: slot.start, left: 0, right: 0, height: rowHeight }}
              onClick={(event) => choice.toggle(slot.index, event.shiftKey)}
            >
              <span role="gridcell" className={styles.cell}>
                <ChoiceBox
                  state={isChosen ? 'all' : 'none'}
                  onToggle={() => choice.toggle(slot.index, false)}
                />
              </span>
              {columns.map((column) => (
                <span key={column.key} role="gridcell" className={styles.cell} title={column.text(row)}>
                  {column.text(row)}
                </span>
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}

interface HeadRowProps<Row> {
  readonly columns: readonly WorkColumn<Row>[];
  readonly choice: Choice;
  readonly count: number;
  readonly sort: WorkSort | null;
  readonly onSort: (column: string) => void;
}

function HeadRow<Row>({ columns, choice, count, sort, onSort }: HeadRowProps<Row>) {
  const someOrAll = choice.chosen.size === count ? 'all' : 'some';
  return (
    <div role="rowgroup" className={styles.head}>
      <div role="row" aria-rowindex={1} className={styles.row}>
        <span role="columnheader" className={styles.cell} aria-label="Chosen">
          <ChoiceBox state={choice.chosen.size === 0 ? 'none' : someOrAll} onToggle={choice.toggleAll} />
        </span>
        {columns.map((column) => (
          <span
            key={column.key}
            role="columnheader"
            className={styles.cell}
            aria-sort={sort?.column === column.key ? orderOf(sort) : 'none'}
          >
            <button type="button" className={styles.sort} onClick={() => onSort(column.key)}>
              {column.title}
              <span aria-hidden="true">{sort?.column === column.key ? arrowOf(sort) : ''}</span>
            </button>
          </span>
        ))}
      </div>
    </div>
  );
}

const orderOf = ({ down }: WorkSort) => (down ? 'descending' : 'ascending');
const arrowOf = ({ down }: WorkSort) => (down ? ' ↓' : ' ↑');

/** The keys of the table: arrows go, with Shift they choose the way, Space chooses, Ctrl A all, Escape none. */
function onKey(event: KeyboardEvent, choice: Choice): void {
  if (event.target !== event.currentTarget) return;
  const by = rowsFurther(event.key);
  if (by !== undefined) choice.move(by, event.shiftKey);
  else if (event.key === ' ') choice.toggle(choice.at, event.shiftKey);
  else if (event.key === 'Escape') choice.clear();
  else if (event.key.toLowerCase() === 'a' && (event.ctrlKey || event.metaKey)) choice.toggleAll();
  else return;
  event.preventDefault();
}
