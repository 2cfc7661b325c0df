import { plural } from '@/core/text/plural';
import type { OutlineLine } from '@/core/plan/outline-difference';
import styles from './rehearse.module.css';

const marks: Readonly<Record<OutlineLine['is'], string>> = {
  same: '',
  gone: 'goes',
  new: 'new',
  moved: 'moves here',
  changed: 'changes',
};

/** The outline before and after in one list: what goes, comes, moves or changes, and what it stands in. */
export function OutlineAfter({ lines }: { lines: readonly OutlineLine[] }) {
  if (lines.length === 0) return null;
  const differing = lines.filter(({ is }) => is !== 'same').length;
  return (
    <section className={styles.card} aria-labelledby="outline-after">
      <details>
        <summary>
          <h2 id="outline-after" style={{ display: 'inline' }}>
            The outline, before and after
          </h2>{' '}
          <span className="soft number">{plural(differing, 'line differs', 'lines differ')}</span>
        </summary>
        <ul className={styles.outline} tabIndex={0} aria-label="Lines of the outline that differ">
          {lines.map(({ ref, title, depth, is, was }) => (
            <li key={`${is} ${ref}`} data-is={is} style={{ paddingLeft: 8 + depth * 22 }}>
              <span>
                {title}
                {was && <span className="soft"> (was “{was}”)</span>}
              </span>
              <span className="soft">{marks[is]}</span>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}
