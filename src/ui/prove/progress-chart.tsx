'use client';
import { Bar, BarChart, Tooltip, XAxis, YAxis } from 'recharts';
import { families, familyTitles } from '@/core/checks/finding';
import type { ProgressPoint } from '@/services/prove/progress';
import { FamilyShape } from '../marks/family-shape';
import { useSize } from '../coat/use-size';
import styles from '../rehearse/rehearse.module.css';

/** Open findings by family before each run and now; the same as a table for those who hear the page. */
export function ProgressChart({ points }: { points: readonly ProgressPoint[] }) {
  const { box, width } = useSize();
  const shown = families.filter((family) => points.some(({ open }) => open[family] > 0));
  const data = points.map(({ when, percent, open }) => ({ when: `${when} · ${percent} %`, ...open }));
  return (
    <section className={styles.card} aria-labelledby="progress">
      <h2 id="progress">Open findings over the runs</h2>
      <div ref={box}>
        {width > 0 && (
          <div aria-hidden="true">
            <BarChart
              width={width}
              height={180}
              data={data}
              margin={{ top: 8, right: 0, bottom: 0, left: 0 }}
              accessibilityLayer={false}
            >
              <XAxis dataKey="when" tickLine={false} tick={{ fill: 'var(--soft)', fontSize: 12 }} />
              <YAxis width={36} tickLine={false} tick={{ fill: 'var(--soft)', fontSize: 12 }} />
              <Tooltip
                isAnimationActive={false}
                cursor={{ fill: 'var(--chosen)' }}
                contentStyle={{
                  background: 'var(--sheet)',
                  border: '1px solid var(--line)',
                  borderRadius: 6,
                }}
              />
              {shown.map((family) => (
                <Bar
                  key={family}
                  dataKey={family}
                  name={familyTitles[family]}
                  stackId="open"
                  fill={`var(--${family})`}
                  stroke="var(--sheet)"
                  maxBarSize={90}
                  isAnimationActive={false}
                />
              ))}
            </BarChart>
          </div>
        )}
      </div>
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
