'use client';
import Button from '@mui/material/Button';
import { kindOf, type Choice } from '@/core/add/choose';
import type { IncomingThing } from '@/core/add/incoming';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';
import { ThingLook } from '../look/thing-look';
import styles from './bring-over.module.css';

interface LookCardProps {
  readonly view: BringOverView;
  readonly thing: IncomingThing;
  readonly choice: Choice;
  readonly onClose: () => void;
}

/** A thing of the source as it looks, with what it needs. */
export function LookCard({ view, thing, choice, onClose }: LookCardProps) {
  const { type, ref, title, key, differences } = thing;
  const titles = new Map(view.preview.things.map((one) => [one.key, one.title]));
  const needs = (new Map(Object.entries(view.preview.needs)).get(key) ?? []).map(
    (need) => titles.get(need.key) ?? '',
  );
  const says = view.preview.hints.filter((hint) => hint.key === key).map((hint) => hint.says);
  if (thing.kind === 'module' || thing.kind === 'heading') return null;
  return (
    <section className={styles.look} aria-label={title} data-testid="look">
      <div className={styles.lookHead}>
        <h2>{title}</h2>
        <Button size="small" color="inherit" onClick={onClose}>
          Close
        </Button>
      </div>
      {type === 'item' || type === 'file' ? (
        <ThingLook shellId={view.shellId} thing={{ type, ref, title, of: 'source' }} />
      ) : (
        <p className="soft">{kindOf(thing)}</p>
      )}
      {needs.length > 0 && <p className="soft">Comes with {listed(needs)}.</p>}
      {says.length > 0 && <p className="soft">The checks say: {says.join(', ')}.</p>}
      {differences.length > 0 && <p className="soft">Differs: {differences.join('; ')}.</p>}
      {choice.needed.has(key) && (
        <p className="soft">It comes along, since something that you chose needs it.</p>
      )}
    </section>
  );
}

/** So many are named; the others are counted. */
const mostNamed = 4;
const listed = (titles: readonly string[]): string =>
  titles.length > mostNamed
    ? `${titles.slice(0, mostNamed).join(', ')} and ${titles.length - mostNamed} more`
    : titles.join(', ');
