import Link from 'next/link';
import { families, familyTitles, type ListedFinding } from '@/core/checks/finding/finding';
import type { Smoothness } from '@/core/checks/finding/smoothness';
import styles from './comb.module.css';

/** How smooth the shell lies, with the counts that make it. */
export function SmoothnessPanel({
  id,
  smoothness,
  findings,
}: {
  id: string;
  smoothness: Smoothness;
  findings: readonly ListedFinding[];
}) {
  const rough = smoothness.total - smoothness.smooth;
  const counted = new Set<string>();
  const parts = families.map((family) => {
    let n = 0;
    for (const f of findings)
      if (f.family === family)
        for (const s of f.subjects) {
          const key = `${s.type} ${s.ref}`;
          if (s.ref === f.keep || counted.has(key)) continue;
          counted.add(key);
          n += 1;
        }
    return { family, n };
  });
  return (
    <section aria-labelledby="smoothness">
      <h2 id="smoothness">Smoothness</h2>
      <div style={{ display: 'flex', alignItems: 'baseline', gap: 10, flexWrap: 'wrap' }}>
        <span className={`${styles.big} number`}>{smoothness.percent} %</span>
        <Link href={`/shells/${id}/bring-in`} className="soft number">
          {smoothness.smooth.toLocaleString('en')} of {smoothness.total.toLocaleString('en')} lie smooth
        </Link>
      </div>
      <div
        className={styles.share}
        role="img"
        aria-label={`${smoothness.smooth} things without a finding, ${rough} with one: ${parts
          .filter((p) => p.n)
          .map((p) => `${p.n} ${familyTitles[p.family]}`)
          .join(', ')}`}
      >
        <span style={{ flex: smoothness.smooth }} />
        {parts.map((p) => (
          <span key={p.family} style={{ flex: p.n, background: `var(--${p.family})` }} />
        ))}
      </div>
    </section>
  );
}
