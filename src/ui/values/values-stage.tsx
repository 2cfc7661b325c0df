'use client';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { dateColumns, holds, type ValueRow } from '@/core/values/value-row';
import { wordFinder } from '@/core/text/has-words';
import { plural } from '@/core/text/plural';
import type { ValuesView } from '@/services/show/decide/values-view';
import { FilterChip } from '../marks/filter-chip';
import { HeldBack } from '../parts/held-back';
import { KeyHints } from '../parts/key-hints';
import { useLocale } from '../parts/use-locale';
import { usePlanEdit } from '../parts/use-plan-edit';
import { cellCount } from './cell-range';
import { useValueGrid, type ValueGridState } from './use-value-grid';
import { useValues, type ValuesState } from './use-values';
import { ValueGrid } from './value-grid';
import { readerForm } from './value-words';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './values.module.css';

const gridKeys = [
  ['← ↑ ↓ →', 'go'],
  ['Shift ↓', 'choose the way'],
  ['Enter', 'type, or take it'],
  ['Del', 'empty'],
  ['Ctrl D', 'fill down'],
  ['Ctrl C', 'copy'],
  ['Ctrl V', 'paste'],
  ['Ctrl Z', 'take back'],
] as const;

/** Dates, points, categories, access and requirements of many items in one grid; what is typed goes into the plan. */
export function ValuesStage({ view }: { view: ValuesView }) {
  const locale = useLocale();
  const form = useMemo(() => readerForm(locale), [locale]);
  const plan = usePlanEdit(view.id);
  const values = useValues(view, form);
  const [find, setFind] = useState('');
  const [only, setOnly] = useState<RowSort>('all');
  const rows = useMemo(() => rowsWith(view.rows.filter(rowSorts[only].isIn), find), [view.rows, find, only]);
  const cells = useValueGrid(rows, values, form.order);
  const takeAll = async () => {
    const ids = await plan.add('change', values.steps);
    if (ids.length > 0) values.forget();
  };
  return (
    <div className={styles.page}>
      <div>
        <h1>Values of {plural(rows.length, 'item')}</h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          As the plan so far would leave them. Type, fill or paste; it all goes into the plan together.
        </p>
      </div>
      <div className={styles.bar}>
        <TextField
          size="small"
          label="Filter"
          value={find}
          onChange={(event) => setFind(event.target.value)}
          sx={{ width: 220 }}
        />
        {rowSortNames.map((name) => (
          <FilterChip key={name} pressed={only === name} onClick={() => setOnly(name)}>
            {rowSorts[name].title}{' '}
            <span className="number soft">{view.rows.filter(rowSorts[name].isIn).length}</span>
          </FilterChip>
        ))}
        <GridButtons values={values} cells={cells} isBusy={plan.isBusy} onTake={() => void takeAll()} />
      </div>
      <Refused refused={values.refused} />
      <HeldBack held={plan.held} onClose={plan.forgetHeld} />
      {rows.length === 0 ? (
        <p>No item has all these words.</p>
      ) : (
        <ValueGrid rows={rows} values={values} cells={cells} />
      )}
      <KeyHints keys={gridKeys} />
    </div>
  );
}

interface GridButtonsProps {
  readonly values: ValuesState;
  readonly cells: ValueGridState;
  readonly isBusy: boolean;
  readonly onTake: () => void;
}

/** What can be done with the chosen cells, and with all that was typed. */
function GridButtons({ values, cells, isBusy, onTake }: GridButtonsProps) {
  const { range } = cells;
  const isOneRow = range.top === range.bottom;
  return (
    <>
      <span className="soft number" role="status">
        {sayState(values.refused.length, cellCount(range))}
      </span>
      <span style={{ flex: 1 }} />
      <Button size="small" color="inherit" disabled={!values.canUndo} onClick={values.undo}>
        Take back
      </Button>
      <Button size="small" variant="outlined" disabled={isOneRow} onClick={cells.fillDown}>
        Fill down
      </Button>
      <Button
        size="small"
        variant="outlined"
        disabled={isOneRow || range.right >= dateColumns.length}
        onClick={cells.spreadWeeks}
      >
        Fill a week apart
      </Button>
      <Button
        variant="contained"
        disabled={values.steps.length === 0 || values.refused.length > 0 || isBusy}
        onClick={onTake}
      >
        Put {plural(values.changed, 'change')} into the plan
      </Button>
    </>
  );
}

/** So many cells that can’t be taken are told of one by one. */
const mostRefused = 5;

function Refused({ refused }: Pick<ValuesState, 'refused'>) {
  if (refused.length === 0) return null;
  return (
    <ul className={styles.refused} role="alert">
      {refused.slice(0, mostRefused).map(({ key, sentence }) => (
        <li key={key}>{sentence}</li>
      ))}
      {refused.length > mostRefused && <li>and {refused.length - mostRefused} more</li>}
    </ul>
  );
}

interface RowSortWords {
  readonly title: string;
  readonly isIn: (row: ValueRow) => boolean;
}

/** Which rows are shown. */
const rowSorts = {
  all: { title: 'All', isIn: () => true },
  graded: { title: 'Activities', isIn: (row) => holds(row, 'points') },
  dated: { title: 'With dates', isIn: (row) => dateColumns.some((column) => row[column] !== null) },
} as const satisfies Record<string, RowSortWords>;
type RowSort = keyof typeof rowSorts;
const rowSortNames = Object.keys(rowSorts) as RowSort[];

function sayState(refused: number, chosen: number): string {
  const parts = [
    ...(chosen > 1 ? [`${plural(chosen, 'cell')} chosen`] : []),
    ...(refused > 0 ? [`${refused} can’t be taken as typed`] : []),
  ];
  return parts.join(', ');
}

function rowsWith(rows: readonly ValueRow[], find: string): readonly ValueRow[] {
  if (find.trim() === '') return rows;
  const hasWords = wordFinder(find);
  return rows.filter((row) => hasWords([...row.path, row.title, row.kind].join(' ')));
}

/** It asks for its view by itself. */
export const DrawnValuesStage = drawnFrom(ValuesStage);
