import type { RunNote } from '@/services/show/carry-out/open-run-view';
import { sayMet } from './say-met';
import styles from './carry-out.module.css';

interface MetListProps {
  /** How often each sort was met. */
  readonly met: Readonly<Record<string, number>>;
  /** The last ones, newest first. */
  readonly notes: readonly RunNote[];
}

/** Each try again, sign-in and restart that a run on a host met, summed up in a line. */
export function MetList({ met, notes }: MetListProps) {
  if (notes.length === 0) return null;
  return (
    <details className={styles.met}>
      <summary>{sayMet(met)}</summary>
      <ol>
        {notes.map(({ at, message }, n) => (
          <li key={n}>
            <time className="number soft" dateTime={at}>
              {new Date(at).toLocaleTimeString('en-GB')}
            </time>{' '}
            {message}
          </li>
        ))}
      </ol>
    </details>
  );
}
