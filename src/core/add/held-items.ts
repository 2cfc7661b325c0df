import { collect } from '@/core/collect';
import { contentKeys, type ContentKeys } from '@/core/compare/content-keys';
import { linkGraphOf } from '@/core/links/graph';
import type { ItemRef } from '@/core/refs/refs';
import type { Content, Item, Shell } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { wordDifferences } from './differences';
import { incomingKey } from './incoming';
import { isStructure, type ModuleMatch, type Place } from './match-modules';
import { heldAgainst, isDoubled, isNew, type Held, type Verdict } from './verdict';

/** One of the two shells: what its items say, by which they are compared. */
interface Side {
  readonly keys: ContentKeys;
  readonly contents: ReadonlyMap<string, Content>;
}
const sideOf = (shell: Shell): Side => ({
  keys: contentKeys(shell, linkGraphOf(shell)),
  contents: new Map<string, Content>(shell.contents.map((content) => [content.id, content])),
});

/** A text of fewer words says the same as many others: it is known by its title or its place, too. */
const tellingWords = 5;

/** Holds the items of a source against those that are here: equal ones first, then those of one title in one place. */
export class ItemHolder {
  private readonly here: Side;
  private readonly there: Side;
  private readonly byBody = new Map<string, Item[]>();
  private readonly byTitle = new Map<string, Item[]>();
  private readonly byRef: ReadonlyMap<string, Item>;
  private readonly used = new Set<Item>();
  private readonly verdicts = new Map<ItemRef, Verdict>();

  /** `byIdentity`: what has neither equal nor namesake is looked for by its identifier, too, as when two states are compared. */
  constructor(
    shell: Shell,
    private readonly source: Shell,
    private readonly modules: ModuleMatch,
    private readonly byIdentity: boolean,
  ) {
    this.here = sideOf(shell);
    this.there = sideOf(source);
    this.byRef = new Map(shell.items.map((item) => [item.ref, item]));
    for (const item of shell.items) {
      if (isStructure(item)) continue;
      for (const key of bodiesOf(this.here, item)) collect(this.byBody, key, item);
      collect(this.byTitle, titleIn(item, item.placed ? item.parent : 'outside'), item);
    }
  }

  held(): Held[] {
    const { items } = this.source;
    for (const item of items) if (isStructure(item)) this.verdicts.set(item.ref, this.structure(item));
    const contents = items.filter((item) => !this.verdicts.has(item.ref));
    this.pass(contents, (item) => this.equal(item));
    this.pass(contents, this.laterCopies());
    this.pass(contents, (item) => this.namesake(item));
    if (this.byIdentity) this.pass(contents, (item) => this.sameIdentity(item));
    return items.map((item) => ({
      key: incomingKey('item', item.ref),
      type: 'item',
      ref: item.ref,
      kind: item.kind,
      title: item.title,
      parent: item.parent === null ? null : incomingKey('item', item.parent),
      ...(this.verdicts.get(item.ref) ?? isNew),
    }));
  }

  private pass(items: readonly Item[], verdictOn: (item: Item) => Verdict | null): void {
    for (const item of items) {
      if (this.verdicts.has(item.ref)) continue;
      const verdict = verdictOn(item);
      if (verdict !== null) this.verdicts.set(item.ref, verdict);
    }
  }

  private structure(item: Item): Verdict {
    if (item === this.modules.sourceWrapper) {
      const { wrapper } = this.modules;
      return { standing: 'there', counterpart: wrapper && named(wrapper), differences: [] };
    }
    const counterpart = this.modules.counterpart(item.ref);
    if (counterpart !== null) return heldAgainst(counterpart, []);
    const first = this.modules.firstOf(item.ref);
    return first === null ? isNew : { ...isDoubled, firstCopy: incomingKey('item', first) };
  }

