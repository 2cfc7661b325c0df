'use client';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { addDays, dateOf, spellDate, weekdays, type LocalDate } from '@/core/dates/local-date';
import { mondayOf } from '@/core/time/term';
import type { CalendarMark, CalendarView } from '@/services/show/decide/calendar-view';
import { sayMark } from './calendar-model';
import { DateMark } from './date-mark';
import type { ChosenMarks } from './use-marks';
import styles from './calendar.module.css';

const mostInADay = 4;
const firstOf = (day: LocalDate): LocalDate => `${day.slice(0, 8)}01` as LocalDate;
const monthName = (day: LocalDate): string => spellDate(day).replace(/^\d+ /, '');

/** One month with the words of its dates; earlier and later months at the buttons. */
export function MonthSheet({ view, choice }: { view: CalendarView; choice: ChosenMarks }) {
  const begin = view.term.start ?? view.marks[0]?.at.slice(0, 10) ?? '2000-01-01';
  const [first, setFirst] = useState(() => firstOf(begin as LocalDate));
  const byDay = useMemo(() => marksByDay(view.marks), [view.marks]);
  const off = useMemo(
    () => new Set(view.weeks.flatMap((week) => week.days.filter((day) => day.noClass).map((day) => day.day))),
    [view.weeks],
  );
  const weeks = weeksOfMonth(first);
  return (
    <div className={styles.month}>
      <div style={{ display: 'flex', gap: 10, alignItems: 'center' }}>
        <Button size="small" variant="outlined" onClick={() => setFirst(firstOf(addDays(first, -1)))}>
          Earlier
        </Button>
        <h2 aria-live="polite" style={{ minWidth: 180, textAlign: 'center' }}>
          {monthName(first)}
        </h2>
        <Button size="small" variant="outlined" onClick={() => setFirst(firstOf(addDays(first, 31)))}>
          Later
        </Button>
      </div>
      <table className={styles.monthGrid} aria-label={monthName(first)}>
        <thead>
          <tr>
            {weekdays.map((name) => (
              <th key={name} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {weeks.map((monday) => (
            <tr key={monday}>
              {weekdays.map((name, k) => {
                const day = addDays(monday, k);
                return (
                  <td key={name} data-off={off.has(day)} data-out={day.slice(0, 7) !== first.slice(0, 7)}>
                    <small className="soft number">{Number(day.slice(8))}</small>
                    <DayEntries marks={byDay.get(day) ?? []} choice={choice} />
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function DayEntries({ marks, choice }: { marks: readonly CalendarMark[]; choice: ChosenMarks }) {
  const more = marks.length - mostInADay;
  return (
    <>
      {marks.slice(0, mostInADay).map((mark) => (
        <button
          key={mark.key}
          type="button"
          className={styles.entry}
          aria-pressed={choice.keys.has(mark.key)}
          title={sayMark(mark)}
          onClick={() => choice.toggle([mark])}
        >
          <DateMark mark={mark} isChosen={false} onToggle={() => undefined} onSeries={() => undefined} />
          <span>{mark.title}</span>
        </button>
      ))}
      {more > 0 && (
        <button type="button" className={styles.entry} onClick={() => choice.toggle(marks)}>
          <span className="soft">{more} more: choose the day</span>
        </button>
      )}
    </>
  );
}

function marksByDay(marks: readonly CalendarMark[]): ReadonlyMap<LocalDate, readonly CalendarMark[]> {
  const days = new Map<LocalDate, CalendarMark[]>();
  for (const mark of marks) {
    const day = dateOf(mark.at);
    const others = days.get(day);
    if (others) others.push(mark);
    else days.set(day, [mark]);
  }
  return days;
}

function weeksOfMonth(first: LocalDate): readonly LocalDate[] {
  const weeks: LocalDate[] = [];
  for (let monday = mondayOf(first); monday.slice(0, 7) <= first.slice(0, 7); monday = addDays(monday, 7))
    weeks.push(monday);
  return weeks;
}
