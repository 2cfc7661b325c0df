import { largest } from '@/core/collect';
import type { StripWeek } from '@/core/students-eye/term-strip';
import { addDays, spellDate, type LocalDate } from '@/core/dates/local-date';
import styles from './eye.module.css';

/** What a week holds, each with its own form. */
const parts = [
  { key: 'opens', says: 'open' },
  { key: 'due', says: 'due' },
  { key: 'closes', says: 'close' },
] as const;

interface WeekStripProps {
  readonly weeks: readonly StripWeek[];
  readonly day: LocalDate;
  readonly onDay: (day: LocalDate) => void;
}

/** How much opens, is due and closes in each week; a week leads to its Monday. */
export function WeekStrip({ weeks, day, onDay }: WeekStripProps) {
  const most = Math.max(1, largest(weeks.map(({ opens, due, closes }) => Math.max(opens, due, closes))));
  return (
    <ol className={styles.strip} aria-label="Weeks of the term">
      {weeks.map((week) => {
        const isHere = week.monday <= day && day < addDays(week.monday, 7);
        return (
          <li key={week.monday}>
            <button
              type="button"
              onClick={() => onDay(week.monday)}
              aria-current={isHere ? 'date' : undefined}
              aria-label={sayWeek(week)}
              title={sayWeek(week)}
            >
              <span className={styles.bars} aria-hidden="true">
                {parts.map(({ key }) => (
                  <span key={key} data-part={key} style={{ height: `${(100 * week[key]) / most}%` }} />
                ))}
              </span>
              <span className="number">{week.week ?? '–'}</span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

/** What the bars stand for. */
export function StripLegend() {
  return (
    <ul className={styles.legend} aria-hidden="true">
      {parts.map(({ key, says }) => (
        <li key={key}>
          <span data-part={key} /> {says === 'due' ? 'due' : `${says}s`}
        </li>
      ))}
    </ul>
  );
}

function sayWeek({ week, monday, ...counts }: StripWeek): string {
  const name = week === null ? 'Without class' : `Week ${week}`;
  const held = parts.flatMap(({ key, says }) => {
    const count = counts[key];
    const verb = count === 1 && says !== 'due' ? `${says}s` : says;
    return count > 0 ? [`${count} ${verb}`] : [];
  });
  return `${name}, from ${spellDate(monday)}: ${held.join(', ') || 'nothing opens, is due or closes'}`;
}
