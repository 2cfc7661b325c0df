import type { ItemRef } from '@/core/refs/refs';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';

/**
 * What students see stays so: what they can’t see in the source lands hidden by its own switch, unless it stands in
 * something hidden. A role in the metadata is no switch; it stays.
 */
export class Sight {
  private readonly hidden = new Map<ItemRef, boolean>();

  constructor(
    shell: Shell,
    private readonly source: Shell,
    private readonly hidesAll: boolean,
  ) {
    const outline = outlineOf(shell);
    for (const item of shell.items) this.hidden.set(item.ref, !outline.isShown(item));
  }

  /** The switch of an item that lands in a module, or at the top. A module is asked before what is in it. */
  switchOf(item: Item, landedAs: ItemRef, parent: ItemRef | null): boolean | null {
    const isAroundHidden = parent !== null && this.isOutOfSight(parent);
    const mustHide = this.hidesAll || this.wasHidden(item);
    const shown = mustHide && !isAroundHidden ? false : item.shown;
    this.hidden.set(landedAs, isAroundHidden || shown === false || item.staffOnly);
    return shown;
  }

  /** Is an item hidden by its own switch, by its role, or by what is around it? */
  isOutOfSight(ref: ItemRef): boolean {
    return this.hidden.get(ref) ?? false;
  }

  private wasHidden(item: Item): boolean {
    return [item, ...outlineOf(this.source).ancestors(item)].some(({ shown }) => shown === false);
  }
}
