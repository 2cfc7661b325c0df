'use client';
import type { KeyboardEvent } from 'react';
import { SightMark } from '../../marks/sight-mark';
import { rowsFurther } from '../../parts/row-steps';
import { useRowWindow } from '../../parts/use-row-window';
import type { EyeRow } from './eye-model';
import styles from './eye.module.css';

const rowHeight = 34;

interface EyeListProps {
  readonly label: string;
  readonly rows: readonly EyeRow[];
  /** The key of the row that is looked at. */
  readonly current: string | null;
  readonly onCurrent: (key: string) => void;
  /** Whether what students get is said: not where every row is shown. */
  readonly saysSight: boolean;
}

/** What students get, row by row: a window onto as many as there are. */
export function EyeListBox({ label, rows, current, onCurrent, saysSight }: EyeListProps) {
  const at = Math.max(
    0,
    rows.findIndex(({ key }) => key === current),
  );
  const { box, windowed } = useRowWindow({ rows: rows.length, at, rowHeight });
  const onKey = (event: KeyboardEvent) => {
    const step = rowsFurther(event.key);
    if (step === undefined) return;
    event.preventDefault();
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + step))];
    if (next) onCurrent(next.key);
  };
  const slots = windowed.getVirtualItems();
  return (
    <div
      ref={box}
      className={styles.list}
      tabIndex={0}
      role="listbox"
      aria-label={label}
      aria-activedescendant={slots.some((slot) => slot.index === at) ? `eye-row-${at}` : undefined}
      onKeyDown={onKey}
      data-testid="eye-list"
    >
      <div style={{ height: windowed.getTotalSize(), position: 'relative' }} role="presentation">
        {slots.map((slot) => {
          const row = rows[slot.index];
          if (!row) return null;
          return (
            <div
              key={row.key}
              id={`eye-row-${slot.index}`}
              role="option"
              aria-selected={slot.index === at}
              className={styles.row}
              style={{ top: slot.start, height: rowHeight, paddingLeft: 14 + 18 * row.level }}
              onClick={() => onCurrent(row.key)}
            >
              <RowWords row={row} saysSight={saysSight} />
            </div>
          );
        })}
      </div>
    </div>
  );
}

function RowWords({ row, saysSight }: { row: EyeRow; saysSight: boolean }) {
  return (
    <>
      {saysSight && (
        <span className={styles.sight}>
          <SightMark sight={row.seen.sight} />
        </span>
      )}
      <span className={styles.title}>{row.title}</span>
      <span className={styles.note}>{row.note}</span>
    </>
  );
}
