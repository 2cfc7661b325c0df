import { addDays, dateOf, type LocalDate } from '@/core/dates/local-date';
import type { Item, Shell } from './model';
import { outlineOf } from './outline';

/** So many days before a term the work on it begins, where nobody told when the term before it ended. */
const daysOfPreparing = 60;

/** The day from which on work counts as work for this term; null where the term’s days are not known. */
export function workBegins({ previousTerm, term }: Pick<Shell, 'previousTerm' | 'term'>): LocalDate | null {
  if (previousTerm !== null && previousTerm.end !== null) return previousTerm.end;
  return term.start === null ? null : addDays(term.start, -daysOfPreparing);
}

/**
 * What students see and nobody used for this term: items of the outline that were last changed before work on the term
 * began, and that have no date inside it. Modules and headings hold others and are not asked; what nobody told a change
 * of is left out.
 */
export function unusedItems(shell: Shell): readonly Item[] {
  const since = workBegins(shell);
  const { start, end } = shell.term;
  if (since === null || start === null || end === null) return [];
  const outline = outlineOf(shell);
  const isInTerm = (when: Item['due']) => when !== null && dateOf(when) >= start && dateOf(when) <= end;
  return shell.items.filter((item) => {
    const changed = item.modified ?? item.created;
    const isThing = item.kind !== 'module' && item.kind !== 'heading' && item.kind !== 'home-page';
    if (!isThing || !item.placed || changed === null || dateOf(changed) > since) return false;
    return ![item.opens, item.due, item.closes].some(isInTerm) && outline.isShown(item);
  });
}
