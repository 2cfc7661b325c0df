'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import {
  useEffect,
  useImperativeHandle,
  useRef,
  useState,
  type DragEvent,
  type KeyboardEvent,
  type Ref,
} from 'react';
import TextField from '@mui/material/TextField';
import type { Side } from '@/core/outline/move-gestures';
import type { OutlineView } from '@/services/decide/outline-view';
import { ChoiceBox } from '../marks/choice-box';
import { FamilyShape } from '../marks/family-shape';
import type { Choice } from '../parts/use-choice';
import { sayDate, sayKind, type OutlineRow } from './outline-model';
import { SightMark } from '../marks/sight-mark';
import styles from './outline.module.css';

const rowHeight = 32;

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

interface Drop {
  readonly ref: string;
  readonly side: Side;
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
  const box = useRef<HTMLDivElement>(null);
  const [dragged, setDragged] = useState<string | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list renders a window of its rows only
  const windowed = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => rowHeight,
    scrollPaddingStart: rowHeight,
    overscan: 16,
  });
  const { at } = choice;
  useEffect(() => {
    windowed.scrollToIndex(at, { align: 'auto' });
  }, [at, windowed]);
  useImperativeHandle(ref, () => ({ goTo: (row) => windowed.scrollToIndex(row, { align: 'center' }) }), [
    windowed,
  ]);
  const slots = windowed.getVirtualItems();
  const letGo = () => {
    if (dragged !== null && drop !== null) onDrop(dragged, drop.ref, drop.side);
    setDragged(null);
    setDrop(null);
  };
  const count = dragged !== null && choice.chosen.has(dragged) ? choice.chosen.size : 1;
  return (
    <div className={styles.treeBox}>
      <div className={styles.treeBar}>
        <TextField
          size="small"
          label="Find a title"
          value={find}
          onChange={(event) => onFind(event.target.value)}
          sx={{ width: 240 }}
        />
        <span className="soft number" role="status">
          {choice.chosen.size > 0 && `${choice.chosen.size.toLocaleString('en')} of `}
          {rows.length.toLocaleString('en')} {choice.chosen.size > 0 ? 'chosen' : 'rows'}
        </span>
      </div>
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
        <div role="rowgroup" className={styles.treeHead}>
          <div role="row" aria-rowindex={1} className={styles.treeRow}>
            {['Title', 'Kind', 'Students get', 'Dates', 'Points'].map((title) => (
              <span key={title} role="columnheader">
                {title}
              </span>
            ))}
          </div>
        </div>
        <div role="rowgroup" style={{ height: windowed.getTotalSize(), position: 'relative' }}>
          {slots.map((slot) => {
            const row = rows[slot.index];
            if (!row) return null;
            const finding = findings[row.item.ref];
            return (
              <TreeRow
                key={row.item.ref}
                row={row}
                index={slot.index}
                top={slot.start}
                finding={finding}
                isAt={slot.index === at}
                isChosen={choice.chosen.has(row.item.ref)}
                drop={drop?.ref === row.item.ref ? drop.side : null}
                dropWords={sayDrop(count, row, drop)}
                onToggle={(range) => choice.toggle(slot.index, range)}
                onOpen={(isOpen) => onOpen(row, isOpen)}
                onDrag={() => setDragged(row.item.ref)}
                onOver={(event) => setDrop(dropOver(event, row, dragged))}
                onLetGo={letGo}
              />
            );
          })}
        </div>
      </div>
    </div>
  );
}

/** Where the pointer stands on a row: its upper part means before, its lower after, the middle of a module inside. */
function dropOver(event: DragEvent, row: OutlineRow, dragged: string | null): Drop | null {
  if (dragged === null || row.item.ref === dragged || !row.item.placed) return null;
  event.preventDefault();
  const { top, height } = event.currentTarget.getBoundingClientRect();
  const part = (event.clientY - top) / height;
  if (row.item.kind === 'module' && part > 0.3 && part < 0.75) return { ref: row.item.ref, side: 'inside' };
  return { ref: row.item.ref, side: part < 0.5 ? 'before' : 'after' };
}

function sayDrop(count: number, row: OutlineRow, drop: Drop | null): string {
  if (drop === null) return '';
  const things = count === 1 ? 'It comes' : `${count} items come`;
  const where = { before: 'before', after: 'after', inside: 'into' }[drop.side];
  return `${things} ${where} “${row.item.title}”`;
}

interface TreeRowProps {
  readonly row: OutlineRow;
  readonly index: number;
  readonly top: number;
  readonly finding: OutlineView['findings'][string] | undefined;
  readonly isAt: boolean;
  readonly isChosen: boolean;
  readonly drop: Side | null;
  readonly dropWords: string;
  readonly onToggle: (range: boolean) => void;
  readonly onOpen: (isOpen: boolean) => void;
  readonly onDrag: () => void;
  readonly onOver: (event: DragEvent) => void;
  readonly onLetGo: () => void;
}

function TreeRow({
  row,
  index,
  top,
  finding,
  isAt,
  isChosen,
  drop,
  dropWords,
  onToggle,
  onOpen,
  onDrag,
  onOver,
  onLetGo,
}: TreeRowProps) {
  const { item, level, inside, isOpen } = row;
  return (
    <div
      id={`outline-row-${index}`}
      role="row"
      aria-rowindex={index + 2}
      aria-level={level}
      aria-posinset={row.place}
      aria-setsize={row.beside}
      aria-expanded={inside > 0 ? isOpen : undefined}
      aria-selected={isChosen}
      data-at={isAt}
      data-drop={drop ?? undefined}
      className={styles.treeRow}
      style={{ position: 'absolute', top, left: 0, right: 0, height: rowHeight }}
      draggable
      onClick={(event) => onToggle(event.shiftKey)}
      onDragStart={onDrag}
      onDragOver={onOver}
      onDrop={onLetGo}
      onDragEnd={onLetGo}
    >
      <span role="gridcell" className={styles.title} style={{ paddingLeft: (level - 1) * 20 }}>
        <Opener inside={inside} isOpen={isOpen} onOpen={onOpen} />
        <ChoiceBox state={isChosen ? 'all' : 'none'} onToggle={() => onToggle(false)} />
        <span className={item.kind === 'module' ? styles.module : styles.leaf} title={item.title}>
          {item.title}
        </span>
        {finding && (
          <span title={finding.title}>
            <FamilyShape family={finding.family} size={13} named />
          </span>
        )}
      </span>
      <span role="gridcell">{sayKind(item)}</span>
      <span role="gridcell" title={row.because}>
        <SightMark sight={row.sight} />
      </span>
      <span role="gridcell" className="number">
        {sayDate(item)}
      </span>
      <span role="gridcell" className={`number ${styles.points}`}>
        {item.points ?? ''}
      </span>
      {drop && <span className={styles.dropWords}>{dropWords}</span>}
    </div>
  );
}

/** Opens and closes a module by mouse; the row says it, and the arrows do it by key. */
function Opener({
  inside,
  isOpen,
  onOpen,
}: {
  inside: number;
  isOpen: boolean;
  onOpen: (isOpen: boolean) => void;
}) {
  if (inside === 0) return <span className={styles.opener} />;
  return (
    <span
      className={styles.opener}
      aria-hidden="true"
      onClick={(event) => {
        event.stopPropagation();
        onOpen(!isOpen);
      }}
    >
      <svg viewBox="0 0 12 12" width="12" height="12" focusable="false">
        <path d={isOpen ? 'M1.500 4 6 8.500 10.500 4' : 'M4 1.500 8.500 6 4 10.500'} />
      </svg>
    </span>
  );
}
