import { entryOf } from '@/core/entries';
const pageOfRows = 12;

/** How many rows further a key leads in a list; Home and End lead as far as there are rows. */
const steps: Readonly<Record<string, number>> = {
  ArrowDown: 1,
  ArrowUp: -1,
  PageDown: pageOfRows,
  PageUp: -pageOfRows,
  Home: -Infinity,
  End: Infinity,
};

/** How many rows further a key leads; undefined for a key that leads nowhere. */
export const rowsFurther = (key: string): number | undefined => entryOf(steps, key);
