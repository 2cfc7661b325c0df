import Link from 'next/link';
import { plural } from '@/core/text/plural';
import type { CombView } from '@/services/show/comb/comb-view';
import styles from './comb.module.css';

/** What the audit did not say, and why: answers that are never mixed up, each with its checks. */
export function Unsaid({ view }: { view: CombView }) {
  const of = (state: CombView['checks'][number]['row']['state']) =>
    view.checks.filter((c) => c.row.state === state);
  const groups = [
    { title: 'could not run', checks: of('could-not-run'), open: true },
    { title: 'not asked yet', checks: of('not-asked'), open: true },
    { title: 'found nothing', checks: of('nothing-found'), open: false },
    { title: 'not applicable here', checks: of('not-applicable'), open: false },
    { title: 'switched off in the house rules', checks: of('switched-off'), open: false },
  ].filter((g) => g.checks.length);
  return (
    <section aria-labelledby="unsaid" className={styles.unsaid}>
      <h3 id="unsaid">{plural(view.checks.length, 'check')}</h3>
      <p className="number">
        <Link href="/checks">{view.checks.length - groups.reduce((n, g) => n + g.checks.length, 0)}</Link>{' '}
        found something
      </p>
      {groups.map((g) => (
        <details key={g.title} open={g.open}>
          <summary>
            <span className="number">{g.checks.length}</span> {g.title}
          </summary>
          <ul className="soft">
            {g.checks.map((c) => (
              <li key={c.id}>
                <Link href={addressOf(view.id, c)}>{c.title}</Link>
                {'reason' in c.row && `: ${c.row.reason}`}
              </li>
            ))}
          </ul>
        </details>
      ))}
      {view.leftBe.length > 0 && (
        <p className="number">
          <Link href={`/shells/${view.id}/decide?state=left-be`}>{view.leftBe.length} left be</Link>
        </p>
      )}
      {view.staleLeaveBes.length > 0 && (
        <details>
          <summary>
            <span className="number">{view.staleLeaveBes.length}</span> left be that nothing matches any more
          </summary>
          <ul className="soft">
            {view.staleLeaveBes.map((one) => (
              <li key={`${one.check} ${one.title}`}>{one.title}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** What nobody asked yet leads to where it is asked; all else to the page of the check. */
const addressOf = (shellId: string, { id, row }: CombView['checks'][number]): string =>
  row.state === 'not-asked' ? `/shells/${shellId}/prove/outside` : `/checks/${id}`;
