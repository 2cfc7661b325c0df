'use client';
import { entryOf } from '@/core/entries';
import { useRef, useState, type KeyboardEvent, type ReactNode, type RefObject } from 'react';
import { spellDate, spellWeekday, type LocalDate } from '@/core/dates/local-date';
import { plural } from '@/core/text/plural';
import type { CalendarMark, CalendarView, SheetDay, SheetWeek } from '@/services/show/decide/calendar-view';
import { placeMarks, sayMark, shortDay } from './calendar-model';
import { DateMark } from './date-mark';
import type { ChosenMarks } from './use-marks';
import styles from './calendar.module.css';

const weekdayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const mostInADay = 6;
const mostInARow = 40;

interface TermSheetProps {
  readonly view: CalendarView;
  readonly choice: ChosenMarks;
  /** All dates of the series that a date belongs to. */
  readonly onSeries: (mark: CalendarMark) => void;
}

/** The whole term on one sheet: a row for each week, what lies outside it gathered above and below. */
export function TermSheet({ view, choice, onSeries }: TermSheetProps) {
  const { weeks } = view;
  const placed = placeMarks(view);
  const grid = useRef<HTMLDivElement>(null);
  const cells = useSheetCells(grid, weeks.length, (cell) => {
    const day = weeks[cell.week]?.days[cell.day]?.day;
    const marks = day === undefined ? [] : (placed.byDay.get(day) ?? []);
    const [first] = marks;
    return {
      ' ': () => choice.toggle(marks),
      Enter: () => first && onSeries(first),
      Escape: choice.clear,
    };
  });
  const { at, setAt, onKey } = cells;
  const brush = useBrush((days) => choice.toggle(days.flatMap((day) => placed.byDay.get(day) ?? [])));
  return (
    <div
      ref={grid}
      role="grid"
      aria-label="The term, week by week"
      className={styles.sheet}
      onKeyDown={onKey}
    >
      <SheetHead />
      <OutsideRow
        label="before"
        marks={placed.before}
        none={sayNone(view, 'before')}
        choice={choice}
        onSeries={onSeries}
      />
      {weeks.map((week, n) => (
        <WeekRow key={week.monday} week={week} focus={n === at.week ? at.day : null} row={n}>
          {(day, k) => (
            <DayCell
              key={day.day}
              day={day}
              marks={placed.byDay.get(day.day) ?? []}
              choice={choice}
              onSeries={onSeries}
              isBrushed={brush.isIn(day.day)}
              cell={`${n} ${k}`}
              isFocus={n === at.week && k === at.day}
              onFocus={() => setAt({ week: n, day: k })}
              onDown={() => brush.begin(day.day)}
              onOver={() => brush.go(day.day)}
            />
          )}
        </WeekRow>
      ))}
      <OutsideRow
        label="after"
        marks={placed.after}
        none={sayNone(view, 'after')}
        choice={choice}
        onSeries={onSeries}
      />
    </div>
  );
}

function SheetHead() {
  return (
    <div role="row" className={styles.head}>
      <span role="columnheader">Week</span>
      {weekdayNames.map((name) => (
        <span key={name} role="columnheader">
          {name}
        </span>
      ))}
    </div>
  );
}

interface SheetCell {
  readonly week: number;
  readonly day: number;
}

/** Going from day to day by keys; `also` says what else keys do at a day. */
function useSheetCells(
  grid: RefObject<HTMLDivElement | null>,
  weeks: number,
  also: (at: SheetCell) => Readonly<Record<string, () => void>>,
) {
  const [at, setAt] = useState<SheetCell>({ week: 0, day: 0 });
  const go = (week: number, day: number) => {
    const next = { week: Math.max(0, Math.min(weeks - 1, week)), day: Math.max(0, Math.min(6, day)) };
    setAt(next);
    grid.current?.querySelector<HTMLElement>(`[data-cell="${next.week} ${next.day}"]`)?.focus();
  };
  const onKey = (event: KeyboardEvent) => {
    const moves: Readonly<Record<string, () => void>> = {
      ArrowDown: () => go(at.week + 1, at.day),
      ArrowUp: () => go(at.week - 1, at.day),
      ArrowRight: () => go(at.week, at.day + 1),
      ArrowLeft: () => go(at.week, at.day - 1),
      Home: () => go(at.week, 0),
      End: () => go(at.week, 6),
      PageUp: () => go(0, at.day),
      PageDown: () => go(weeks - 1, at.day),
      ...also(at),
    };
    const move = entryOf(moves, event.key);
    if (!move) return;
    event.preventDefault();
    move();
  };
  return { at, setAt, onKey };
}

function sayNone({ term }: CalendarView, side: 'before' | 'after'): string {
  const day = side === 'before' ? term.start : term.end;
  return day === null ? 'the term’s days are not known' : `nothing ${side} ${spellDate(day)}`;
}

