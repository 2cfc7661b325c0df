import Link from 'next/link';
import { familyTitles } from '@/core/checks/finding/finding';
import type { Comparison } from '@/services/show/prove/comparison';
import { Coat } from '../coat/coat';
import { FamilyShape } from '../marks/family-shape';
import styles from '../rehearse/rehearse.module.css';

interface BeforeAndAfterProps {
  readonly id: string;
  readonly comparison: Comparison;
  readonly onOpen: (finding: string) => void;
}

/** The shell before its last run beside the shell as it is: two Coats, the findings by family, what came up. */
export function BeforeAndAfter({ id, comparison, onOpen }: BeforeAndAfterProps) {
  const { before, after, caused } = comparison;
  return (
    <>
      <div className={styles.twice}>
        <section className={styles.card} aria-labelledby="was">
          <h2 id="was">
            Before <span className="soft number">{before.findings.length} findings</span>
          </h2>
          <Coat sketch={before.sketch} findings={before.findings} label="The Coat before" />
        </section>
        <section className={styles.card} aria-labelledby="now">
          <h2 id="now">
            Now <span className="soft number">{after.findings.length} findings</span>
          </h2>
          <Coat sketch={after.sketch} findings={after.findings} label="The Coat now" onOpen={onOpen} />
        </section>
      </div>
      <section className={styles.card} aria-labelledby="families">
        <h2 id="families">Findings by family</h2>
        <FamilyCounts id={id} comparison={comparison} />
        {caused.length > 0 && (
          <>
            <h3 style={{ marginTop: 14 }}>Came up since</h3>
            <ul>
              {caused.map((f) => (
                <li key={f.id}>
                  <Link href={`/shells/${id}/decide?finding=${f.id}`}>{f.title}</Link>
                </li>
              ))}
            </ul>
          </>
        )}
        <Closed closed={comparison.closed} />
      </section>
    </>
  );
}

/** So many closed findings are written out. */
const mostClosed = 200;

/** What is not found any more. */
function Closed({ closed }: Pick<Comparison, 'closed'>) {
  if (closed.length === 0) return null;
  const more = closed.length - mostClosed;
  return (
    <details style={{ marginTop: 14 }}>
      <summary>
        Closed <span className="number">{closed.length.toLocaleString('en')}</span>
      </summary>
      <ul className="soft">
        {closed.slice(0, mostClosed).map(({ id, title }) => (
          <li key={id}>{title}</li>
        ))}
        {more > 0 && <li>and {more.toLocaleString('en')} more</li>}
      </ul>
    </details>
  );
}

function FamilyCounts({ id, comparison }: Pick<BeforeAndAfterProps, 'id' | 'comparison'>) {
  const rows = comparison.byFamily.filter((f) => f.before + f.after > 0);
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th scope="col">Family</th>
          <th scope="col">Before</th>
          <th scope="col">Now</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ family, before, after }) => (
          <tr key={family}>
            <td>
              <span style={{ display: 'inline-flex', gap: 8, alignItems: 'center' }}>
                <FamilyShape family={family} /> {familyTitles[family]}
              </span>
            </td>
            <td className="number">{before}</td>
            <td className="number">
              {after ? <Link href={`/shells/${id}/decide?family=${family}`}>{after}</Link> : 0}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
