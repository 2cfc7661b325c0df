import { spellWeekday } from '@/core/dates/local-date';
import type { EventWeek, WeekEntry } from '@/services/show/decide/week-of-event';
import styles from './week-grid.module.css';

/** The week that an event stands in, with all else that stands there; what the finding is about is marked. */
export function WeekGrid({ week }: { week: EventWeek }) {
  const first = week.days[0]?.day ?? '';
  const name = week.number === null ? `The week of ${first}` : `Teaching week ${week.number}, from ${first}`;
  return (
    <section aria-label={name}>
      <h3>{name}</h3>
      <table className={styles.week}>
        <thead>
          <tr>
            {week.days.map(({ day }) => (
              <th key={day} scope="col">
                {spellWeekday(day).slice(0, 3)} <span className="number">{Number(day.slice(8))}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            {week.days.map(({ day, inTerm, noClass, entries }) => (
              <td key={day} data-place={placeOf(inTerm, noClass)}>
                {!inTerm && <span className="unseen">outside the term</span>}
                {noClass && <span className="unseen">no class</span>}
                {entries.map((entry) => (
                  <Entry key={entry.key} entry={entry} />
                ))}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </section>
  );
}

function placeOf(inTerm: boolean, noClass: boolean): 'class' | 'no-class' | 'outside' {
  if (!inTerm) return 'outside';
  return noClass ? 'no-class' : 'class';
}

function Entry({ entry }: { entry: WeekEntry }) {
  const time = entry.allDay ? 'all day' : entry.at.slice(11, 16);
  return (
    <div className={styles.entry} data-asked={entry.isAsked} title={`${time} ${entry.title}`}>
      <span className="number">{time}</span> {entry.is === 'due' && 'due: '}
      {entry.title}
    </div>
  );
}
