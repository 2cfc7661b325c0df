'use client';
import { useState, type KeyboardEvent } from 'react';
import type { Choice } from '@/core/add/choose';
import { leftOutReasons, type IncomingKey } from '@/core/add/incoming';
import { tickOf, type TreeRow } from '../add/tree-model';
import { ChoiceBox } from '../marks/choice-box';
import { rowsFurther } from '../parts/row-steps';
import { useRowWindow } from '../parts/use-row-window';
import styles from './bring-over.module.css';

/** Pixels. */
export const rowHeight = 33;

interface SourceListProps {
  readonly rows: readonly TreeRow[];
  readonly chosen: ReadonlySet<IncomingKey>;
  readonly needed: Choice['needed'];
  readonly hints: ReadonlyMap<IncomingKey, readonly string[]>;
  readonly folded: ReadonlySet<string>;
  /** The height of the card that lies over the foot of the list, in pixels. */
  readonly cardHeight: number;
  readonly onToggle: (keys: readonly IncomingKey[]) => void;
  readonly onFold: (key: string) => void;
  readonly onCurrent: (row: TreeRow) => void;
  readonly onOpen: (row: TreeRow) => void;
}

const keysOf = (row: TreeRow): readonly IncomingKey[] => (row.row === 'section' ? row.things : row.below);
const isFoldable = (row: TreeRow): boolean => row.row === 'section' || row.below.length > 1;

/** The source as it is: a tree to tick, a window onto as many rows as there are. */
export function SourceList(props: SourceListProps) {
  const { rows, onToggle, onFold, onCurrent, onOpen, folded, cardHeight } = props;
  const [at, setAt] = useState(0);
  const current = Math.max(0, Math.min(at, rows.length - 1));
  const { box, windowed } = useRowWindow({
    rows: rows.length,
    at: current,
    rowHeight,
    footHeight: cardHeight,
  });
  const go = (to: number) => {
    const next = Math.max(0, Math.min(rows.length - 1, to));
    setAt(next);
    const row = rows[next];
    if (row) onCurrent(row);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const row = rows[current];
    const further = event.ctrlKey || event.metaKey ? undefined : rowsFurther(event.key);
    if (further !== undefined) go(current + further);
    else if (row && event.key === ' ') onToggle(keysOf(row));
    else if (row && event.key === 'Enter') onOpen(row);
    else if (row && event.key === 'ArrowLeft' && isFoldable(row) && !folded.has(row.key)) onFold(row.key);
    else if (row && event.key === 'ArrowRight' && folded.has(row.key)) onFold(row.key);
    else return;
    event.preventDefault();
  };
  return (
    <div
      ref={box}
      className={styles.list}
      tabIndex={0}
      role="tree"
      aria-multiselectable="true"
      aria-label="The source"
      aria-activedescendant={
        windowed.getVirtualItems().some(({ index }) => index === current) ? `source-${current}` : undefined
      }
      onKeyDown={onKeyDown}
      data-testid="source"
    >
      <div style={{ height: windowed.getTotalSize(), position: 'relative' }} role="presentation">
        {windowed.getVirtualItems().map(({ index, key, start }) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <SourceRow
              {...props}
              key={key}
              row={row}
              index={index}
              top={start}
              isCurrent={index === current}
              onPress={() => {
                go(index);
                onOpen(row);
              }}
            />
          );
        })}
      </div>
    </div>
  );
}

interface SourceRowProps extends Pick<
  SourceListProps,
  'chosen' | 'needed' | 'hints' | 'folded' | 'onToggle' | 'onFold'
> {
  readonly row: TreeRow;
  readonly index: number;
  /** Pixels from the top of the list. */
  readonly top: number;
  readonly isCurrent: boolean;
  readonly onPress: () => void;
}

function SourceRow({ row, index, top, isCurrent, onPress, ...list }: SourceRowProps) {
  const { chosen, needed, folded, onToggle, onFold } = list;
  const state = tickOf(keysOf(row), chosen);
  const depth = row.row === 'section' ? 0 : row.depth - 1;
  const isModule = row.row === 'section' || row.thing.kind === 'module';
  const isAlong = row.row === 'thing' && needed.has(row.key) && !isModule;
  return (
    <div
      id={`source-${index}`}
      role="treeitem"
      aria-level={depth + 1}
      aria-selected={isCurrent}
      aria-checked={state === 'some' ? 'mixed' : state === 'all'}
      aria-expanded={isFoldable(row) ? !folded.has(row.key) : undefined}
      data-current={isCurrent}
      data-along={isAlong}
      className={styles.row}
      style={{ top, height: rowHeight, paddingLeft: 10 + depth * 20 }}
      onClick={onPress}
    >
      <FoldMark isShown={isFoldable(row)} isFolded={folded.has(row.key)} onPress={() => onFold(row.key)} />
      <ChoiceBox state={state} onToggle={() => onToggle(keysOf(row))} />
      <span className={isModule ? styles.module : styles.title}>
        {row.row === 'section' ? row.title : row.thing.title}
      </span>
      <RowNotes row={row} {...list} isAlong={isAlong} />
    </div>
  );
}

interface FoldMarkProps {
  readonly isShown: boolean;
  readonly isFolded: boolean;
  readonly onPress: () => void;
}

function FoldMark({ isShown, isFolded, onPress }: FoldMarkProps) {
  if (!isShown) return <span className={styles.fold} />;
  return (
    <span
      className={styles.fold}
      aria-hidden="true"
      onClick={(event) => {
        event.stopPropagation();
        onPress();
      }}
    >
      {isFolded ? '▸' : '▾'}
    </span>
  );
}

/** What is said at the end of a row: what the checks know, what it is to the shell here, that it comes along. */
function RowNotes({
  row,
  hints,
  chosen,
  isAlong,
}: Pick<SourceListProps, 'hints' | 'chosen'> & { readonly row: TreeRow; readonly isAlong: boolean }) {
  if (row.row === 'section') return <span className={`soft number ${styles.note}`}>{row.things.length}</span>;
  const { key, standing, counterpart, kind, leftOut } = row.thing;
  const says = hints.get(key) ?? [];
  return (
    <span className={styles.note}>
      {says.slice(0, 2).map((hint) => (
        <span key={hint} className={styles.hint}>
          {hint}
        </span>
      ))}
      {isAlong && !chosen.has(key) && <span className="soft">comes along</span>}
      {leftOut !== null && says.length === 0 && !chosen.has(key) && (
        <span className="soft">{leftOutReasons[leftOut]}</span>
      )}
      {standing === 'there' && kind === 'module' && counterpart !== null && (
        <span className="soft">goes into “{counterpart.title}”</span>
      )}
      {standing === 'there' && kind !== 'module' && <span className="soft">already there</span>}
      {standing === 'differs' && <span className={styles.differs}>differs</span>}
      {standing === 'doubled' && says.length === 0 && <span className="soft">a second copy</span>}
    </span>
  );
}
