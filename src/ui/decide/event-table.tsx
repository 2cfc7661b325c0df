'use client';
import type { ListedFinding } from '@/core/checks/finding/finding';
import { spellWeekday, type LocalDate } from '@/core/dates/local-date';
import type { EventDetail } from '@/services/keep/shells/subject-detail';
import { useFirstMany } from '../marks/first-many';
import { choosable, TakeCell, TakeHead, type ThingChoice } from './take-box';
import { KeepInstead } from './keep-instead';
import styles from './decide.module.css';

/** The events of a finding: when, where, and when each was made. */
export function EventTable({
  finding,
  events,
  choice,
}: {
  finding: ListedFinding;
  events: readonly EventDetail[];
  choice: ThingChoice | null;
}) {
  const targets = choosable(finding, choice);
  // A link that all of them share stands once in the facts above.
  const links = new Set(events.map((e) => e.links[0] ?? ''));
  const { shown, more } = useFirstMany(events);
  return (
    <>
      <table className={styles.events}>
        <thead>
          <tr>
            <TakeHead targets={targets} choice={choice} />
            <th scope="col">Day</th>
            <th scope="col">Time</th>
            <th scope="col">Event</th>
            <th scope="col">Made</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((e) => (
            <tr key={e.ref}>
              <TakeCell
                title={`${e.title}, ${e.start.slice(0, 10)}`}
                thing={e.ref}
                targets={targets}
                choice={choice}
              />
              <td className="number" style={{ whiteSpace: 'nowrap' }}>
                {spellWeekday(e.start.slice(0, 10) as LocalDate).slice(0, 3)} {e.start.slice(0, 10)}
              </td>
              <td className="number" style={{ whiteSpace: 'nowrap' }}>
                {e.allDay ? 'all day' : `${e.start.slice(11, 16)}–${e.end.slice(11, 16)}`}
              </td>
              <td>
                {e.title}
                {e.occurrences > 1 && <span className="soft number"> · {e.occurrences} dates</span>}{' '}
                <KeepInstead thing={e.ref} title={e.title} choice={choice} />
                {links.size > 1 && e.links[0] && <div className="soft">{e.links[0]}</div>}
              </td>
              <td className="number soft" style={{ whiteSpace: 'nowrap' }}>
                {e.created?.slice(0, 10) ?? 'not known'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {more}
    </>
  );
}
