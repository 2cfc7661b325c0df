import type { Item, Shell } from '@/core/shell/model';
import { sameWeekAndWeekday } from '@/core/time/re-date';

/** What becomes of the dates of added items. */
export type Dating = 'keep' | 'shift' | 'clear';
type ItemDate = Item['due'];

/** How a date of an incoming package stands in the shell. One that the shell’s term has no day for stays as it is. */
export function datedBy(dating: Dating, incoming: Shell, shell: Shell): (when: ItemDate) => ItemDate {
  switch (dating) {
    case 'keep':
      return (when) => when;
    case 'clear':
      return () => null;
    case 'shift':
      return (when) => when && (moved(when, incoming, shell) ?? when);
  }
}

/** Titles of items that have a date which shifting leaves as it is. */
export const unmovedDates = (
  items: readonly Item[],
  incoming: Shell,
  shell: Shell,
  dating: Dating,
): readonly string[] =>
  dating === 'shift'
    ? items
        .filter(({ opens, due, closes }) =>
          [opens, due, closes].some((when) => when !== null && moved(when, incoming, shell) === null),
        )
        .map(({ title }) => title)
    : [];

const moved = (when: NonNullable<ItemDate>, incoming: Shell, shell: Shell): ItemDate =>
  sameWeekAndWeekday(when, termOf(incoming, shell), shell.term);

/** The term that an incoming package's dates belong to: its own, else the shell's previous one. */
const termOf = (incoming: Shell, shell: Shell) =>
  incoming.term.start && incoming.term.end && incoming.term.start !== shell.term.start
    ? incoming.term
    : shell.previousTerm;
