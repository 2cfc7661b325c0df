import Link from 'next/link';
import type { Inventory } from '@/core/shell/inventory';
import type { IntakeNote } from '@/core/shell/result';
import { spellBytes } from '@/core/text/spell-bytes';
import { spellDate } from '@/core/time/local-date';
import { kindNames } from './kind-names';
import styles from './inventory.module.css';

/** What the shell holds, counted, and what its reading met. */
export function InventoryView({ id, inventory, intake, combed }: { id: string; inventory: Inventory; intake: readonly IntakeNote[]; combed: boolean }) {
  const { counts } = inventory;
  const contents = `/shells/${id}/bring-in/contents`;
  const figures = [
    { n: counts.items, label: 'items', to: `${contents}?kind=items` },
    { n: counts.files, label: `files, ${spellBytes(inventory.fileBytes)}`, to: `${contents}?kind=files` },
    { n: counts.events, label: 'events', to: `${contents}?kind=events` },
    { n: inventory.hidden, label: 'hidden', to: `${contents}?kind=hidden` },
    { n: inventory.outside, label: 'outside the outline', to: `${contents}?kind=outside` },
    { n: counts.banks + counts.homePages + counts.gradeCategories + counts.gradeColumns, label: 'in grade setup, banks, home pages', to: `${contents}?kind=setup` },
  ];
  return (
    <div className={styles.page}>
      <div>
        <h1>{inventory.verdict === 'empty' ? 'There is nothing in this shell' : `${counts.items.toLocaleString('en')} items, ${counts.files.toLocaleString('en')} files, ${counts.events.toLocaleString('en')} events`}</h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          {inventory.dates ? `Dates run from ${spellDate(inventory.dates.first)} to ${spellDate(inventory.dates.last)}.` : 'Nothing in it has a date.'} Is this the right shell? Then{' '}
          <Link href={`/shells/${id}/comb`}>{combed ? 'go on to its findings' : 'comb it'}</Link>.
        </p>
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
                  <td className="number">{k.hidden ? <Link href={`${contents}?kind=hidden`}>{k.hidden}</Link> : <span className="soft">0</span>}</td>
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
                  <td style={{ overflowWrap: 'anywhere' }}>{f.path}</td>
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

/** The reading's notes, those of one kind together. */
function IntakeReport({ notes }: { notes: readonly IntakeNote[] }) {
  if (!notes.length) return <p className="soft">Everything was read; there is nothing to report.</p>;
  const groups = new Map<string, IntakeNote[]>();
  for (const note of notes) groups.set(note.code, [...(groups.get(note.code) ?? []), note]);
  return (
    <ul className={styles.notes}>
      {[...groups].map(([code, list]) => (
        <li key={code}>
          {list.length === 1 ? (
            <Note note={list[0]!} />
          ) : (
            <details>
              <summary>
                <span className="number">{list.length}</span> times: {list[0]!.message}
              </summary>
              <ul>
                {list.slice(0, 200).map((note, i) => (
                  <li key={i}>
                    <Note note={note} />
                  </li>
                ))}
              </ul>
            </details>
          )}
        </li>
      ))}
    </ul>
  );
}

const Note = ({ note }: { note: IntakeNote }) => (
  <>
    {note.where && <code>{note.where}</code>} {note.message}
  </>
);
