import type { IntakeNote } from '@/core/shell/result';
import type { IntakeGroup } from '@/services/keep/shells/kept-intake';
import styles from './inventory.module.css';

/** The reading's notes, those of one kind together. */
export function IntakeReport({ groups }: { groups: readonly IntakeGroup[] }) {
  if (!groups.length) return <p className="soft">Everything was read; there is nothing to report.</p>;
  return (
    <ul className={styles.notes}>
      {groups.map((group) => (
        <li key={group.code}>
          {group.count === 1 ? <Note note={group.first} /> : <Unfolding group={group} />}
        </li>
      ))}
    </ul>
  );
}

function Unfolding({ group: { count, first, listed } }: { group: IntakeGroup }) {
  return (
    <details>
      <summary>
        <span className="number">{count.toLocaleString('en')}</span> times: {first.message}
      </summary>
      <ul>
        {listed.map((note, i) => (
          <li key={i}>
            <Note note={note} />
          </li>
        ))}
        {count > listed.length && (
          <li className="soft">and {(count - listed.length).toLocaleString('en')} more of this kind</li>
        )}
      </ul>
    </details>
  );
}

const Note = ({ note }: { note: IntakeNote }) => (
  <>
    {note.where && <code>{note.where}</code>} {note.message}
  </>
);
