import type { SourceRanks } from '@/core/outline/order-gestures';
import { sayClosed, type Sight } from '@/core/students-eye/sight';
import { blankItem } from '@/core/shell/blank-item';
import { emptyShell } from '@/core/shell/empty-shell';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { spellDate, type LocalDate } from '@/core/dates/local-date';
import type { OutlineView, WireItem } from '@/services/show/decide/outline-view';

/** The part of a shell that the outline is about, as it came from the server. */
export const shellOfView = (view: OutlineView): Shell => ({
  ...emptyShell,
  items: view.items.map(itemOfWire),
  term: view.term,
  noClassDays: view.noClassDays,
});
/** Where the source names what each item shows, by ref. */
export const ranksOfView = ({ items, ranks }: OutlineView): SourceRanks =>
  new Map(
    items.flatMap(({ ref = '' }, n): (readonly [string, number])[] => {
      const rank = ranks[n] ?? -1;
      return rank < 0 ? [] : [[ref, rank]];
    }),
  );
const itemOfWire = (wire: WireItem): Item => ({ ...blankItem, ...wire });

export interface OutlineRow {
  readonly item: Item;
  /** 1 for the top level. */
  readonly level: number;
  readonly sight: Sight;
  /** Why students get no more of it than that, in a sentence. */
  readonly because: string;
  readonly isOpen: boolean;
  readonly inside: number;
  /** Its place among its siblings, from 1, and how many they are. */
  readonly place: number;
  readonly beside: number;
}

/** The rows of the tree in order, without what stands in closed modules; what stands outside comes last. */
export function outlineRows(shell: Pick<Shell, 'items'>, closed: ReadonlySet<string>): readonly OutlineRow[] {
  const outline = outlineOf(shell);
  const rows: OutlineRow[] = [];
  const visit = (items: readonly Item[], level: number, shadow: Item | null) => {
    items.forEach((item, k) => {
      const isHidden = item.shown === false || item.staffOnly;
      const children = outline.children(item.ref);
      const isOpen = children.length > 0 && !closed.has(item.ref);
      rows.push({
        item,
        level,
        ...sightOf(item, shadow),
        isOpen,
        inside: children.length,
        place: k + 1,
        beside: items.length,
      });
      if (isOpen) visit(children, level + 1, shadow ?? (isHidden ? item : null));
    });
  };
  visit(outline.children(null), 1, null);
  visit(
    shell.items.filter((item) => !item.placed),
    1,
    null,
  );
  return rows;
}

function sightOf(item: Item, shadow: Item | null): { readonly sight: Sight; readonly because: string } {
  if (item.staffOnly) return { sight: 'Hidden', because: sayClosed({ is: 'staff-only' }) };
  if (item.shown === false) return { sight: 'Hidden', because: sayClosed({ is: 'hidden' }) };
  if (shadow !== null) return { sight: 'Shadowed', because: sayClosed({ is: 'shadowed', by: shadow.title }) };
  if (item.opens !== null || item.closes !== null) return { sight: 'Timed', because: sayTimes(item) };
  return { sight: 'Shown', because: 'Students see it.' };
}

function sayTimes({ opens, closes }: Item): string {
  const parts = [
    opens === null ? '' : `from ${spellDate(opens.slice(0, 10) as LocalDate)}`,
    closes === null ? '' : `until ${spellDate(closes.slice(0, 10) as LocalDate)}`,
  ];
  return `Students see it ${parts.filter((part) => part !== '').join(' ')}.`;
}

const shortDay = (when: string): string =>
  spellDate(when.slice(0, 10) as LocalDate).replace(/ (\p{L}{3})\p{L}* /u, ' $1 ');

/** The date that counts: due, else closing, else opening. */
export function sayDate({ due, closes, opens }: Item): string {
  if (due !== null) return `due ${shortDay(due)}`;
  if (closes !== null) return `closes ${shortDay(closes)}`;
  return opens === null ? '' : `opens ${shortDay(opens)}`;
}

export const sayKind = (item: Item): string => {
  const words = item.kind.replace('-', ' ');
  return item.placed ? words : `${words}, outside`;
};

/** What is chosen, in words and numbers. */
export interface ChosenItems {
  readonly items: readonly Item[];
  /** Items that stand inside chosen ones and are not chosen themselves. */
  readonly inside: number;
  readonly dated: readonly ItemRef[];
}

export function chosenItems(shell: Pick<Shell, 'items'>, refs: ReadonlySet<string>): ChosenItems {
  const outline = outlineOf(shell);
  const items = shell.items.filter((item) => refs.has(item.ref));
  const within = new Set(items.flatMap((item) => outline.descendants(item.ref)));
  const all = new Set([...items, ...within]);
  return {
    items,
    inside: [...within].filter((item) => !refs.has(item.ref)).length,
    dated: [...all].filter((item) => sayDate(item) !== '').map((item) => item.ref),
  };
}
