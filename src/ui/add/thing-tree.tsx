'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import { standingTitles, type IncomingKey } from '@/core/add/incoming';
import type { Choice } from '@/core/add/needs';
import { kindNames } from '../bring-in/kind-names';
import { ChoiceBox } from '../marks/choice-box';
import { tickOf, type TreeRow } from './tree-model';
import styles from './add.module.css';

const heights = { section: 40, thing: 46 } as const;

interface ThingTreeProps {
  readonly label: string;
  /** Whether each thing's standing to the shell is said. */
  readonly standing?: boolean;
  readonly rows: readonly TreeRow[];
  readonly chosen: ReadonlySet<IncomingKey>;
  readonly along: Choice['along'];
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

/** What is to be said beside a thing: how it differs, why it comes along, why it does not, what it stands beside. */
function noteOf(
  thing: Extract<TreeRow, { row: 'thing' }>['thing'],
  isChosen: boolean,
  reason: { readonly why: string; readonly for: string } | undefined,
): string {
  if (thing.differences.length) return thing.differences.join('; ');
  if (reason) return `comes along: ${reason.why} “${reason.for}”`;
  if (!isChosen && thing.leftOut) return thing.leftOut;
  return thing.counterpart && thing.standing === 'doubled' ? `as “${thing.counterpart.title}”` : '';
}

const keysOf = (row: TreeRow): readonly IncomingKey[] => (row.row === 'section' ? row.things : row.below);

/** Everything that a package would bring, as a tree to tick: a window onto as many rows as there are. */
export function ThingTree({ label, standing = true, rows, chosen, along, onToggle }: ThingTreeProps) {
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
    const keys: Readonly<Record<string, () => void>> = {
      ArrowDown: () => go(current + 1),
      ArrowUp: () => go(current - 1),
      PageDown: () => go(current + 12),
      PageUp: () => go(current - 12),
      Home: () => go(0),
      End: () => go(rows.length - 1),
      ' ': () => row && onToggle(keysOf(row)),
    };
    const run = event.ctrlKey || event.metaKey ? undefined : keys[event.key];
    if (!run) return;
    event.preventDefault();
    run();
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
          const row = rows[slot.index]!;
          const state = tickOf(keysOf(row), chosen);
          const common = {
            id: `incoming-${slot.index}`,
            role: 'treeitem',
            'aria-level': row.row === 'section' ? 1 : row.depth + 1,
            'aria-checked': state === 'some' ? ('mixed' as const) : state === 'all',
            'data-current': slot.index === current,
            onClick: () => setAt(slot.index),
          };
          const place = {
            position: 'absolute',
            top: slot.start,
            left: 0,
            right: 0,
            height: heights[row.row],
          } as const;
          const choice = <ChoiceBox state={state} onToggle={() => onToggle(keysOf(row))} />;
          if (row.row === 'section')
            return (
              <div key={slot.key} {...common} className={styles.section} style={place}>
                {choice}
                <span style={{ flex: 1 }}>{row.title}</span>
                <span className="soft number">{row.things.length}</span>
              </div>
            );
          const { thing } = row;
          const reason = along.get(thing.key);
          const note = noteOf(thing, chosen.has(thing.key), reason);
          return (
            <div
              key={slot.key}
              {...common}
              className={styles.row}
              style={{ ...place, paddingLeft: 8 + (row.depth - 1) * 22 }}
              data-along={reason !== undefined}
            >
              {choice}
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
            </div>
          );
        })}
      </div>
    </div>
  );
}
