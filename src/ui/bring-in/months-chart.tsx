'use client';
import { useRouter } from 'next/navigation';
import { Bar, BarChart, ReferenceArea, XAxis, YAxis } from 'recharts';
import { timeBars, type MomentKind, type MonthCount, type TimeBar } from '@/core/inventory/months';
import { plural } from '@/core/text/plural';
import { useSize } from '../coat/use-size';
import styles from './inventory.module.css';

interface MonthsChartProps {
  readonly months: readonly MonthCount[];
  /** First and last day of the term; null where nobody told. */
  readonly term: { readonly start: string | null; readonly end: string | null };
  /** The address of the list behind the numbers. */
  readonly contents: string;
}

const rows: readonly { readonly kind: MomentKind; readonly title: string; readonly verb: string }[] = [
  { kind: 'made', title: 'Made', verb: 'made' },
  { kind: 'changed', title: 'Last changed', verb: 'last changed' },
  { kind: 'due', title: 'Due', verb: 'due' },
];
const rowHeight = 54;
const axisHeight = 20;
/** As wide as the style sheet makes the labels. */
const labelWidth = 150;

/** When things were made, changed and are due, month by month, with the term shaded; each bar leads to its things. */
export function MonthsChart({ months, term, contents }: MonthsChartProps) {
  const { box, width } = useSize();
  const bars = timeBars(months);
  const told = rows.filter(({ kind }) => bars.some((bar) => bar[kind] > 0));
  if (told.length === 0)
    return <p className="soft">Nothing says when it was made or changed, and nothing is due.</p>;
  return (
    <div ref={box} className={styles.months}>
      {told.map(({ kind, title, verb }, n) => (
        <div key={kind} role="group" aria-label={`${title}, by month`} className={styles['moment-row']}>
          <h3>
            {title}
            <span className="number">{sayPeak(bars, kind)}</span>
          </h3>
          {width > 0 && (
            <MomentRow
              bars={bars}
              kind={kind}
              verb={verb}
              width={width - labelWidth}
              term={termSpan(bars, term)}
              hasAxis={n === told.length - 1}
              contents={contents}
            />
          )}
        </div>
      ))}
    </div>
  );
}

function MomentRow({
  bars,
  kind,
  verb,
  width,
  term,
  hasAxis,
  contents,
}: {
  bars: readonly TimeBar[];
  kind: MomentKind;
  verb: string;
  width: number;
  term: readonly [first: string, last: string] | null;
  hasAxis: boolean;
  contents: string;
}) {
  return (
    <BarChart
      width={width}
      height={rowHeight + (hasAxis ? axisHeight : 0)}
      data={[...bars]}
      margin={{ top: 4, right: 4, bottom: 0, left: 4 }}
      barCategoryGap={1}
      accessibilityLayer={false}
    >
      {term && <ReferenceArea x1={term[0]} x2={term[1]} fill="var(--chosen)" fillOpacity={1} />}
      <XAxis
        dataKey="span"
        hide={!hasAxis}
        height={axisHeight}
        tickLine={false}
        axisLine={{ stroke: 'var(--line)' }}
        tick={{ fill: 'var(--soft)', fontSize: 12 }}
        tickFormatter={monthName}
        minTickGap={12}
      />
      <YAxis hide domain={[0, 'dataMax']} />
      <Bar
        dataKey={kind}
        isAnimationActive={false}
        maxBarSize={28}
        // Few things beside many still show as a bar that can be pointed at.
        minPointSize={(value) => (value ? 3 : 0)}
        shape={(bar: DrawnBar) => <MomentBar {...bar} kind={kind} verb={verb} contents={contents} />}
      />
    </BarChart>
  );
}

interface DrawnBar {
  readonly x?: number | string;
  readonly y?: number | string;
  readonly width?: number | string;
  readonly height?: number | string;
  readonly payload?: TimeBar;
}

/** One bar: a link to its things, by mouse and by key. */
function MomentBar({
  x,
  y,
  width,
  height,
  payload,
  kind,
  verb,
  contents,
}: DrawnBar & { kind: MomentKind; verb: string; contents: string }) {
  const router = useRouter();
  if (!payload || payload[kind] === 0) return <g />;
  const address = `${contents}?span=${payload.span}&moment=${kind}`;
  const words = `${monthName(payload.span)}: ${plural(payload[kind], 'thing')} ${verb}`;
  return (
    <a
      href={address}
      aria-label={words}
      onClick={(event) => {
        event.preventDefault();
        router.push(address);
      }}
    >
      <title>{words}</title>
      <rect x={x} y={y} width={width} height={height} className={styles.moment} />
    </a>
  );
}

/** The highest bar in words. */
function sayPeak(bars: readonly TimeBar[], kind: MomentKind): string {
  const peak = bars.reduce((highest, bar) => (bar[kind] > highest[kind] ? bar : highest));
  return `most ${peak[kind].toLocaleString('en')}, ${monthName(peak.span)}`;
}

/** The first and last bar that the term touches; null where the term is not told or lies outside the chart. */
function termSpan(
  bars: readonly TimeBar[],
  { start, end }: MonthsChartProps['term'],
): readonly [string, string] | null {
  if (start === null || end === null) return null;
  const inside = bars.filter(
    ({ span }) => span >= start.slice(0, span.length) && span <= end.slice(0, span.length),
  );
  const first = inside[0];
  const last = inside.at(-1);
  return first && last ? [first.span, last.span] : null;
}

const monthNames = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `2027-03` as “Mar 2027”; a year stays as it is. */
function monthName(span: string): string {
  const month = monthNames[Number(span.slice(5, 7)) - 1];
  return month === undefined ? span : `${month} ${span.slice(0, 4)}`;
}
