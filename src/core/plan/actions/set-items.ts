import type { Item, Shell } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/time/local-date';
import { replacements, type Edit } from '../edits';
import type { Step } from '../step';

/** Turns the own switch of items on or off. */
export function setShown(shell: Shell, targets: ReadonlySet<string>, shown: boolean): Edit[] {
  return replacements(shell, 'items', (item) =>
    targets.has(item.ref) && item.shown !== shown ? { ...item, shown } : item,
  );
}

/** Gives items new dates; a date that is not named stays. */
export function reDate(shell: Shell, dates: NonNullable<Step['params']['dates']>): Edit[] {
  return replacements(shell, 'items', (item): Item => {
    const own = dates[item.ref];
    if (!own) return item;
    const next = {
      ...item,
      opens: (own.opens ?? item.opens) as LocalDateTime | null,
      closes: (own.closes ?? item.closes) as LocalDateTime | null,
      due: (own.due ?? item.due) as LocalDateTime | null,
    };
    return next.opens === item.opens && next.closes === item.closes && next.due === item.due ? item : next;
  });
}

export function rename(shell: Shell, titles: Readonly<Record<string, string>>): Edit[] {
  return replacements(shell, 'items', (item) => {
    const title = titles[item.ref]?.trim();
    return title && title !== item.title ? { ...item, title } : item;
  });
}

/** Takes requirements away; those that are not named stay. */
export function dropRequirements(
  shell: Shell,
  requirements: Readonly<Record<string, readonly string[]>>,
): Edit[] {
  return replacements(shell, 'items', (item) => {
    const gone = new Set(requirements[item.ref] ?? []);
    return item.requires.some((r) => gone.has(r))
      ? { ...item, requires: item.requires.filter((r) => !gone.has(r)) }
      : item;
  });
}
