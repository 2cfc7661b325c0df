import { collect } from '@/core/collect';
import type { ItemRef } from '@/core/refs/refs';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { numberLabel, sameNumber } from '@/core/text/number-label';
import { titleKey } from '@/core/text/normalise';
import { wrapperOf } from './wrapper';

/** Where something of the source belongs here: inside an item, at the top (null), outside the outline, or nowhere yet. */
export type Place = ItemRef | null | 'outside' | undefined;

/** The modules and headings of a source with their counterparts here. */
export class ModuleMatch {
  /** What everything of the source stands in, and what everything here stands in; both are looked through. */
  readonly sourceWrapper: Item | null;
  readonly wrapper: Item | null;
  private readonly counterparts = new Map<ItemRef, Item>();
  /** Of modules of one title at one level of the source, the first: what is in the others goes where its things go. */
  private readonly firsts = new Map<ItemRef, ItemRef>();

  constructor(
    private readonly shell: Shell,
    private readonly source: Shell,
  ) {
    this.sourceWrapper = wrapperOf(source, shell);
    this.wrapper = wrapperOf(shell, source);
    this.match();
  }

  counterpart(ref: ItemRef): Item | null {
    return this.counterparts.get(ref) ?? null;
  }

  /** The module of the same title before it, at the same level of the source; null for the first of its title. */
  firstOf(ref: ItemRef): ItemRef | null {
    return this.firsts.get(ref) ?? null;
  }

  /** The place here that matches the one in which an item of the source stands. */
  placeOf({ placed, parent }: Pick<Item, 'placed' | 'parent'>): Place {
    if (!placed) return 'outside';
    if (parent === null || parent === this.sourceWrapper?.ref) return this.wrapper?.ref ?? null;
    return this.counterparts.get(this.firsts.get(parent) ?? parent)?.ref;
  }

  private match(): void {
    const outline = outlineOf(this.shell);
    const seen = new Map<string, ItemRef>();
    for (const item of this.source.items) {
      if (!item.placed || !isStructure(item) || item === this.sourceWrapper) continue;
      const parent = item.parent === null ? null : (this.firsts.get(item.parent) ?? item.parent);
      const name = JSON.stringify([parent, item.kind, titleKey(item.title)]);
      const first = seen.get(name);
      if (first === undefined) seen.set(name, item.ref);
      else if (item.kind === 'module') this.firsts.set(item.ref, first);
      const place = this.placeOf(item);
      if (place === undefined || place === 'outside') continue;
      const counterpart = counterpartAmong(outline.children(place), item);
      if (counterpart) this.counterparts.set(item.ref, counterpart);
    }
  }
}

export const isStructure = ({ kind }: Pick<Item, 'kind'>): boolean => kind === 'module' || kind === 'heading';

/** The sibling of the same title, else the module of the same word and number: “Week 3” for “Week 3: Velocity”. */
function counterpartAmong(siblings: readonly Item[], item: Item): Item | null {
  const byTitle = new Map<string, Item[]>();
  for (const one of siblings) if (one.kind === item.kind) collect(byTitle, titleKey(one.title), one);
  const [namesake] = byTitle.get(titleKey(item.title)) ?? [];
  if (namesake) return namesake;
  const label = item.kind === 'module' ? numberLabel(item.title) : null;
  if (label === null) return null;
  const counted = siblings.find((one) => {
    const other = one.kind === 'module' ? numberLabel(one.title) : null;
    return other !== null && sameNumber(other, label);
  });
  return counted ?? null;
}
