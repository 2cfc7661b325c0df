import type { ComebackView } from '@/services/do/rehearse/rehearse-job';
import styles from './rehearse.module.css';

const sorts = [
  ['returns', 'Returns', 'as it was, if the run is taken back'],
  ['asNew', 'Returns as new', 'made anew on the host, and links are led there'],
  ['forGood', 'Gone for good', 'comes back without what students did; no restore point holds that'],
] as const satisfies readonly (readonly [keyof ComebackView, string, string])[];

/** What of what goes can come back, and how. */
export function ComebackList({ comebacks }: { comebacks: ComebackView }) {
  const isAny = sorts.some(([sort]) => comebacks[sort].count > 0);
  return (
    <section className={styles.card} aria-labelledby="comebacks">
      <h2 id="comebacks">What can come back</h2>
      {!isAny && <p>Nothing goes.</p>}
      {sorts.map(([sort, title, help]) => {
        const { count, titles } = comebacks[sort];
        if (count === 0) return null;
        return (
          <details key={sort}>
            <summary>
              <strong className="number">{count}</strong> {title.toLowerCase()}:{' '}
              <span className="soft">{help}</span>
            </summary>
            <ul style={{ maxHeight: 240, overflow: 'auto' }} tabIndex={0} aria-label={title}>
              {titles.map((name, n) => (
                <li key={n}>{name}</li>
              ))}
              {count > titles.length && <li>and {count - titles.length} more</li>}
            </ul>
          </details>
        );
      })}
    </section>
  );
}
