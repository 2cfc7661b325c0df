'use client';
import { Bar, BarChart, Tooltip, XAxis, YAxis } from 'recharts';
import { useSize } from '../coat/use-size';

export interface BarSeries {
  /** Which figure of a column it draws. */
  readonly key: string;
  readonly name: string;
  /** A colour as CSS has it. */
  readonly fill: string;
}
interface StackedBarsProps {
  /** A column each: what stands below it, and its figures by key. */
  readonly columns: readonly Readonly<Record<string, string | number>>[];
  /** The key of what stands below a column. */
  readonly below: string;
  readonly series: readonly BarSeries[];
  readonly height: number;
  readonly widestBar: number;
}

/** Figures stacked in columns, for the eye alone: whoever hears the page gets a table beside it. */
export function StackedBars({ columns, below, series, height, widestBar }: StackedBarsProps) {
  const { box, width } = useSize();
  const tick = { fill: 'var(--soft)', fontSize: 12 };
  return (
    <div ref={box}>
      {width > 0 && (
        <div aria-hidden="true">
          <BarChart
            width={width}
            height={height}
            data={[...columns]}
            margin={{ top: 8, right: 0, bottom: 0, left: 0 }}
            accessibilityLayer={false}
          >
            <XAxis dataKey={below} tickLine={false} tick={tick} />
            <YAxis width={36} tickLine={false} allowDecimals={false} tick={tick} />
            <Tooltip
              isAnimationActive={false}
              cursor={{ fill: 'var(--chosen)' }}
              contentStyle={{
                background: 'var(--sheet)',
                border: '1px solid var(--line)',
                borderRadius: 6,
              }}
            />
            {series.map(({ key, name, fill }) => (
              <Bar
                key={key}
                dataKey={key}
                name={name}
                stackId="all"
                fill={fill}
                stroke="var(--sheet)"
                maxBarSize={widestBar}
                isAnimationActive={false}
              />
            ))}
          </BarChart>
        </div>
      )}
    </div>
  );
}
