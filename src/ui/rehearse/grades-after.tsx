import type { CategoryWeight } from '@/core/plan/grades-after';
import type { SealedView } from '@/services/show/rehearse/rehearse-view';
import styles from './rehearse.module.css';

/** Grade weights before and after, and graded work that would not reach the records system. */
export function GradesAfter({ sealed }: { sealed: SealedView }) {
  const { weights, notReaching, notReachingNow } = sealed;
  const hasGrades = weights.length > 0 || notReaching.length > 0 || notReachingNow > 0;
  if (!hasGrades) return null;
  return (
    <section className={styles.card} aria-labelledby="grades">
      <h2 id="grades">Grades</h2>
      {weights.length > 0 && (
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">Category</th>
              <th scope="col">Now</th>
              <th scope="col">Afterwards</th>
            </tr>
          </thead>
          <tbody>
            {weights.map((category, n) => (
              <tr key={n}>
                <th scope="row">{category.title}</th>
                <td className="number">{sayWeight(category.before)}</td>
                <td className="number">{sayWeight(category.after)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p>
        <strong className="number">{notReaching.length}</strong> pieces of graded work would not reach the
        records system ({notReachingNow} do not today).
      </p>
      {notReaching.length > 0 && (
        <details>
          <summary>Which</summary>
          <ul>
            {notReaching.map(({ ref, title, why }) => (
              <li key={ref}>
                {title}: {why}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function sayWeight(side: CategoryWeight['before']): string {
  if (side === null) return 'not there';
  const weight = side.weight === null ? 'no weight' : `${Math.round(side.weight * 10) / 10} %`;
  return `${weight}, ${side.columns} columns`;
}
