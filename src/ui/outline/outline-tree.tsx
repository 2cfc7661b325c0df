'use client';
import { entryOf } from '@/core/entries';
import { useImperativeHandle, type KeyboardEvent, type Ref } from 'react';
import TextField from '@mui/material/TextField';
import type { Side } from '@/core/outline/move-gestures';
import type { OutlineView } from '@/services/show/decide/outline-view';
import type { Choice } from '../parts/use-choice';
import type { OutlineRow } from './outline-model';
import { rowHeight, TreeRow } from './tree-row';
import { useRowWindow } from '../parts/use-row-window';
import { useTreeDrag } from './use-tree-drag';
import styles from './outline.module.css';

/** What else on the page can ask of the tree: where it stands, and to go there. */
export interface TreeHandle {
  goTo(row: number): void;
}

interface OutlineTreeProps {
  readonly ref: Ref<TreeHandle>;
  readonly rows: readonly OutlineRow[];
  readonly findings: OutlineView['findings'];
  readonly choice: Choice;
  readonly find: string;
  readonly onFind: (words: string) => void;
  readonly onKey: (event: KeyboardEvent) => void;
  readonly onOpen: (row: OutlineRow, isOpen: boolean) => void;
  /** `dragged` was let go beside or in `neighbour`. */
  readonly onDrop: (dragged: string, neighbour: string, side: Side) => void;
}

/** A table that is a tree (WAI-ARIA 1.2, treegrid): a window onto as many rows as there are. */
export function OutlineTree({
  ref,
  rows,
  findings,
  choice,
  find,
  onFind,
  onKey,
  onOpen,
  onDrop,
}: OutlineTreeProps) {
  const drag = useTreeDrag(choice.chosen, onDrop);
  const { at } = choice;
  const { box, windowed } = useRowWindow({ rows: rows.length, at, rowHeight, headHeight: rowHeight });
  useImperativeHandle(ref, () => ({ goTo: (row) => windowed.scrollToIndex(row, { align: 'center' }) }), [
    windowed,
  ]);
  const slots = windowed.getVirtualItems();
  return (
    <div className={styles.treeBox}>
      <TreeBar rows={rows.length} chosen={choice.chosen.size} find={find} onFind={onFind} />
      <div
        ref={box}
        className={styles.tree}
        tabIndex={0}
        role="treegrid"
        aria-label="Outline"
        aria-multiselectable="true"
        aria-rowcount={rows.length + 1}
        aria-activedescendant={slots.some((slot) => slot.index === at) ? `outline-row-${at}` : undefined}
        onKeyDown={(event) => event.target === event.currentTarget && onKey(event)}
        data-testid="outline"
      >
        <TreeHead />
        <div role="rowgroup" style={{ height: windowed.getTotalSize(), position: 'relative' }}>
          {slots.map((slot) => {
            const row = rows[slot.index];
            if (!row) return null;
            return (
              <TreeRow
                key={row.item.ref}
                row={row}
                index={slot.index}
                top={slot.start}
                finding={entryOf(findings, row.item.ref)}
                isAt={slot.index === at}
                isChosen={choice.chosen.has(row.item.ref)}
                drop={drag.sideAt(row)}
                dropWords={drag.wordsAt(row)}
                onToggle={(range) => choice.toggle(slot.index, range)}
                onOpen={(isOpen) => onOpen(row, isOpen)}
                onDrag={() => drag.begin(row)}
                onOver={(event) => drag.over(event, row)}
                onLetGo={drag.letGo}
              />
            );
          })}
        </div>
      </div>
    </div>
  );
}

interface TreeBarProps {
  readonly rows: number;
  readonly chosen: number;
  readonly find: string;
  readonly onFind: (words: string) => void;
}

function TreeBar({ rows, chosen, find, onFind }: TreeBarProps) {
  return (
    <div className={styles.treeBar}>
      <TextField
        size="small"
        label="Find a title"
        value={find}
        onChange={(event) => onFind(event.target.value)}
        sx={{ width: 240 }}
      />
      <span className="soft number" role="status">
        {chosen > 0 && `${chosen.toLocaleString('en')} of `}
        {rows.toLocaleString('en')} {chosen > 0 ? 'chosen' : 'rows'}
      </span>
    </div>
  );
}

function TreeHead() {
  return (
    <div role="rowgroup" className={styles.treeHead}>
      <div role="row" aria-rowindex={1} className={styles.treeRow}>
        {['Title', 'Kind', 'Students get', 'Dates', 'Points'].map((title) => (
          <span key={title} role="columnheader">
            {title}
          </span>
        ))}
      </div>
    </div>
  );
}
