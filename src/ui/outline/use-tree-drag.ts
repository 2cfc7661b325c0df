import { useState, type DragEvent } from 'react';
import type { Side } from '@/core/outline/move-gestures';
import type { OutlineRow } from './outline-model';

interface Drop {
  readonly ref: string;
  readonly side: Side;
}

/** A row that is dragged over others, and where it would come. */
export interface TreeDrag {
  begin(row: OutlineRow): void;
  over(event: DragEvent, row: OutlineRow): void;
  letGo(): void;
  /** Where at this row it would come; null where it is over another. */
  sideAt(row: OutlineRow): Side | null;
  wordsAt(row: OutlineRow): string;
}

export function useTreeDrag(
  chosen: ReadonlySet<string>,
  onDrop: (dragged: string, neighbour: string, side: Side) => void,
): TreeDrag {
  const [dragged, setDragged] = useState<string | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
  const count = dragged !== null && chosen.has(dragged) ? chosen.size : 1;
  return {
    begin: (row) => setDragged(row.item.ref),
    over: (event, row) => setDrop(dropOver(event, row, dragged)),
    letGo: () => {
      if (dragged !== null && drop !== null) onDrop(dragged, drop.ref, drop.side);
      setDragged(null);
      setDrop(null);
    },
    sideAt: (row) => (drop?.ref === row.item.ref ? drop.side : null),
    wordsAt: (row) => sayDrop(count, row, drop),
  };
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
