'use client';
import { entryOf } from '@/core/entries';
import Link from 'next/link';
import { plural } from '@/core/text/plural';
import { spellDate } from '@/core/dates/local-date';
import type { JointLoad } from '@/services/show/many-shells/joint-load';
import { StackedBars } from '../parts/stacked-bars';
import styles from './together.module.css';

/** As many colours as can be told apart, each with a name of its own in the legend. */
const colours = [
  'orphan',
  'duplicate',
  'calendar',
  'outdated',
  'visibility',
  'structure',
  'readiness',
] as const;
const colourOf = (place: number): string => `var(--${colours[place % colours.length]})`;

/** What is due in all the shells together, week by week: for students who take them in one term. */
export function JointLoadStage({ load }: { load: JointLoad }) {
  const { weeks, shells, unknown } = load;
  const [heaviest] = [...weeks].sort((a, b) => b.total - a.total);
  return (
    <>
      <h1>{headingOf(load)}</h1>
      <p className="soft" style={{ maxWidth: 760 }}>
        Everything that students can see and that has a due date, by calendar week, of{' '}
        {plural(shells.length, 'shell')}.
        {heaviest && heaviest.total > 0 && (
          <>
            {' '}
            The week of {spellDate(heaviest.monday)} is the fullest:{' '}
            <span className="number">{heaviest.total}</span> due.
          </>
        )}
      </p>
      {unknown.length > 0 && (
        <p>
          Nothing is known of {unknown.map(({ name }) => name).join(', ')}: not combed yet, or without a term.
        </p>
      )}
      {weeks.length > 0 && (
        <>
          <LoadChart load={load} />
          <LoadTable load={load} />
        </>
      )}
    </>
  );
}

function headingOf({ shells, weeks }: JointLoad): string {
  const all = weeks.reduce((sum, { total }) => sum + total, 0);
  return `${plural(all, 'deadline')} in ${plural(shells.length, 'shell')}`;
}

const dayAndMonth = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

function LoadChart({ load: { weeks, shells } }: { load: JointLoad }) {
  const columns = weeks.map(({ monday, due }) => ({
    week: dayAndMonth.format(new Date(`${monday}T12:00:00Z`)),
    ...due,
  }));
  const series = shells.map(({ id, name }, place) => ({ key: id, name, fill: colourOf(place) }));
  return <StackedBars columns={columns} below="week" series={series} height={240} widestBar={60} />;
}

/** The same in figures; each leads to the week as students of that shell see it. */
function LoadTable({ load: { weeks, shells } }: { load: JointLoad }) {
  return (
    <div className={styles.scroll} tabIndex={0} role="region" aria-label="Deadlines by week">
      <table className={styles.table}>
        <caption className="unseen">Deadlines by week and shell</caption>
        <thead>
          <tr>
            <th scope="col">Week of</th>
            {shells.map(({ id, name }, place) => (
              <th key={id} scope="col">
                <span className={styles.swatch} style={{ background: colourOf(place) }} aria-hidden="true" />{' '}
                {name}
              </th>
            ))}
            <th scope="col">Together</th>
          </tr>
        </thead>
        <tbody>
          {weeks.map(({ monday, due, total }) => (
            <tr key={monday}>
              <th scope="row">{spellDate(monday)}</th>
              {shells.map(({ id }) => (
                <td key={id} className="number">
                  {entryOf(due, id) ? (
                    <Link href={`/shells/${id}/prove/student?day=${monday}`}>{entryOf(due, id)}</Link>
                  ) : (
                    '–'
                  )}
                </td>
              ))}
              <td className="number">{total}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
