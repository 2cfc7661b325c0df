'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import type { Inventory } from '@/core/inventory/inventory';
import { plural } from '@/core/text/plural';
import { spellDate } from '@/core/dates/local-date';
import type { BringInView } from '@/services/show/bring-in/bring-in-view';
import { ReadAgain } from '../hosts/read-again';
import { IdentityAlarm } from './identity-alarm';
import { IntakeReport } from './intake-report';
import { FigureList } from './figure-list';
import { KindTable } from './kind-table';
import { MonthsChart } from './months-chart';
import { Origins } from './origins';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './inventory.module.css';

/** What the shell holds, counted, and what its reading met. */
export function InventoryView({ view }: { view: BringInView }) {
  const { id, inventory, intake, term, unused, combed, host, toLeaveOut } = view;
  const contents = `/shells/${id}/bring-in/contents`;
  return (
    <div className={styles.page}>
      <Doubts inventory={inventory} />
      <div style={{ display: 'flex', gap: 14, alignItems: 'start', flexWrap: 'wrap' }}>
        <div style={{ flex: 1, minWidth: 300 }}>
          <h1>{verdictTitle(inventory)}</h1>
          <p className="soft" style={{ margin: '4px 0 0' }}>
            {inventory.dates
              ? `Dates run from ${spellDate(inventory.dates.first)} to ${spellDate(inventory.dates.last)}.`
              : 'Nothing in it has a date.'}{' '}
            Is this the right shell? Then{' '}
            <Link href={`/shells/${id}/comb`}>{combed ? 'go on to its findings' : 'comb it'}</Link>, or{' '}
            <Link href={`/shells/${id}/recipe`}>follow a recipe</Link>.
            {toLeaveOut > 0 && (
              <>
                {' '}
                <Link href={`/shells/${id}/prove/next-time`}>
                  {plural(toLeaveOut, 'thing')} need not be copied into it
                </Link>
                , said an earlier shell of this course.
              </>
            )}
          </p>
        </div>
        {host === null && (
          <Button variant="outlined" href={`/shells/${id}/bring-in/add`}>
            Bring over
          </Button>
        )}
        {host !== null && <ReadAgain shellId={id} host={host} />}
      </div>
      <FigureList inventory={inventory} unused={unused} contents={contents} />
      <section className={styles.chart} aria-labelledby="months">
        <h2 id="months">When</h2>
        <MonthsChart months={inventory.months} term={term} contents={contents} />
      </section>
      <div className={styles.columns}>
        <KindTable inventory={inventory} contents={contents} />
        <Origins inventory={inventory} contents={contents} onHost={host !== null} />
        <section aria-labelledby="intake">
          <h2 id="intake">Intake report</h2>
          <IntakeReport groups={intake} />
        </section>
      </div>
    </div>
  );
}

/** Signs that this is another course's or another term's package. */
function Doubts({ inventory: { doubts } }: { inventory: Inventory }) {
  if (doubts.length === 0) return null;
  const sentences = doubts.map(
    ({ says, what, is }) =>
      `The title of the package says “${says}”, and the shell ${what === 'term' ? 'is for' : 'is'} ${is}.`,
  );
  return (
    <IdentityAlarm question="Is this the right shell?">
      {sentences.join(' ')} Working in the wrong shell is the costliest mistake: make sure before you go on.
    </IdentityAlarm>
  );
}

/** Empty, the institution's template only, or what it holds. */
function verdictTitle({ verdict, counts }: Inventory): string {
  switch (verdict) {
    case 'empty':
      return 'There is nothing in this shell';
    case 'template-only':
      return `Nothing but the template: ${counts.items.toLocaleString('en')} items, ${counts.files.toLocaleString('en')} files`;
    case 'has-content':
      return `${counts.items.toLocaleString('en')} items, ${counts.files.toLocaleString('en')} files, ${counts.events.toLocaleString('en')} events`;
  }
}

/** It asks for its view by itself. */
export const DrawnInventoryView = drawnFrom(InventoryView);
