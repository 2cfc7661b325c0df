import type { IntakeNote } from '@/core/shell/result';
import styles from './inventory.module.css';

/** The reading's notes, those of one kind together. */
export function IntakeReport({ notes }: { notes: readonly IntakeNote[] }) {
  if (!notes.length) return <p className="soft">Everything was read; there is nothing to report.</p>;
  const groups = new Map<string, IntakeNote[]>();
  for (const note of notes) groups.set(note.code, [...(groups.get(note.code) ?? []), note]);
  return (
    <ul className={styles.notes}>
      {[...groups].map(([code, list]) => (
        <li key={code}>
          {list.length === 1 ? (
            <Note note={list[0]!} />
          ) : (
            <details>
              <summary>
                <span className="number">{list.length}</span> times: {list[0]!.message}
              </summary>
              <ul>
                {list.slice(0, 200).map((note, i) => (
                  <li key={i}>
                    <Note note={note} />
                  </li>
                ))}
              </ul>
            </details>
          )}
        </li>
      ))}
    </ul>
  );
}

const Note = ({ note }: { note: IntakeNote }) => (
  <>
    {note.where && <code>{note.where}</code>} {note.message}
  </>
);
