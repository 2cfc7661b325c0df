'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useMemo, useRef, type CSSProperties } from 'react';
import { urgencyTitles, type ListedFinding } from '@/core/checks/finding/finding';
import { FamilyShape } from '../marks/family-shape';
import { ChoiceBox } from '../marks/choice-box';
import type { Row } from './list-model';
import styles from './decide.module.css';

const heights = { group: 40, finding: 50 } as const;
/** Rows that are drawn above and below the window. */
const overscan = 8;

interface FindingListProps {
  readonly rows: readonly Row[];
  readonly current: string | null;
  readonly chosen: ReadonlySet<string>;
  readonly fateOf: (finding: string) => string | null;
  readonly onCurrent: (finding: string) => void;
  readonly onToggle: (findings: readonly string[]) => void;
  readonly onKey: (event: React.KeyboardEvent) => void;
}

/** The dense list of findings: a window onto as many as there are. */
export function FindingList({ rows, current, chosen, fateOf, onCurrent, onToggle, onKey }: FindingListProps) {
  const { box, windowed, at, recycled } = useFindingWindow(rows, current);
  return (
    <div
      ref={box}
      className={styles.list}
      tabIndex={0}
      role="listbox"
      aria-multiselectable="true"
      aria-label="Findings"
      aria-activedescendant={
        windowed.getVirtualItems().some((v) => v.index === at) ? `finding-${current}` : undefined
      }
      onKeyDown={onKey}
      data-testid="findings"
    >
      <div style={{ height: windowed.getTotalSize(), position: 'relative' }} role="presentation">
        {windowed.getVirtualItems().map((slot) => {
          const row = rows[slot.index];
          if (!row) return null;
          const style = {
            position: 'absolute',
            top: slot.start,
            left: 0,
            right: 0,
            height: heights[row.type],
          } as const;
          if (row.type === 'group')
            return (
              <GroupRow
                key={`group ${slot.index % recycled}`}
                row={row}
                style={style}
                chosen={chosen}
                onToggle={onToggle}
              />
            );
          const { id } = row.finding;
          return (
            <FindingRow
              key={slot.index % recycled}
              finding={row.finding}
              style={style}
              isChosen={chosen.has(id)}
              isCurrent={id === current}
              fate={fateOf(id)}
              onCurrent={onCurrent}
              onToggle={onToggle}
            />
          );
        })}
      </div>
    </div>
  );
}

/** The window onto the rows, which shows the current finding; `recycled` rows are drawn over and over. */
function useFindingWindow(rows: readonly Row[], current: string | null) {
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list renders a window of its rows only
  const windowed = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: (i) => heights[rows[i]?.type ?? 'finding'],
    getItemKey: (i) => rows[i]?.key ?? i,
    overscan,
  });
  const at = rows.findIndex((r) => r.type === 'finding' && r.finding.id === current);
  // The first of a group is shown with the group’s heading.
  const first = rows[at - 1]?.type === 'group' ? at - 1 : at;
  const starts = useMemo(() => startsOf(rows), [rows]);
  const height = windowed.scrollRect?.height ?? 0;
  // A row that leaves the window is drawn over by one that comes in: the browser styles words anew, not elements.
  const recycled = Math.ceil(height / heights.group) + 2 * overscan + 2;
  useLayoutEffect(() => {
    windowed.measure();
    // What is drawn next is what will be looked at: rows that would be scrolled away at once are never laid out.
    windowed.scrollOffset = offsetThatShows(starts, { first, last: at }, windowed.scrollOffset ?? 0, height);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- another finding in the same rows is scrolled to below
  }, [starts, windowed]);
  useEffect(() => {
    const list = box.current;
    if (list) list.scrollTop = offsetThatShows(starts, { first, last: at }, list.scrollTop, height);
  }, [first, at, starts, height]);
  return { box, windowed, at, recycled };
}

/** Where each row begins, in pixels from the top of the list; the last number is where the list ends. */
function startsOf(rows: readonly Row[]): readonly number[] {
  const starts = [0];
  let end = 0;
  for (const { type } of rows) {
    end += heights[type];
    starts.push(end);
  }
  return starts;
}

/** Rows that are shown together, by index. */
interface RowSpan {
  readonly first: number;
  readonly last: number;
}

/**
 * How far the list is scrolled to show some rows, going no further than needed. It is reckoned from the rows: asking the
 * browser would have it lay out rows that are about to be replaced.
 */
function offsetThatShows(starts: readonly number[], shown: RowSpan, now: number, height: number): number {
  const start = starts[shown.first];
  const end = starts[shown.last + 1];
  if (start === undefined || end === undefined) return now;
  const last = Math.max(0, (starts.at(-1) ?? 0) - height);
  return Math.min(last, start, Math.max(now, end - height));
}

interface GroupRowProps extends Pick<FindingListProps, 'chosen' | 'onToggle'> {
  readonly row: Extract<Row, { type: 'group' }>;
  readonly style: CSSProperties;
}

function GroupRow({ row, style, chosen, onToggle }: GroupRowProps) {
  const ids = row.findings.map((f) => f.id);
  const n = ids.filter((id) => chosen.has(id)).length;
  const someOrAll = n === ids.length ? 'all' : 'some';
  return (
    <div className={styles.group} style={style} role="presentation">
      <ChoiceBox state={n === 0 ? 'none' : someOrAll} onToggle={() => onToggle(ids)} />
      <span className={styles.groupTitle}>{row.title}</span>
      <span className="soft number" style={{ fontFamily: 'inherit', fontWeight: 400 }}>
        {ids.length}
      </span>
    </div>
  );
}

interface FindingRowProps extends Pick<FindingListProps, 'onCurrent' | 'onToggle'> {
  readonly finding: ListedFinding;
  readonly style: CSSProperties;
  readonly isChosen: boolean;
  readonly isCurrent: boolean;
  readonly fate: string | null;
}

function FindingRow({ finding, style, isChosen, isCurrent, fate, onCurrent, onToggle }: FindingRowProps) {
  const { id } = finding;
  return (
    <div
      id={`finding-${id}`}
      className={styles.row}
      style={style}
      role="option"
      aria-selected={isChosen}
      data-current={isCurrent}
      onClick={() => onCurrent(id)}
    >
      <ChoiceBox state={isChosen ? 'all' : 'none'} onToggle={() => onToggle([id])} />
      <FindingWords finding={finding} fate={fate} />
    </div>
  );
}

/** What a finding says in one row, and what the plan does about it. */
function FindingWords({ finding, fate }: { finding: ListedFinding; fate: string | null }) {
  const place = (finding.subjects[0]?.path ?? []).join(' › ') || 'top level';
  return (
    <>
      <FamilyShape family={finding.family} named />
      <span className={styles.text}>
        <span title={finding.title}>{finding.title}</span>
        <span className="soft" style={{ fontSize: '0.82rem' }}>
          {urgencyTitles[finding.urgency]} · {place}
        </span>
      </span>
      {fate && <span className={styles.fate}>{fate}</span>}
    </>
  );
}
