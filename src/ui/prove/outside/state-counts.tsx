import { webStateTitles, type WebState } from '@/core/probe/web-answer';
import styles from './outside.module.css';

/** The state that is looked at; null for all of them. */
export type LookedState = WebState | 'not-asked' | null;

interface StateCountsProps {
  readonly states: readonly (WebState | 'not-asked')[];
  readonly counts: ReadonlyMap<WebState | 'not-asked', number>;
  readonly all: number;
  readonly looked: LookedState;
  readonly onLook: (state: LookedState) => void;
}

/** How many addresses came to what; each number shows those that it counts. */
export function StateCounts({ states, counts, all, looked, onLook }: StateCountsProps) {
  const one = (state: LookedState, title: string, count: number) => (
    <li key={title}>
      <button type="button" aria-pressed={looked === state} onClick={() => onLook(state)}>
        <span className="number">{count.toLocaleString('en')}</span> {title}
      </button>
    </li>
  );
  return (
    <ul className={styles.states} aria-label="What the addresses came to">
      {one(null, 'in all', all)}
      {states.map((state) => one(state, titleOf(state), counts.get(state) ?? 0))}
    </ul>
  );
}

const titleOf = (state: WebState | 'not-asked'): string =>
  state === 'not-asked' ? 'Not asked yet' : webStateTitles[state];
