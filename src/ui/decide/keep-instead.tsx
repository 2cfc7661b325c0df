'use client';
import type { ThingChoice } from './take-box';
import styles from './decide.module.css';

interface KeepInsteadProps {
  readonly thing: string;
  readonly title: string;
  readonly choice: ThingChoice | null;
}

/** Lets another of several alike things stay; nothing where the finding offers no such remedy. */
export function KeepInstead({ thing, title, choice }: KeepInsteadProps) {
  const way = choice?.keepers.get(thing);
  if (!choice || !way) return null;
  return (
    <button
      type="button"
      className={styles.small}
      aria-label={`keep this one: ${title}`}
      title={way.label}
      onClick={() => choice.keep(way)}
    >
      keep this one
    </button>
  );
}
