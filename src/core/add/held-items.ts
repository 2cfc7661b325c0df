import { collect } from '@/core/collect';
import { contentKeys, type ContentKeys } from '@/core/compare/content-keys';
import { linkGraphOf } from '@/core/links/graph';
import type { Content, Item, Shell } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { itemDifferences } from './differences';
import { incomingKey } from './incoming';
import { isNew, type Held, type Verdict } from './verdict';

/** One of the two shells: what its items say, by which they are compared. */
interface Side {
  readonly keys: ContentKeys;
  readonly contents: ReadonlyMap<string, Content>;
}
const sideOf = (shell: Shell): Side => ({
  keys: contentKeys(shell, linkGraphOf(shell)),
  contents: new Map<string, Content>(shell.contents.map((content) => [content.id, content])),
});

/** A text of fewer words says the same as many others. */
const tellingWords = 5;

/** Holds the items that would come against those that are here. */
export class ItemHolder {
  private readonly here: Side;
  private readonly there: Side;
  private readonly byRef: ReadonlyMap<string, Item>;
  private readonly byContent = new Map<string, Item>();
  private readonly byTitle = new Map<string, Item[]>();
  /** What stands here for an incoming item, by its ref: a parent is held before what stands in it. */
  private readonly counterparts = new Map<string, Item>();

  constructor(
    shell: Shell,
    private readonly incoming: Shell,
  ) {
    this.here = sideOf(shell);
    this.there = sideOf(incoming);
    this.byRef = new Map<string, Item>(shell.items.map((item) => [item.ref, item]));
    for (const item of shell.items) {
      for (const key of keysOf(this.here, item)) if (!this.byContent.has(key)) this.byContent.set(key, item);
      collect(this.byTitle, titleIn(item, item.placed ? (item.parent ?? '') : '-'), item);
    }
  }

  held(): Held[] {
    return this.incoming.items.map((item) => {
      const { verdict, counterpart } = this.sameThing(item) ?? this.twin(item) ?? this.namesake(item);
      if (counterpart) this.counterparts.set(item.ref, counterpart);
      return {
        key: incomingKey('item', item.ref),
        type: 'item',
        ref: item.ref,
        kind: item.kind,
        title: item.title,
        parent: item.parent === null ? null : incomingKey('item', item.parent),
        ...verdict,
      };
    });
  }

  /** The item of the same identifier, where it is one of a kind and has the title or the content, too. */
  private sameThing(item: Item): HeldItem | null {
    const same = this.byRef.get(item.ref);
    if (!same || same.kind !== item.kind) return null;
    const isEqual = this.isEqual(item, same);
    const isNamedSo = titleKey(same.title) === titleKey(item.title);
    if (!isNamedSo && (item.content === null || !isEqual)) return null;
    return { verdict: this.judge(same, item, isEqual), counterpart: same };
  }

  /** An item that says the same: under the same title, or in words enough. */
  private twin(item: Item): HeldItem | null {
    if (item.content === null) return null;
    const twin = keysOf(this.there, item)
      .map((key) => this.byContent.get(key))
      .find(
        (other) =>
          other !== undefined &&
          (titleKey(other.title) === titleKey(item.title) || this.there.keys.words(item) >= tellingWords),
      );
    if (!twin) return null;
    return { verdict: { standing: 'doubled', counterpart: named(twin), differences: [] }, counterpart: twin };
  }

  /** The only item of the same title in the same place; without one it is new. */
  private namesake(item: Item): HeldItem {
    const parent = item.parent === null ? null : this.counterparts.get(item.parent);
    if (item.placed && parent === undefined) return newItem;
    const [other, another] = this.byTitle.get(titleIn(item, item.placed ? (parent?.ref ?? '') : '-')) ?? [];
    if (!other || another) return newItem;
    if (item.content === null)
      return {
        verdict: { standing: 'there', counterpart: named(other), differences: [] },
        counterpart: other,
      };
    return { verdict: this.judge(other, item, false), counterpart: other };
  }

  private isEqual(item: Item, other: Item): boolean {
    const [theirs, ours] = [this.there.keys, this.here.keys];
    return theirs.of(item) === ours.of(other) || theirs.looseOf(item) === ours.looseOf(other);
  }

  private judge(other: Item, item: Item, isEqual: boolean): Verdict {
    const ours = this.here.contents.get(other.content ?? '');
    const theirs = this.there.contents.get(item.content ?? '');
    const differences = itemDifferences(other, item, ours, theirs, isEqual);
    return { standing: differences.length ? 'differs' : 'there', counterpart: named(other), differences };
  }
}

interface HeldItem {
  readonly verdict: Verdict;
  readonly counterpart: Item | null;
}
const newItem: HeldItem = { verdict: isNew, counterpart: null };

const keysOf = ({ keys }: Side, item: Item): string[] =>
  [keys.of(item), keys.looseOf(item)].filter((key) => key !== null);
const titleIn = (item: Item, parent: string) => `${item.kind} ${parent} ${titleKey(item.title)}`;
const named = (item: Item) => ({ ref: item.ref, title: item.title });
