'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useRef, type CSSProperties } from 'react';
import { urgencyTitles, type ListedFinding } from '@/core/checks/finding';
import { FamilyShape } from '../marks/family-shape';
import { ChoiceBox } from '../marks/choice-box';
import type { Row } from './list-model';
import styles from './decide.module.css';

const heights = { group: 40, finding: 50 } as const;

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
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list renders a window of its rows only
  const windowed = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: (i) => heights[rows[i]?.type ?? 'finding'],
    getItemKey: (i) => rows[i]?.key ?? i,
    overscan: 14,
  });
  const at = rows.findIndex((r) => r.type === 'finding' && r.finding.id === current);
  useLayoutEffect(() => {
    windowed.measure();
    // What is drawn next is what will be looked at: rows that would be scrolled away at once are never laid out.
    const target = at < 0 ? undefined : windowed.getOffsetForIndex(at, 'auto');
    if (target) windowed.scrollOffset = target[0];
    // eslint-disable-next-line react-hooks/exhaustive-deps -- another finding in the same rows is scrolled to below
  }, [rows, windowed]);
  useEffect(() => {
    if (at >= 0) windowed.scrollToIndex(at, { align: 'auto' });
  }, [at, windowed]);
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
            return <GroupRow key={slot.key} row={row} style={style} chosen={chosen} onToggle={onToggle} />;
          const { id } = row.finding;
          return (
            <div
              key={slot.key}
              id={`finding-${id}`}
              className={styles.row}
              style={style}
              role="option"
              aria-selected={chosen.has(id)}
              data-current={id === current}
              onClick={() => onCurrent(id)}
            >
              <ChoiceBox state={chosen.has(id) ? 'all' : 'none'} onToggle={() => onToggle([id])} />
              <FindingWords finding={row.finding} fate={fateOf(id)} />
            </div>
          );
        })}
      </div>
    </div>
  );
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
