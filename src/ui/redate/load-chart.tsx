'use client';
import { Bar, BarChart, Legend, Tooltip, XAxis, YAxis } from 'recharts';
import type { WeekLoad } from '@/core/redate/week-load';
import { useSize } from '../coat/use-size';
import styles from './redate.module.css';

/** How many dates fall in each teaching week, before and after; the same as a table for those who hear the page. */
export function LoadChart({ load }: { load: readonly WeekLoad[] }) {
  const { box, width } = useSize();
  if (load.every((week) => week.before === 0 && week.after === 0)) return null;
  return (
    <div ref={box} className={styles.load}>
      {width > 0 && (
        <div aria-hidden="true">
          <BarChart
            width={width}
            height={120}
            data={[...load]}
            barGap={0}
            margin={{ top: 2, right: 2, bottom: 0, left: 0 }}
            accessibilityLayer={false}
          >
            <XAxis
              dataKey="week"
              tickLine={false}
              tick={{ fill: 'var(--soft)', fontSize: 12 }}
              minTickGap={6}
            />
            <YAxis hide />
            <Tooltip
              isAnimationActive={false}
              cursor={{ fill: 'var(--chosen)' }}
              labelFormatter={(week) => <>Week {week}</>}
              contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--line)', borderRadius: 6 }}
            />
            <Legend
              verticalAlign="top"
              height={22}
              formatter={(name) => <span style={{ color: 'var(--ink)' }}>{name}</span>}
            />
            <Bar
              dataKey="before"
              name="dates a week, old term"
              fill="var(--hair)"
              isAnimationActive={false}
            />
            <Bar dataKey="after" name="new term" fill="var(--chestnut)" isAnimationActive={false} />
          </BarChart>
        </div>
      )}
      <table className="unseen">
        <caption>Dates in each teaching week</caption>
        <thead>
          <tr>
            <th>Week</th>
            <th>Old term</th>
            <th>New term</th>
          </tr>
        </thead>
        <tbody>
          {load.map((week) => (
            <tr key={week.week}>
              <td>{week.week}</td>
              <td>{week.before}</td>
              <td>{week.after}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
