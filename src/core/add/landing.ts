import { append, collect } from '@/core/collect';
import type { ItemRef } from '@/core/refs/refs';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf, type Outline } from '@/core/shell/outline';
import { compareNumbers, numberLabel } from '@/core/text/number-label';
import { ModuleMatch } from './match-modules';
import type { TakenThings } from './taken-things';

/** Where things land: where they match, at the end of what they match, or all at one place that was named. */
export type Landing =
  | { readonly where: 'match' }
  | { readonly where: 'end' }
  | { readonly where: 'in' | 'before' | 'after'; readonly ref: string };

export const isOnePlace = ({ where }: Landing): boolean => where !== 'match' && where !== 'end';

/** Where each taken item of a source lands in the outline; rules in the design: Adding, exactly. */
export class LandingPlaces {
  private readonly outline: Outline;
  private readonly from: Outline;
  private readonly modules: ModuleMatch;
  /** What stands in each module, and at the top, as it will be. */
  private readonly children = new Map<ItemRef | null, ItemRef[]>();
  private readonly parents = new Map<ItemRef, ItemRef | null>();
  private readonly titles = new Map<ItemRef, string>();
  /** The last that was put at the one place that was named. */
  private lastPut: ItemRef | null = null;

  constructor(
    shell: Shell,
    private readonly taken: TakenThings,
    private readonly landing: Landing,
    private readonly newRefs: ReadonlyMap<ItemRef, ItemRef>,
  ) {
    this.outline = outlineOf(shell);
    this.from = outlineOf(taken.incoming);
    this.modules = new ModuleMatch(shell, taken.incoming);
    for (const { ref, parent, placed, title } of shell.items) {
      if (!placed) continue;
      collect(this.children, parent, ref);
      this.parents.set(ref, parent);
      this.titles.set(ref, title);
    }
    for (const item of taken.items) if (item.placed) this.land(item);
  }

  /** The module that a landed item stands in, under the ref that it has here. */
  parentOf(ref: ItemRef): ItemRef | null {
    return this.parents.get(ref) ?? null;
  }

  /** What stands right before a landed item in its module; null where it is the first. */
  before(ref: ItemRef): ItemRef | null {
    const siblings = this.children.get(this.parentOf(ref)) ?? [];
    return siblings[siblings.indexOf(ref) - 1] ?? null;
  }

  /** The items of the shell, as they are by now, with those that land, in the order of the outline; those outside it last. */
  ordered({ items }: Pick<Shell, 'items'>, added: readonly Item[]): Item[] {
    const all = [...items, ...added];
    const byRef = new Map<ItemRef, Item>(all.map((item) => [item.ref, item]));
    const ordered: Item[] = [];
    const waiting = [...(this.children.get(null) ?? [])].reverse();
    for (let ref = waiting.pop(); ref !== undefined; ref = waiting.pop()) {
      const item = byRef.get(ref);
      if (item) ordered.push(item);
      append(waiting, [...(this.children.get(ref) ?? [])].reverse());
    }
    return [...ordered, ...all.filter(({ placed }) => !placed)];
  }

  private land(item: Item): void {
    const ref = this.newRefs.get(item.ref);
    if (ref === undefined) return;
    this.titles.set(ref, item.title);
    const { landing } = this;
    const inside = this.takenModuleAround(item);
    if (inside !== null) return this.put(ref, inside, null);
    if (landing.where === 'in') return this.put(ref, landing.ref as ItemRef, null);
    if (landing.where === 'before' || landing.where === 'after') return this.putBeside(ref, landing);
    this.putWhereItMatches(item, ref, landing.where);
  }

  private putBeside(ref: ItemRef, { where, ref: goal }: Landing & { readonly ref: string }): void {
    const parent = this.outline.byRef.get(goal as ItemRef)?.parent ?? null;
    const siblings = this.children.get(parent) ?? [];
    const before = this.lastPut ?? (goal as ItemRef);
    const at = siblings.indexOf(before) + (where === 'before' && this.lastPut === null ? 0 : 1);
    this.lastPut = ref;
    this.put(ref, parent, at);
  }

  private putWhereItMatches(item: Item, ref: ItemRef, where: 'match' | 'end'): void {
    const copyOf = this.counterpartOf(item);
    if (copyOf !== null && item.kind !== 'module')
      return this.put(ref, copyOf.parent, this.placeIn(copyOf.parent, copyOf.ref) + 1);
    const parent = this.matchingParent(item);
    if (where === 'end') return this.put(ref, parent, null);
    this.put(
      ref,
      parent,
      item.kind === 'module' ? this.placeByNumber(item, parent) : this.placeByNeighbours(item, parent),
    );
  }

  /** An item that lands though its counterpart is here lands right behind that. */
  private counterpartOf(item: Item): Item | null {
    const ref = this.taken.counterpart('item', item.ref);
    const counterpart = ref === null ? undefined : this.outline.byRef.get(ref as ItemRef);
    return counterpart?.placed ? counterpart : null;
  }

  private takenModuleAround(item: Item): ItemRef | null {
    if (item.parent === null) return null;
    return this.newRefs.get(this.modules.firstOf(item.parent) ?? item.parent) ?? null;
  }

  /** The place here that matches the nearest module around an item that has one. */
  private matchingParent(item: Item): ItemRef | null {
    for (const inside of [item, ...[...this.from.ancestors(item)].reverse()]) {
      const place = this.modules.placeOf(inside);
      if (place !== undefined && place !== 'outside') return place;
    }
    return null;
  }

  private placeIn(parent: ItemRef | null, ref: ItemRef): number {
    return (this.children.get(parent) ?? []).indexOf(ref);
  }

  /** Behind the last of its neighbours before it, else before the first of those behind it; null for the end. */
  private placeByNeighbours(item: Item, parent: ItemRef | null): number | null {
    const siblings = this.from.children(item.parent);
    const at = siblings.indexOf(item);
    for (const neighbour of siblings.slice(0, at).reverse()) {
      const place = this.placeOfNeighbour(neighbour, parent);
      if (place !== null) return place + 1;
    }
    for (const neighbour of siblings.slice(at + 1)) {
      const place = this.placeOfNeighbour(neighbour, parent);
      if (place !== null) return place;
    }
    return null;
  }

  /** Where a neighbour stands in a module here: what has just landed before what was there. */
  private placeOfNeighbour(neighbour: Item, parent: ItemRef | null): number | null {
    const refs = [this.newRefs.get(neighbour.ref) ?? null, this.taken.counterpart('item', neighbour.ref)];
    const standsThere = refs.find((ref) => ref !== null && this.parents.get(ref as ItemRef) === parent);
    return standsThere ? this.placeIn(parent, standsThere as ItemRef) : null;
  }

  /** Right behind the next smaller number of its word, else before the next larger; null for the end. */
  private placeByNumber(item: Item, parent: ItemRef | null): number | null {
    const label = numberLabel(item.title);
    if (label === null) return null;
    let behind: number | null = null;
    let before: number | null = null;
    (this.children.get(parent) ?? []).forEach((ref, place) => {
      const other = numberLabel(this.titles.get(ref) ?? '');
      if (other?.label !== label.label) return;
      if (compareNumbers(other.numbers, label.numbers) <= 0) behind = place + 1;
      else before ??= place;
    });
    return behind ?? before;
  }

  /** Puts an item into a module, at a place or at its end. */
  private put(ref: ItemRef, parent: ItemRef | null, place: number | null): void {
    const siblings = this.children.get(parent) ?? [];
    siblings.splice(place ?? siblings.length, 0, ref);
    this.children.set(parent, siblings);
    this.parents.set(ref, parent);
  }
}
