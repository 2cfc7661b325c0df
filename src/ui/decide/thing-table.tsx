'use client';
import type { ListedFinding } from '@/core/checks/finding/finding';
import { plural } from '@/core/text/plural';
import type { ThingDetail } from '@/services/show/shells/thing-detail';
import { useState } from 'react';
import { ThingLook } from '../look/thing-look';
import { useFirstMany } from '../marks/first-many';
import { choosable, TakeCell, TakeHead, type ThingChoice } from './take-box';
import { KeepInstead } from './keep-instead';
import styles from './decide.module.css';

/** What is shorter than this, in characters, stays on one line. */
const longestLine = 30;

interface Column {
  readonly title: string;
  /** A line each. */
  readonly of: (thing: ThingDetail) => readonly string[];
}

/** The many things of a finding, each with its place, its state, what is said of it and what the remedy does to it. */
export function ThingTable({
  shellId,
  finding,
  things,
  choice,
}: {
  shellId: string;
  finding: ListedFinding;
  things: readonly ThingDetail[];
  choice: ThingChoice | null;
}) {
  const targets = choosable(finding, choice);
  const { shown, more } = useFirstMany(things);
  const going = new Set(finding.remedy?.targets ?? []);
  const all: readonly Column[] = [
    { title: 'State', of: (thing) => thing.state },
    { title: 'Students', of: (thing) => (thing.students === null ? [] : [thing.students]) },
    { title: 'Remedy', of: (thing) => fateOf(finding, thing.ref, going) },
  ];
  const columns = all.filter((column) => things.some((thing) => column.of(thing).length > 0));
  return (
    <section aria-label={`${plural(things.length, 'thing')} it is about`} style={{ display: 'grid', gap: 8 }}>
      <table className={styles.events}>
        <thead>
          <tr>
            <TakeHead targets={targets} choice={choice} />
            <th scope="col">{plural(things.length, 'thing')}</th>
            {columns.map((column) => (
              <th key={column.title} scope="col">
                {column.title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((thing) => (
            <tr key={`${thing.type} ${thing.ref}`}>
              <TakeCell title={thing.title} thing={thing.ref} targets={targets} choice={choice} />
              <td>
                <strong>{thing.title}</strong>{' '}
                <KeepInstead thing={thing.ref} title={thing.title} choice={choice} />
                {thing.path.length > 0 && <div className="soft">{thing.path.join(' › ')}</div>}
                {thing.says.map((line) => (
                  <div key={line}>{line}</div>
                ))}
                <ThingPeek shellId={shellId} thing={thing} />
              </td>
              {columns.map((column) => (
                <td key={column.title}>
                  {column.of(thing).map((line) => (
                    <div key={line} className={line.length < longestLine ? styles.short : undefined}>
                      {line}
                    </div>
                  ))}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {more}
    </section>
  );
}

/** What the remedy does to one of the things; nothing where there is no remedy. */
function fateOf({ keep, remedy }: ListedFinding, ref: string, going: ReadonlySet<string>): string[] {
  if (!remedy) return [];
  if (ref === keep || !going.has(ref)) return ['stays'];
  return [remedy.action === 'delete' ? 'goes' : 'changes'];
}

/** Opens an item or file where its row stands. */
function ThingPeek({ shellId, thing }: { shellId: string; thing: ThingDetail }) {
  const [isOpen, setOpen] = useState(false);
  const { type, ref, title } = thing;
  if (type !== 'item' && type !== 'file') return null;
  return (
    <div>
      <button
        type="button"
        className={styles.small}
        aria-expanded={isOpen}
        aria-label={`${isOpen ? 'close' : 'look'}: ${title}`}
        onClick={() => setOpen(!isOpen)}
      >
        {isOpen ? 'close' : 'look'}
      </button>
      {isOpen && <ThingLook shellId={shellId} thing={{ type, ref, title }} />}
    </div>
  );
}
