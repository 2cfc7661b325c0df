import { putEntry } from '@/core/entries';
import type { Family, ListedFinding } from '@/core/checks/finding/finding';
import { sourceRanks } from '@/core/outline/source-ranks';
import { blankItem } from '@/core/shell/blank-item';
import type { Item } from '@/core/shell/model';
import type { LocalDate } from '@/core/dates/local-date';
import { listedFindings } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { runRules } from '@/services/keep/rules/run-rules';
import { courseOf } from '@/services/keep/rows/course';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { plannedShell } from '@/services/keep/plan/planned-shell';

const carried = [
  'ref',
  'kind',
  'title',
  'placed',
  'parent',
  'shown',
  'opens',
  'closes',
  'due',
  'points',
  'gradeCategory',
  'created',
  'staffOnly',
] as const;
/** An item as the outline editor gets it: what is as it is for most items is left out. */
export type WireItem = Partial<Pick<Item, (typeof carried)[number] | 'content'>>;

/** The most urgent finding about an item. */
export interface ItemFinding {
  readonly id: string;
  readonly title: string;
  readonly family: Family;
}

/** The outline as the plan so far would leave it. */
export interface OutlineView {
  readonly id: string;
  readonly items: readonly WireItem[];
  /** Where the source names what each item shows, in the order of the items; -1 where it does not. */
  readonly ranks: readonly number[];
  readonly findings: Readonly<Record<string, ItemFinding>>;
  readonly term: {
    readonly title: string;
    readonly start: LocalDate | null;
    readonly end: LocalDate | null;
  };
  readonly noClassDays: readonly LocalDate[];
}

export function outlineView(folder: OpenFolder, current: CurrentShell): OutlineView {
  const shell = plannedShell(folder, current, runRules(folder, current));
  const open = current.audit
    ? listedFindings(folder.db, current.audit.id, courseOf(current.row), 'open')
    : [];
  const items = shell.items.filter((item) => item.kind !== 'home-page' || item.placed);
  const ranks = sourceRanks(shell);
  return {
    id: current.row.id,
    items: items.map(wireItem),
    ranks: items.map(({ ref }) => ranks.get(ref) ?? -1),
    findings: findingsByItem(open),
    term: shell.term,
    noClassDays: shell.noClassDays,
  };
}

function wireItem(item: Item): WireItem {
  const told = carried.filter((name) => item[name] !== blankItem[name]).map((name) => [name, item[name]]);
  // Whether a module shows a page itself decides whether it can be merged or lifted away.
  const content =
    item.content === null ? [] : [['content', item.kind === 'module' ? item.content : 'it has']];
  return Object.fromEntries([...told, ...content]) as WireItem;
}

const urgencies = ['fix-first', 'look-at', 'tidy'] as const;

function findingsByItem(open: readonly ListedFinding[]): Record<string, ItemFinding> {
  const worst: Record<string, ItemFinding> = {};
  for (const urgency of urgencies)
    for (const finding of open)
      if (finding.urgency === urgency)
        for (const { type, ref } of finding.subjects)
          if (type === 'item')
            if (!Object.hasOwn(worst, ref))
              putEntry(worst, ref, { id: finding.id, title: finding.title, family: finding.family });
  return worst;
}
