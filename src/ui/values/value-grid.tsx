'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect } from 'react';
import { holds, valueColumns, type ValueRow } from '@/core/values/value-row';
import { isInside } from './cell-range';
import type { ValueGridState } from './use-value-grid';
import type { ValuesState } from './use-values';
import { columnTitles } from './value-words';
import styles from './values.module.css';

const rowHeight = 34;

interface ValueGridProps {
  readonly rows: readonly ValueRow[];
  readonly values: ValuesState;
  readonly cells: ValueGridState;
}

/** The values of many items, a cell each: gone through by arrows, typed over, copied and pasted. */
export function ValueGrid(props: ValueGridProps) {
  const { rows, cells } = props;
  const { box, at } = cells;
  // eslint-disable-next-line react-hooks/incompatible-library -- the list renders a window of its rows only
  const windowed = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => rowHeight,
    scrollPaddingStart: rowHeight,
    overscan: 10,
  });
  useEffect(() => {
    windowed.scrollToIndex(at.row, { align: 'auto' });
  }, [at.row, windowed]);
  return (
    <div
      ref={box}
      className={styles.grid}
      tabIndex={0}
      role="grid"
      aria-label="Values of items"
      aria-multiselectable="true"
      aria-rowcount={rows.length + 1}
      aria-colcount={valueColumns.length + 1}
      aria-activedescendant={`value-${at.row}-${at.column}`}
      onKeyDown={cells.onKey}
      onCopy={cells.onCopy}
      onPaste={cells.onPaste}
      data-testid="values"
    >
      <div role="rowgroup" className={styles.head}>
        <div role="row" aria-rowindex={1} className={styles.row}>
          <span role="columnheader" className={styles.name}>
            Item
          </span>
          {valueColumns.map((column) => (
            <span key={column} role="columnheader" className={styles.cell}>
              {columnTitles[column]}
            </span>
          ))}
        </div>
      </div>
      <div role="rowgroup" style={{ height: windowed.getTotalSize(), position: 'relative' }}>
        {windowed.getVirtualItems().map((slot) => {
          const row = rows[slot.index];
          return row && <GridRow key={row.ref} {...props} row={row} place={slot.index} top={slot.start} />;
        })}
      </div>
    </div>
  );
}

interface GridRowProps extends ValueGridProps {
  readonly row: ValueRow;
  readonly place: number;
  readonly top: number;
}

function GridRow(props: GridRowProps) {
  const { row, place, top } = props;
  return (
    <div
      role="row"
      aria-rowindex={place + 2}
      className={styles.row}
      style={{ position: 'absolute', top, left: 0, right: 0, height: rowHeight }}
    >
      <span role="rowheader" className={styles.name} title={[...row.path, row.title].join(' › ')}>
        {row.title} <span className="soft">{row.path.at(-1) ?? ''}</span>
      </span>
      {valueColumns.map((name, column) => (
        <GridCell key={name} {...props} column={column} isHeld={holds(row, name)} />
      ))}
    </div>
  );
}

interface GridCellProps extends GridRowProps {
  readonly column: number;
  /** Whether the item can have such a value. */
  readonly isHeld: boolean;
}

function GridCell({ row, place, column, isHeld, values, cells }: GridCellProps) {
  const { at, range, typing } = cells;
  const isAt = at.row === place && at.column === column;
  const refusal = values.refusalOf(row, column);
  const text = values.textOf(row, column);
  return (
    <span
      id={`value-${place}-${column}`}
      role="gridcell"
      aria-selected={isInside(range, { row: place, column })}
      aria-readonly={!isHeld}
      aria-invalid={refusal !== null}
      className={styles.cell}
      title={refusal ?? text}
      data-at={isAt}
      data-held={isHeld}
      data-changed={values.isChanged(row, column)}
      onClick={(event) => cells.go({ row: place, column }, event.shiftKey)}
      onDoubleClick={() => isHeld && cells.setTyping(text)}
    >
      {isAt && typing !== null ? (
        <input
          className={styles.input}
          aria-label={`${columnTitles[valueColumns[column] ?? 'due']} of ${row.title}`}
          value={typing}
          onChange={(event) => cells.setTyping(event.target.value)}
          onBlur={cells.takeTyped}
          autoFocus
        />
      ) : (
        text
      )}
    </span>
  );
}
