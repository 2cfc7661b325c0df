'use client';
import { families, familyTitles } from '@/core/checks/finding/finding';
import type { ProgressPoint } from '@/services/show/prove/progress';
import { FamilyShape } from '../marks/family-shape';
import { StackedBars } from '../parts/stacked-bars';
import styles from '../rehearse/rehearse.module.css';

/** Open findings by family before each run and now; the same as a table for those who hear the page. */
export function ProgressChart({ points }: { points: readonly ProgressPoint[] }) {
  const shown = families.filter((family) => points.some(({ open }) => open[family] > 0));
  const data = points.map(({ when, percent, open }) => ({ when: `${when} · ${percent} %`, ...open }));
  return (
    <section className={styles.card} aria-labelledby="progress">
      <h2 id="progress">Open findings over the runs</h2>
      <StackedBars
        columns={data}
        below="when"
        series={shown.map((family) => ({
          key: family,
          name: familyTitles[family],
          fill: `var(--${family})`,
        }))}
        height={180}
        widestBar={90}
      />
      <ul aria-label="Families" className={styles.legend}>
        {shown.map((family) => (
          <li key={family}>
            <FamilyShape family={family} size={13} /> {familyTitles[family]}
          </li>
        ))}
      </ul>
      <table className="unseen">
        <caption>Open findings by family before each run and now</caption>
        <thead>
          <tr>
            <th>When</th>
            <th>Smooth</th>
            {shown.map((family) => (
              <th key={family}>{familyTitles[family]}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {points.map(({ when, percent, open }) => (
            <tr key={when}>
              <th>{when}</th>
              <td>{percent} %</td>
              {shown.map((family) => (
                <td key={family}>{open[family]}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
