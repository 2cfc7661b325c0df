import type { Item, Shell } from '@/core/shell/model';
import { sameWeekAndWeekday } from '@/core/time/re-date';

/** What becomes of the dates of added items. */
export type Dating = 'keep' | 'shift' | 'clear';
type ItemDate = Item['due'];

/** How a date of an incoming package stands in the shell. */
export function datedBy(dating: Dating, incoming: Shell, shell: Shell): (when: ItemDate) => ItemDate {
  switch (dating) {
    case 'keep':
      return (when) => when;
    case 'clear':
      return () => null;
    case 'shift':
      return (when) => when && sameWeekAndWeekday(when, termOf(incoming, shell), shell.term);
  }
}

/** The term that an incoming package's dates belong to: its own, else the shell's previous one. */
const termOf = (incoming: Shell, shell: Shell) =>
  incoming.term.start && incoming.term.end && incoming.term.start !== shell.term.start
    ? incoming.term
    : shell.previousTerm;
