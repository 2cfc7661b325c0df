'use client';
import { useMemo, useState } from 'react';
import { plural } from '@/core/text/plural';
import type { CalendarMark, CalendarView } from '@/services/show/decide/calendar-view';
import { FilterChip } from '../marks/filter-chip';
import { KeyHints } from '../parts/key-hints';
import { CalendarActions } from './calendar-actions';
import { groupings, groupingTitles, groupsOf, type Grouping, type MarkGroup } from './calendar-model';
import { DayList } from './day-list';
import { MonthSheet } from './month-sheet';
import { TermSheet } from './term-sheet';
import { useMarks, type ChosenMarks } from './use-marks';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './calendar.module.css';

const layouts = ['term', 'days', 'month'] as const;
const layoutTitles = { term: 'Term', days: 'Days', month: 'Month' } as const;
const sheetKeys = [
  ['← ↑ ↓ →', 'go'],
  ['Space', 'choose the day'],
  ['Enter', 'its series'],
  ['Esc', 'none'],
] as const;

/** The calendar of the term: what is stale is seen as a shape; what is chosen goes into the plan. */
export function CalendarStage({ view }: { view: CalendarView }) {
  const choice = useMarks(view.marks);
  const [layout, setLayout] = useState<(typeof layouts)[number]>('term');
  const chooseSeries = (mark: CalendarMark) =>
    choice.toggle(view.marks.filter((other) => other.kind === mark.kind && isOneSeries(other, mark)));
  return (
    <div className={styles.page}>
      <div className={styles.main}>
        <div className={styles.top}>
          <h1>{view.headline}</h1>
          <div className={styles.kinds} role="group" aria-label="Layout">
            {layouts.map((key) => (
              <FilterChip key={key} pressed={layout === key} onClick={() => setLayout(key)}>
                {layoutTitles[key]}
              </FilterChip>
            ))}
          </div>
        </div>
        <div className={styles.scroll}>
          {layout === 'term' && <TermSheet view={view} choice={choice} onSeries={chooseSeries} />}
          {layout === 'days' && <DayList view={view} choice={choice} />}
          {layout === 'month' && <MonthSheet view={view} choice={choice} />}
        </div>
        {layout === 'term' && <KeyHints keys={sheetKeys} />}
      </div>
      <Side view={view} choice={choice} />
    </div>
  );
}

/** An event that repeats, or events of one title. */
const isOneSeries = (a: CalendarMark, b: CalendarMark): boolean => a.ref === b.ref || a.title === b.title;

/** What belongs together, to be chosen at once, and what can be done with it. */
function Side({ view, choice }: { view: CalendarView; choice: ChosenMarks }) {
  const [grouping, setGrouping] = useState<Grouping>('series');
  const groups = useMemo(() => groupsOf(view.marks, grouping), [view.marks, grouping]);
  return (
    <aside className={styles.side} aria-label="What belongs together">
      <div className={styles.sideHead}>
        <div role="group" aria-label="Gathered by" style={{ display: 'flex', gap: 6, flexWrap: 'wrap' }}>
          {groupings.map((key) => (
            <FilterChip key={key} pressed={grouping === key} onClick={() => setGrouping(key)}>
              {groupingTitles[key]}
            </FilterChip>
          ))}
        </div>
        <span className="soft" role="status">
          {choice.chosen.length === 0
            ? 'Nothing is chosen.'
            : `${plural(choice.chosen.length, 'date')} chosen`}
        </span>
      </div>
      {groups.length === 0 ? (
        <p className="soft" style={{ padding: '0 18px' }}>
          No date says so.
        </p>
      ) : (
        <ul className={styles.groups}>
          {groups.map((group) => (
            <GroupLine key={group.key} group={group} choice={choice} />
          ))}
        </ul>
      )}
      <CalendarActions view={view} choice={choice} />
    </aside>
  );
}

function GroupLine({ group, choice }: { group: MarkGroup; choice: ChosenMarks }) {
  const chosen = group.marks.filter((mark) => choice.keys.has(mark.key)).length;
  return (
    <li>
      <label>
        <input
          type="checkbox"
          checked={chosen === group.marks.length}
          ref={(box) => {
            if (box) box.indeterminate = chosen > 0 && chosen < group.marks.length;
          }}
          onChange={() => choice.toggle(group.marks)}
        />
        <span>
          <strong>{group.title}</strong>
          <small>{group.note}</small>
        </span>
        <span className={`number ${styles.count}`}>{group.marks.length}</span>
      </label>
    </li>
  );
}

/** It asks for its view by itself. */
export const DrawnCalendarStage = drawnFrom(CalendarStage);
