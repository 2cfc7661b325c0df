import type { DragEvent } from 'react';
import type { Side } from '@/core/outline/move-gestures';
import type { OutlineView } from '@/services/show/decide/outline-view';
import { ChoiceBox } from '../marks/choice-box';
import { FamilyShape } from '../marks/family-shape';
import { SightMark } from '../marks/sight-mark';
import { sayDate, sayKind, type OutlineRow } from './outline-model';
import styles from './outline.module.css';

export const rowHeight = 32;

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

/** One row of the outline, where the window onto it stands. */
export function TreeRow({
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
