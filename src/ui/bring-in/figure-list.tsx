import Link from 'next/link';
import type { Inventory } from '@/core/inventory/inventory';
import { spellBytes } from '@/core/text/spell-bytes';
import styles from './inventory.module.css';

interface FigureListProps {
  readonly inventory: Inventory;
  /** How many items students see that nobody used for this term. */
  readonly unused: number;
  readonly contents: string;
}

/** The large counts of a shell, each the way to the things behind it. */
export function FigureList({ inventory, unused, contents }: FigureListProps) {
  const { counts } = inventory;
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
    ...(unused > 0
      ? [{ n: unused, label: 'seen, but not used for this term', to: `${contents}?kind=unused` }]
      : []),
    {
      n: counts.banks + counts.homePages + counts.gradeCategories + counts.gradeColumns,
      label: 'in grade setup, banks, home pages',
      to: `${contents}?kind=setup`,
    },
  ];
  return (
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
  );
}
