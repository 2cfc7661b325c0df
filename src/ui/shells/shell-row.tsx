import Link from 'next/link';
import { families, familyTitles } from '@/core/checks/finding/finding';
import type { ShellLine } from '@/services/show/shells/shell-list';
import { SmallCloth } from '../marks/small-cloth';
import { FamilyShape } from '../marks/family-shape';
import styles from './shells.module.css';

interface ShellRowProps {
  readonly shell: ShellLine;
  readonly department: string | null;
  readonly isChosen: boolean;
  readonly onToggle: () => void;
  readonly onRemove: () => void;
}

/** One shell of the list: plain cells, and links that fetch nothing ahead, since there may be hundreds of rows. */
export function ShellRow({ shell, department, isChosen, onToggle, onRemove }: ShellRowProps) {
  const name = shell.code || shell.title;
  const address = `/shells/${shell.id}`;
  return (
    <tr>
      <td>
        <input
          type="checkbox"
          className={styles.choice}
          checked={isChosen}
          onChange={onToggle}
          aria-label={`Choose ${name}`}
        />
      </td>
      <td>
        <Link href={`${address}/comb`} prefetch={false} style={{ textDecoration: 'none' }}>
          <SmallCloth code={shell.code} title={shell.title} />
        </Link>
      </td>
      <td>
        <Link href={`${address}/comb`} prefetch={false}>
          {shell.title}
        </Link>
        {shell.recipe && (
          <Link href={`${address}/recipe`} prefetch={false} className={styles.demo}>
            {shell.recipe.title}, {shell.recipe.done} of {shell.recipe.steps}
          </Link>
        )}
        {department !== null && <span className={styles.demo}>{department}</span>}
        {shell.isDemo && <span className={styles.demo}>demo</span>}
        {shell.isDamaged && <span className={styles.demo}>damaged: remove it and bring it in again</span>}
      </td>
      <td>{shell.term}</td>
      <td className={`number ${styles.right}`}>
        <Link
          href={`${address}/bring-in`}
          prefetch={false}
          title={`${shell.items} items of ${shell.things} things`}
        >
          {shell.things.toLocaleString('en')}
        </Link>
      </td>
      <td className={`number ${styles.right}`}>
        {shell.percent === null ? (
          '–'
        ) : (
          <Link href={`${address}/comb`} prefetch={false}>
            {shell.percent} %
          </Link>
        )}
      </td>
      <td className={`number ${styles.right}`}>
        <OpenFindings shell={shell} />
      </td>
      <td className="soft number">{day(shell.combedAt)}</td>
      <td className="soft number">{day(shell.runAt)}</td>
      <td className={styles.right}>
        <button type="button" className={styles.remove} aria-label={`Remove ${name}`} onClick={onRemove}>
          Remove
        </button>
      </td>
    </tr>
  );
}

/** The open findings by family, each a way to its list. */
function OpenFindings({ shell }: { shell: ShellLine }) {
  const { open } = shell;
  if (open === null) return '–';
  if (shell.openTotal === 0) return 'none';
  return (
    <span className={styles.families}>
      {families
        .filter((family) => open[family] > 0)
        .map((family) => (
          <Link
            key={family}
            href={`/shells/${shell.id}/decide?family=${family}`}
            prefetch={false}
            title={`${open[family]} ${familyTitles[family]}`}
          >
            <FamilyShape family={family} size={13} named />
            {open[family]}
          </Link>
        ))}
    </span>
  );
}

const dayAndTime = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** When something happened, to the minute. */
const day = (iso: string | null): string => (iso ? dayAndTime.format(new Date(iso)) : 'not yet');
