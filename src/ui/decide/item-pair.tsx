import type { ListedFinding } from '@/core/checks/finding/finding';
import type { DiffPart, ItemDetail } from '@/services/keep/shells/subject-detail';
import { KeepInstead } from './keep-instead';
import type { ThingChoice } from './take-box';
import styles from './decide.module.css';

/** One item's text, or two side by side with what differs marked, and a small table of what decides. */
export function ItemPair({
  finding,
  items,
  difference,
  choice,
}: {
  finding: ListedFinding;
  items: readonly ItemDetail[];
  difference: readonly DiffPart[] | null;
  choice: ThingChoice | null;
}) {
  const going = new Set(finding.remedy?.action === 'delete' ? finding.remedy.targets : []);
  const fate = (item: ItemDetail) => {
    if (item.ref === finding.keep) return 'stays';
    return going.has(item.ref) ? 'goes' : 'open';
  };
  const pair = difference ? items : items.slice(0, 1);
  return (
    <>
      <div className={styles.pair}>
        {/* One item alone is shown as its page. */}
        {(difference ? pair : [])
          .filter((i) => i.text)
          .map((item, k) => (
            <article key={item.ref} className={styles['text-card']} data-fate={fate(item)}>
              <header>
                <span style={{ flex: 1 }}>{item.title}</span>
                <KeepInstead thing={item.ref} title={item.title} choice={choice} />
                {fate(item) !== 'open' && <span className="soft">{fate(item)}</span>}
              </header>
              <div className={styles.body} tabIndex={0} role="region" aria-label={`Text of ${item.title}`}>
                {difference?.some(({ side }) => side !== 'both') ? (
                  <MarkedText parts={difference} side={k === 0 ? 'first' : 'second'} />
                ) : (
                  item.text
                )}
              </div>
            </article>
          ))}
      </div>
      <ItemFacts items={pair} />
    </>
  );
}

/** One side of two texts, with what the other does not say marked. */
function MarkedText({ parts, side }: { parts: readonly DiffPart[]; side: 'first' | 'second' }) {
  return parts
    .filter((part) => part.side === 'both' || part.side === side)
    .map(({ side: standsOn, text }, n) =>
      standsOn === 'both' ? <span key={n}>{text}</span> : <mark key={n}>{text}</mark>,
    );
}

/** What is told of items beside one another, where at least one of them has it. */
const facts: readonly [string, (item: ItemDetail) => string | null][] = [
  ['Stands in', (i) => i.path.join(' › ') || 'the top level'],
  ['Students', (i) => i.students],
  ['Changed', (i) => i.changed?.slice(0, 10) ?? 'not known'],
  ['Student work', (i) => workWords(i.studentWork)],
  ['Points', (i) => (i.points === null ? null : String(i.points))],
  ['Due', (i) => i.due?.replace('T', ' ') ?? null],
  ['Address', (i) => i.target],
  ['Import', (i) => i.batch],
];

function ItemFacts({ items }: { items: readonly ItemDetail[] }) {
  return (
    <table className={styles.facts}>
      {items.length > 1 && (
        <thead>
          <tr>
            <th scope="col" aria-label="Fact" />
            {items.map((i) => (
              <th key={i.ref} scope="col" style={{ color: 'var(--ink)', fontWeight: 600 }}>
                {i.title}
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {facts
          .filter(([, value]) => items.some((i) => value(i) !== null))
          .map(([label, value]) => (
            <tr key={label}>
              <th scope="row">{label}</th>
              {items.map((i) => (
                <td key={i.ref}>{value(i) ?? '–'}</td>
              ))}
            </tr>
          ))}
      </tbody>
    </table>
  );
}

function workWords(pieces: number | null): string {
  if (pieces === null) return 'not known';
  return pieces === 0 ? 'none' : String(pieces);
}
