import Button from '@mui/material/Button';
import Link from 'next/link';
import type { Inventory } from '@/core/shell/inventory';
import type { IntakeNote } from '@/core/shell/result';
import { spellBytes } from '@/core/text/spell-bytes';
import { spellDate } from '@/core/time/local-date';
import { IdentityAlarm } from './identity-alarm';
import { IntakeReport } from './intake-report';
import { kindNames } from './kind-names';
import styles from './inventory.module.css';

/** What the shell holds, counted, and what its reading met. */
export function InventoryView({
  id,
  inventory,
  intake,
  combed,
}: {
  id: string;
  inventory: Inventory;
  intake: readonly IntakeNote[];
  combed: boolean;
}) {
  const { counts } = inventory;
  const contents = `/shells/${id}/bring-in/contents`;
  const figures = [
    { n: counts.items, label: 'items', to: `${contents}?kind=items` },
    { n: counts.files, label: `files, ${spellBytes(inventory.fileBytes)}`, to: `${contents}?kind=files` },
    { n: counts.events, label: 'events', to: `${contents}?kind=events` },
    {
      n: inventory.hidden,
      label: counts.items
        ? `hidden, ${Math.round((100 * inventory.hidden) / counts.items)} % of the items`
        : 'hidden',
      to: `${contents}?kind=hidden`,
    },
    { n: inventory.outside, label: 'outside the outline', to: `${contents}?kind=outside` },
    {
      n: counts.banks + counts.homePages + counts.gradeCategories + counts.gradeColumns,
      label: 'in grade setup, banks, home pages',
      to: `${contents}?kind=setup`,
    },
  ];
  return (
    <div className={styles.page}>
      {inventory.doubts.length > 0 && (
        <IdentityAlarm question="Is this the right shell?">
          {inventory.doubts
            .map(
              (d) =>
                `The title of the package says “${d.says}”, and the shell ${d.what === 'term' ? 'is for' : 'is'} ${d.is}.`,
            )
            .join(' ')}{' '}
          Working in the wrong shell is the costliest mistake: make sure before you go on.
        </IdentityAlarm>
      )}
      <div style={{ display: 'flex', gap: 14, alignItems: 'start', flexWrap: 'wrap' }}>
        <div style={{ flex: 1, minWidth: 300 }}>
          <h1>{verdictTitle(inventory)}</h1>
          <p className="soft" style={{ margin: '4px 0 0' }}>
            {inventory.dates
              ? `Dates run from ${spellDate(inventory.dates.first)} to ${spellDate(inventory.dates.last)}.`
              : 'Nothing in it has a date.'}{' '}
            Is this the right shell? Then{' '}
            <Link href={`/shells/${id}/comb`}>{combed ? 'go on to its findings' : 'comb it'}</Link>.
          </p>
        </div>
        <Button variant="outlined" href={`/shells/${id}/bring-in/add`}>
          Add a package
        </Button>
      </div>
      <ul className={styles.figures}>
        {figures.map((f) => (
          <li key={f.label}>
            <Link href={f.to}>
              <strong className="number">{f.n.toLocaleString('en')}</strong>
              <span>{f.label}</span>
            </Link>
          </li>
        ))}
      </ul>
      <div className={styles.columns}>
        <section aria-labelledby="kinds">
          <h2 id="kinds">By kind</h2>
          <table>
            <thead>
              <tr>
                <th>Kind</th>
                <th>Count</th>
                <th>Hidden</th>
              </tr>
            </thead>
            <tbody>
              {inventory.byKind.map((k) => (
                <tr key={k.kind}>
                  <td>{kindNames[k.kind][1]}</td>
                  <td className="number">
                    <Link href={`${contents}?kind=${k.kind}`}>{k.count}</Link>
                  </td>
                  <td className="number">
                    {k.hidden ? (
                      <Link href={`${contents}?kind=${k.kind}&hidden=1`}>{k.hidden}</Link>
                    ) : (
                      <span className="soft">0</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section aria-labelledby="origins">
          <h2 id="origins">Where it came from</h2>
          {inventory.batches.length ? (
            <table>
              <thead>
                <tr>
                  <th>Import</th>
                  <th>Items</th>
                </tr>
              </thead>
              <tbody>
                {inventory.batches.map((b) => (
                  <tr key={b.batch}>
                    <td>{b.batch}</td>
                    <td className="number">
                      <Link href={`${contents}?batch=${encodeURIComponent(b.batch)}`}>{b.count}</Link>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          ) : (
            <p className="soft">The package does not say. A status sheet with a column import_batch would.</p>
          )}
          <h2 style={{ marginTop: 20 }}>Largest files</h2>
          <table>
            <tbody>
              {inventory.largestFiles.map((f) => (
                <tr key={f.path}>
                  <td style={{ overflowWrap: 'anywhere' }}>
                    <Link href={`${contents}?kind=files#${encodeURIComponent(f.path)}`}>{f.path}</Link>
                  </td>
                  <td className="number" style={{ whiteSpace: 'nowrap' }}>
                    {spellBytes(f.bytes)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section aria-labelledby="intake">
          <h2 id="intake">Intake report</h2>
          <IntakeReport notes={intake} />
        </section>
      </div>
    </div>
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
