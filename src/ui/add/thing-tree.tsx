'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import type { Choice } from '@/core/add/choose';
import { leftOutReasons, standingTitles, type IncomingKey } from '@/core/add/incoming';
import { kindNames } from '../bring-in/kind-names';
import { ChoiceBox } from '../marks/choice-box';
import { rowsFurther } from '../parts/row-steps';
import { tickOf, type TreeRow } from './tree-model';
import styles from './add.module.css';

const heights = { section: 40, thing: 46 } as const;

interface ThingTreeProps {
  readonly label: string;
  /** Whether each thing's standing to the shell is said. */
  readonly standing?: boolean;
  readonly rows: readonly TreeRow[];
  readonly chosen: ReadonlySet<IncomingKey>;
  /** What comes since something ticked needs it. */
  readonly needed: Choice['needed'];
  readonly onToggle: (keys: readonly IncomingKey[]) => void;
}

const otherKinds = {
  event: 'Event',
  gradeCategory: 'Grade category',
  gradeColumn: 'Grade column',
  bank: 'Question bank',
} as const;

function kindOf({ thing }: Extract<TreeRow, { row: 'thing' }>): string {
  if (thing.type === 'item') return kindNames[thing.kind as keyof typeof kindNames][0];
  return thing.type === 'file' ? thing.kind : otherKinds[thing.type];
}

/** What is to be said beside a thing: how it differs, that it comes along, why it does not, what it stands beside. */
function noteOf(
  thing: Extract<TreeRow, { row: 'thing' }>['thing'],
  isChosen: boolean,
  isNeeded: boolean,
): string {
  if (thing.differences.length > 0) return thing.differences.join('; ');
  if (isNeeded && !isChosen) return 'comes along with what needs it';
  if (!isChosen && thing.leftOut !== null) return leftOutReasons[thing.leftOut];
  const counterpart = thing.standing === 'there' ? thing.counterpart : null;
  return counterpart !== null && counterpart.title !== thing.title ? `there as “${counterpart.title}”` : '';
}

const keysOf = (row: TreeRow): readonly IncomingKey[] => (row.row === 'section' ? row.things : row.below);

/** Everything that a package would bring, as a tree to tick: a window onto as many rows as there are. */
export function ThingTree({ label, standing = true, rows, chosen, needed, onToggle }: ThingTreeProps) {
  const box = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState(0);
  // eslint-disable-next-line react-hooks/incompatible-library -- the tree renders a window of its rows only
  const windowed = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: (i) => heights[rows[i]?.row ?? 'thing'],
    getItemKey: (i) => rows[i]?.key ?? i,
    overscan: 14,
  });
  useEffect(() => windowed.measure(), [rows, windowed]);
  const current = Math.min(at, rows.length - 1);
  const go = (to: number) => {
    const next = Math.max(0, Math.min(rows.length - 1, to));
    setAt(next);
    windowed.scrollToIndex(next, { align: 'auto' });
  };
  const onKey = (event: React.KeyboardEvent) => {
    const row = rows[current];
    const further = event.ctrlKey || event.metaKey ? undefined : rowsFurther(event.key);
    if (further === undefined && event.key !== ' ') return;
    event.preventDefault();
    if (further !== undefined) go(current + further);
    else if (row) onToggle(keysOf(row));
  };
  return (
    <div
      ref={box}
      className={styles.tree}
      tabIndex={0}
      role="tree"
      aria-multiselectable="true"
      aria-label={label}
      aria-activedescendant={
        windowed.getVirtualItems().some((v) => v.index === current) ? `incoming-${current}` : undefined
      }
      onKeyDown={onKey}
      data-testid="incoming"
    >
      <div style={{ height: windowed.getTotalSize(), position: 'relative' }} role="presentation">
        {windowed.getVirtualItems().map((slot) => {
          const row = rows[slot.index];
          if (!row) return null;
          return (
            <TreeLine
              key={slot.key}
              row={row}
              index={slot.index}
              top={slot.start}
              isCurrent={slot.index === current}
              onCurrent={() => setAt(slot.index)}
              chosen={chosen}
              needed={needed}
              standing={standing}
              onToggle={onToggle}
            />
          );
        })}
      </div>
    </div>
  );
}

interface TreeLineProps extends Pick<ThingTreeProps, 'chosen' | 'needed' | 'standing' | 'onToggle'> {
  readonly row: TreeRow;
  readonly index: number;
  /** Pixels from the top of the tree. */
  readonly top: number;
  readonly isCurrent: boolean;
  readonly onCurrent: () => void;
}

/** A row to tick: a section with all its things, or one thing with all below it. */
function TreeLine({ row, index, top, isCurrent, onCurrent, onToggle, ...shown }: TreeLineProps) {
  const { chosen, needed, standing } = shown;
  const state = tickOf(keysOf(row), chosen);
  return (
    <div
      id={`incoming-${index}`}
      role="treeitem"
      aria-level={row.row === 'section' ? 1 : row.depth + 1}
      aria-selected={isCurrent}
      aria-checked={state === 'some' ? 'mixed' : state === 'all'}
      data-current={isCurrent}
      data-along={row.row === 'thing' && needed.has(row.thing.key)}
      onClick={onCurrent}
      className={row.row === 'section' ? styles.section : styles.row}
      style={{ ...placeOf(row), top }}
    >
      <ChoiceBox state={state} onToggle={() => onToggle(keysOf(row))} />
      {row.row === 'section' ? (
        <SectionRow row={row} />
      ) : (
        <ThingRow row={row} chosen={chosen} needed={needed} standing={standing} />
      )}
    </div>
  );
}

/** Where a row stands in the window; deeper things stand further in. */
const placeOf = (row: TreeRow) => ({
  position: 'absolute' as const,
  left: 0,
  right: 0,
  height: heights[row.row],
  ...(row.row === 'thing' ? { paddingLeft: 8 + (row.depth - 1) * 22 } : {}),
});

function SectionRow({ row }: { row: Extract<TreeRow, { row: 'section' }> }) {
  return (
    <>
      <span style={{ flex: 1 }}>{row.title}</span>
      <span className="soft number">{row.things.length}</span>
    </>
  );
}

interface ThingRowProps extends Pick<ThingTreeProps, 'chosen' | 'needed' | 'standing'> {
  readonly row: Extract<TreeRow, { row: 'thing' }>;
}

function ThingRow({ row, chosen, needed, standing }: ThingRowProps) {
  const { thing } = row;
  const note = noteOf(thing, chosen.has(thing.key), needed.has(thing.key));
  return (
    <>
      <span className={styles.text}>
        <span title={thing.title} style={{ fontWeight: thing.kind === 'module' ? 600 : 400 }}>
          {thing.title}
        </span>
        <span className="soft" style={{ fontSize: '0.82rem' }} title={note}>
          {kindOf(row)}
          {note && ` · ${note}`}
        </span>
      </span>
      {standing && (
        <span className={styles.standing} data-standing={thing.standing}>
          {standingTitles[thing.standing]}
        </span>
      )}
    </>
  );
}
