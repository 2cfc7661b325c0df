import type { ReactNode } from 'react';
import { plural } from '@/core/text/plural';
import type { Differences } from '@/core/compare/differences';
import type { ItemDifferences } from '@/services/show/decide/evidence';
import { KeepInstead } from './keep-instead';
import type { ThingChoice } from './take-box';
import styles from './decide.module.css';

interface DifferenceGridProps {
  readonly keptTitle: string;
  readonly rows: readonly ItemDifferences[];
  readonly choice: ThingChoice | null;
}

/** One sort of difference: what it is called, and what is said of one item; null where it has none. */
interface Column {
  readonly title: string;
  readonly say: (differences: Differences) => ReactNode | null;
}
const columns: readonly Column[] = [
  { title: 'words', say: sayWords },
  { title: 'links and files', say: sayLinks },
  { title: 'points', say: sayPoints },
  { title: 'dates', say: sayDates },
];

const inWords = new Intl.ListFormat('en-GB');

/** So many links that an item lacks or has more are named at once; the others unfold. */
const mostNamed = 3;

/** What each of several alike things has otherwise than the first one; what all have alike is said in one sentence. */
export function DifferenceGrid({ keptTitle, rows, choice }: DifferenceGridProps) {
  const differing = columns.filter((column) => rows.some((row) => column.say(row.differences) !== null));
  // Of two, each has its own button above its text.
  const offersKeepers = rows.length > 1 && rows.some(({ ref }) => choice?.keepers.has(ref));
  const alike = columns.filter((column) => !differing.includes(column)).map((column) => column.title);
  return (
    <section aria-labelledby="differs">
      <h3 id="differs">{headingOf(rows.length, differing.length, keptTitle)}</h3>
      {alike.length > 0 && (
        <p className="soft" style={{ margin: '2px 0 0' }}>
          The same in all: {inWords.format(alike)}.
        </p>
      )}
      {(differing.length > 0 || offersKeepers) && (
        <div className={styles.gridBox} tabIndex={0} role="region" aria-labelledby="differs">
          <table className={styles.grid}>
            <thead>
              <tr>
                <th scope="col">Item</th>
                {differing.map(({ title }) => (
                  <th key={title} scope="col">
                    {title}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(({ ref, title, path, differences }) => (
                <tr key={ref}>
                  <th scope="row">
                    {title} <span className="soft">{path.join(' › ')}</span>{' '}
                    {offersKeepers && <KeepInstead thing={ref} title={title} choice={choice} />}
                  </th>
                  {differing.map((column) => (
                    <td key={column.title}>
                      {column.say(differences) ?? <span className="soft">the same</span>}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

function headingOf(others: number, differing: number, keptTitle: string): string {
  if (differing === 0) return 'Nothing differs';
  return others === 1 ? 'What differs' : `What ${others} others have otherwise than “${keptTitle}”`;
}

function sayLinks({ links: { missing, added } }: Differences): ReactNode | null {
  if (!missing.length && !added.length) return null;
  const without = missing.map((link) => ({ word: 'without', link }));
  const behind = added.map((link) => ({ word: 'with', link }));
  const rest = [...without.slice(mostNamed), ...behind.slice(mostNamed)];
  return (
    <>
      <LinkChanges changes={[...without.slice(0, mostNamed), ...behind.slice(0, mostNamed)]} />
      {rest.length > 0 && (
        <details>
          <summary>and {rest.length} more</summary>
          <LinkChanges changes={rest} />
        </details>
      )}
    </>
  );
}

interface LinkChangesProps {
  readonly changes: readonly { readonly word: string; readonly link: string }[];
}

function LinkChanges({ changes }: LinkChangesProps) {
  return (
    <ul className={styles.linkChanges}>
      {changes.map(({ word, link }) => (
        <li key={`${word} ${link}`}>
          {word} <strong>{link}</strong>
        </li>
      ))}
    </ul>
  );
}

function sayWords({ words }: Differences): string | null {
  const parts = [
    ...(words.missing ? [`${plural(words.missing, 'word')} not here`] : []),
    ...(words.added ? [`${plural(words.added, 'word')} more`] : []),
  ];
  return parts.length ? parts.join(', ') : null;
}

function sayPoints({ points }: Differences): string | null {
  return points && `${points.to ?? 'none'} instead of ${points.from ?? 'none'}`;
}

function sayDates({ dates }: Differences): string | null {
  const spell = (when: string | null) => when?.slice(0, 16).replace('T', ' ') ?? 'never';
  const said = dates.map(({ what, from, to }) => `${what} ${spell(to)} instead of ${spell(from)}`);
  return said.length ? said.join('; ') : null;
}