  /** The item here that says the same, at whatever place; one in the matching place before the others. */
  private equal(item: Item): Verdict | null {
    const place = this.modules.placeOf(item);
    const title = titleKey(item.title);
    const isTelling = this.isTelling(item);
    let best: { readonly item: Item; readonly rank: number } | null = null;
    for (const candidate of this.candidatesFor(item)) {
      const isNamesake = titleKey(candidate.title) === title;
      const isInPlace = placeHere(candidate) === place;
      if (!isTelling && !isNamesake && !isInPlace) continue;
      const rank = (this.used.has(candidate) ? 0 : 4) + (isInPlace ? 2 : 0) + (isNamesake ? 1 : 0);
      if (best === null || rank > best.rank) best = { item: candidate, rank };
    }
    if (best === null) return null;
    this.used.add(best.item);
    return heldAgainst(best.item, []);
  }

  /** Everything here of the same kind that says the same, where the points of both may be the same. */
  private candidatesFor(item: Item): readonly Item[] {
    const points = pointsOf(this.there, item);
    const candidates = new Set(bodiesOf(this.there, item).flatMap((key) => this.byBody.get(key) ?? []));
    return [...candidates].filter((candidate) => mayBeSame(points, pointsOf(this.here, candidate)));
  }

  private isTelling(item: Item): boolean {
    const content = this.there.contents.get(item.content ?? '');
    const isText = (content?.texts.length ?? 0) > 0;
    return !isText || this.there.keys.words(item) >= tellingWords;
  }

  /** Tells of an item whether one before it in the source says the same. */
  private laterCopies(): (item: Item) => Verdict | null {
    const firsts = new Map<string, ItemRef>();
    return (item) => {
      const title = this.isTelling(item) ? '' : titleKey(item.title);
      const points = pointsOf(this.there, item) ?? '';
      const keys = bodiesOf(this.there, item).map((key) => `${key} ${title} ${points}`);
      const first = keys.map((key) => firsts.get(key)).find((ref) => ref !== undefined);
      for (const key of keys) if (!firsts.has(key)) firsts.set(key, item.ref);
      return first === undefined ? null : { ...isDoubled, firstCopy: incomingKey('item', first) };
    };
  }

  /** The first item of the same kind and title in the matching place that stands for nothing else. */
  private namesake(item: Item): Verdict | null {
    const place = this.modules.placeOf(item);
    if (place === undefined) return null;
    const other = this.byTitle.get(titleIn(item, place))?.find((one) => !this.used.has(one));
    return other ? this.judged(item, other) : null;
  }

  private sameIdentity(item: Item): Verdict | null {
    const other = this.byRef.get(item.ref);
    if (!other || other.kind !== item.kind || this.used.has(other)) return null;
    const isNamesake = titleKey(other.title) === titleKey(item.title);
    return isNamesake || item.content !== null ? this.judged(item, other) : null;
  }

  private judged(item: Item, other: Item): Verdict {
    this.used.add(other);
    const [ours, theirs] = [
      this.here.contents.get(other.content ?? ''),
      this.there.contents.get(item.content ?? ''),
    ];
    const bodies = new Set(bodiesOf(this.here, other));
    const isSame =
      (theirs === undefined && ours === undefined) ||
      bodiesOf(this.there, item).some((key) => bodies.has(key)) ||
      (bodies.size === 0 && bodiesOf(this.there, item).length === 0);
    return heldAgainst(other, wordDifferences(other, item, ours, theirs, isSame));
  }
}

const bodiesOf = ({ keys }: Side, item: Item): string[] =>
  [...new Set([keys.bodyOf(item), keys.looseBodyOf(item)])].filter((key) => key !== null);

const pointsOf = ({ contents }: Side, item: Item): number | null =>
  item.points ?? contents.get(item.content ?? '')?.points ?? null;

const mayBeSame = (a: number | null, b: number | null): boolean => a === null || b === null || a === b;

const placeHere = ({ placed, parent }: Item): Place => (placed ? parent : 'outside');
const titleIn = (item: Item, place: Place) => JSON.stringify([item.kind, place, titleKey(item.title)]);
const named = ({ ref, title }: Item) => ({ ref, title });