/** Choosing by a stroke over days: from where the mouse went down to where it goes up. */
function useBrush(onDone: (days: readonly LocalDate[]) => void) {
  const [days, setDays] = useState<readonly LocalDate[]>([]);
  const begin = (day: LocalDate) => {
    let stroke: readonly LocalDate[] = [day];
    setDays(stroke);
    window.addEventListener(
      'mouseup',
      () => {
        setDays((now) => {
          stroke = now;
          return [];
        });
        // A stroke over one day is a click, which the marks take themselves.
        setTimeout(() => stroke.length > 1 && onDone(stroke));
      },
      { once: true },
    );
  };
  return {
    begin,
    go: (day: LocalDate) => setDays((now) => (now.length > 0 && !now.includes(day) ? [...now, day] : now)),
    isIn: (day: LocalDate) => days.length > 1 && days.includes(day),
  };
}

function WeekRow({
  week,
  row,
  focus,
  children,
}: {
  week: SheetWeek;
  row: number;
  focus: number | null;
  children: (day: SheetDay, k: number) => ReactNode;
}) {
  return (
    <div
      role="row"
      className={styles.week}
      data-row={row}
      data-focus={focus ?? undefined}
      data-numbered={week.number !== null}
    >
      <span role="rowheader" className={styles.number}>
        <strong>{week.number ?? ''}</strong>
        <small>{shortDay(week.monday)}</small>
        {week.number === null && <span className="unseen">, no class</span>}
      </span>
      {week.days.map((day, k) => children(day, k))}
    </div>
  );
}

interface DayCellProps {
  readonly day: SheetDay;
  readonly marks: readonly CalendarMark[];
  readonly choice: ChosenMarks;
  readonly onSeries: (mark: CalendarMark) => void;
  readonly isBrushed: boolean;
  readonly cell: string;
  readonly isFocus: boolean;
  readonly onFocus: () => void;
  readonly onDown: () => void;
  readonly onOver: () => void;
}

function DayCell({
  day,
  marks,
  choice,
  onSeries,
  isBrushed,
  cell,
  isFocus,
  onFocus,
  onDown,
  onOver,
}: DayCellProps) {
  const more = marks.length - mostInADay;
  const isChosen = marks.length > 0 && marks.every((mark) => choice.keys.has(mark.key));
  return (
    <span
      role="gridcell"
      tabIndex={isFocus ? 0 : -1}
      data-cell={cell}
      data-off={day.noClass}
      data-out={!day.inTerm}
      data-brushed={isBrushed}
      aria-selected={marks.length > 0 ? isChosen : undefined}
      aria-label={sayDay(day, marks)}
      className={styles.day}
      onFocus={onFocus}
      onMouseDown={(event) => {
        event.preventDefault();
        event.currentTarget.focus();
        onDown();
      }}
      onMouseEnter={onOver}
    >
      {marks.slice(0, more > 0 ? mostInADay - 1 : mostInADay).map((mark) => (
        <DateMark
          key={mark.key}
          mark={mark}
          isChosen={choice.keys.has(mark.key)}
          onToggle={() => choice.toggle([mark])}
          onSeries={() => onSeries(mark)}
        />
      ))}
      {more > 0 && (
        <button
          type="button"
          tabIndex={-1}
          className={styles.more}
          onClick={() => choice.toggle(marks)}
          title={marks.map(sayMark).join('\n')}
        >
          +{more + 1}
        </button>
      )}
    </span>
  );
}

function sayDay(day: SheetDay, marks: readonly CalendarMark[]): string {
  const name = `${spellWeekday(day.day)} ${spellDate(day.day)}`;
  const off = day.noClass ? ', no class' : '';
  return marks.length === 0 ? `${name}${off}` : `${name}${off}: ${marks.map(sayMark).join('; ')}`;
}

function OutsideRow({
  label,
  marks,
  none,
  choice,
  onSeries,
}: {
  label: string;
  marks: readonly CalendarMark[];
  none: string;
  choice: ChosenMarks;
  onSeries: (mark: CalendarMark) => void;
}) {
  const [first, last] = [marks[0], marks.at(-1)];
  const span = (mark: CalendarMark) => spellDate(mark.at.slice(0, 10) as LocalDate);
  return (
    <div role="row" className={styles.outside}>
      <span role="rowheader" className={styles.number}>
        <small>{label}</small>
      </span>
      <span role="gridcell" className={styles.gathered}>
        {first === undefined || last === undefined ? (
          <span className="soft">{none}</span>
        ) : (
          <>
            {marks.slice(0, mostInARow).map((mark) => (
              <DateMark
                key={mark.key}
                mark={mark}
                isChosen={choice.keys.has(mark.key)}
                onToggle={() => choice.toggle([mark])}
                onSeries={() => onSeries(mark)}
              />
            ))}
            <button type="button" className={styles.words} onClick={() => choice.toggle(marks)}>
              {plural(marks.length, 'date')}: {span(first)} to {span(last)}
            </button>
          </>
        )}
      </span>
    </div>
  );
}
