import type { LocalDate } from '@/core/dates/local-date';
import { dateOf } from '@/core/dates/local-date';
import { onlyBaseline } from '@/core/compare/baseline';
import { identityDoubts, type IdentityDoubt } from './identity';
import type { ItemKind, Shell, ShellFile } from '@/core/shell/model';
import { countMonths, type MonthCount } from './months';
import { unusedItems } from '@/core/shell/unused-items';

export interface ShellCounts {
  readonly items: number;
  readonly files: number;
  readonly events: number;
  readonly gradeCategories: number;
  readonly gradeColumns: number;
  readonly banks: number;
  readonly homePages: number;
}

/** Is there anything in it, and anything beyond what the institution's baseline brought? */
export type Verdict = 'empty' | 'template-only' | 'has-content';

/** What a shell holds, counted. */
export interface Inventory {
  readonly counts: ShellCounts;
  readonly byKind: readonly { readonly kind: ItemKind; readonly count: number; readonly hidden: number }[];
  readonly outside: number;
  readonly hidden: number;
  readonly fileBytes: number;
  readonly largestFiles: readonly ShellFile[];
  /** Earliest and latest of all item dates and events. */
  readonly dates: { readonly first: LocalDate; readonly last: LocalDate } | null;
  readonly batches: readonly { readonly batch: string; readonly count: number }[];
  /** When its things were made, changed and are due. */
  readonly months: readonly MonthCount[];
  readonly verdict: Verdict;
  readonly questions: number;
  /** How many items students see that nobody used for this term; null where it was not counted yet. */
  readonly unused: number | null;
  /** Signs that this may be another course's or another term's package. */
  readonly doubts: readonly IdentityDoubt[];
}

/** An unplaced home page is counted as a home page only. */
export function countShell(shell: Shell): ShellCounts {
  return {
    items: shell.items.reduce((n, item) => n + (item.kind === 'home-page' ? 0 : 1), 0),
    files: shell.files.length,
    events: shell.events.length,
    gradeCategories: shell.gradeCategories.length,
    gradeColumns: shell.gradeColumns.length,
    banks: shell.banks.length,
    homePages: shell.homePages.length,
  };
}

/** Everything smoothness is a share of: items, files, events and grade setup alike. */
export function countThings(counts: ShellCounts): number {
  return (
    counts.items +
    counts.files +
    counts.events +
    counts.gradeCategories +
    counts.gradeColumns +
    counts.banks +
    counts.homePages
  );
}

export function takeInventory(shell: Shell): Inventory {
  const kinds = new Map<ItemKind, { count: number; hidden: number }>();
  const batches = new Map<string, number>();
  let first: LocalDate | null = null;
  let last: LocalDate | null = null;
  const note = (day: LocalDate) => {
    if (first === null || day < first) first = day;
    if (last === null || day > last) last = day;
  };
  for (const item of shell.items) {
    const entry = kinds.get(item.kind) ?? { count: 0, hidden: 0 };
    entry.count += 1;
    if (item.shown === false) entry.hidden += 1;
    kinds.set(item.kind, entry);
    if (item.batch) batches.set(item.batch, (batches.get(item.batch) ?? 0) + 1);
    for (const when of [item.opens, item.due, item.closes]) if (when) note(dateOf(when));
  }
  for (const event of shell.events) note(dateOf(event.start));
  const counts = countShell(shell);
  return {
    counts,
    byKind: [...kinds].map(([kind, entry]) => ({ kind, ...entry })),
    outside: shell.items.filter((i) => !i.placed).length,
    hidden: shell.items.filter((i) => i.shown === false).length,
    fileBytes: shell.files.reduce((sum, f) => sum + f.bytes, 0),
    largestFiles: [...shell.files]
      .sort((a, b) => b.bytes - a.bytes || (a.path < b.path ? -1 : 1))
      .slice(0, 8),
    dates: first && last ? { first, last } : null,
    batches: [...batches]
      .map(([batch, count]) => ({ batch, count }))
      .sort((a, b) => (a.batch < b.batch ? -1 : 1)),
    months: countMonths(shell),
    verdict: verdictOf(shell, counts),
    questions: shell.contents.reduce((n, c) => n + c.questions.length, 0),
    unused: unusedItems(shell).length,
    doubts: identityDoubts(shell),
  };
}

function verdictOf(shell: Shell, counts: ShellCounts): Verdict {
  if (countThings(counts) === 0) return 'empty';
  return onlyBaseline(shell) ? 'template-only' : 'has-content';
}
