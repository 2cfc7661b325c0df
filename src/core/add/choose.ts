import { collect } from '@/core/collect';
import { entryOf } from '@/core/entries';
import { bad, good, type Result } from '@/core/shell/result';
import { headingsFollowedBy, withModulesAround } from './headings';
import type { AddPreview, IncomingKey, IncomingThing } from './incoming';

/** What is wanted of a source. Refs are those of the source. */
export interface AddWish {
  /** The first choice: what is proposed, everything that is new, or nothing. */
  readonly take: 'proposed' | 'all' | 'none';
  /** Narrows the first choice; null for every kind. */
  readonly kinds: readonly string[] | null;
  readonly and: readonly string[];
  readonly leave: readonly string[];
  /** What becomes of what differs: the target’s is kept or replaced, or the source’s lands beside it. */
  readonly differs: 'keep' | 'replace' | 'beside';
  /** These are replaced, whatever becomes of the others. */
  readonly replace: readonly string[];
}

export const proposedWish: AddWish = {
  take: 'proposed',
  kinds: null,
  and: [],
  leave: [],
  differs: 'keep',
  replace: [],
};

/** What comes of a wish: what is taken, and why. */
export interface Choice {
  /** Taken for themselves. */
  readonly ticked: ReadonlySet<IncomingKey>;
  /** Named one by one, modules among them: those come as they are named, wherever things land. */
  readonly named: ReadonlySet<IncomingKey>;
  /** Taken since something that is taken needs them, each with what needs it directly. */
  readonly needed: ReadonlyMap<IncomingKey, readonly IncomingKey[]>;
  /** Things of the target that get what the source says. */
  readonly replaced: ReadonlySet<IncomingKey>;
  /** Left out by name, and so not even taken where something needs them. */
  readonly left: ReadonlySet<IncomingKey>;
}

export const isTaken = ({ ticked, needed }: Choice, key: IncomingKey): boolean =>
  ticked.has(key) || needed.has(key);

/** The kind by which a first choice is narrowed. */
export const kindOf = ({ type, kind }: Pick<IncomingThing, 'type' | 'kind'>): string => {
  switch (type) {
    case 'item':
      return kind;
    case 'gradeCategory':
    case 'gradeColumn':
      return 'grade-setup';
    case 'file':
    case 'event':
    case 'bank':
      return type;
  }
};

/** Where things land decides whether the modules around them come along. */
export interface ChooseOptions {
  /** All goes to one place that was named: what was named by itself goes there without its module. */
  readonly toOnePlace: boolean;
}

/** Works out what a wish takes. Trouble `usage` for a ref that is not there, or a wish that contradicts itself. */
export function chooseThings(
  preview: AddPreview,
  wish: AddWish,
  options: ChooseOptions = { toOnePlace: false },
): Result<Choice> {
  const list = ThingList.of(preview);
  const unknown = [...wish.and, ...wish.leave, ...wish.replace].find((ref) => list.named(ref) === null);
  if (unknown !== undefined)
    return bad(
      'usage',
      `There is nothing with the ref “${unknown}” in the source; take refs as the audit gives them.`,
    );
  const both = [...wish.and, ...wish.replace].find((ref) => wish.leave.includes(ref));
  if (both !== undefined) return bad('usage', `“${both}” can’t be both taken and left out; name it once.`);
  const same = wish.replace.find((ref) => list.named(ref)?.standing !== 'differs');
  if (same !== undefined)
    return bad('usage', `“${same}” has no counterpart with other content, so there is nothing to replace.`);
  return good(new Chooser(preview, list, wish, options).choose());
}

/** Takes just what is named, with what that needs: how a choice on a screen is told. A filled module comes with what is in it. */
export function chooseNamed(
  preview: AddPreview,
  keys: readonly IncomingKey[],
  replace: readonly IncomingKey[] = [],
  options: ChooseOptions = { toOnePlace: false },
): Choice {
  const list = ThingList.of(preview);
  const known = keys.filter((key) => {
    const thing = list.named(key);
    return thing !== null && !list.isFull(thing);
  });
  return new Chooser(preview, list, { ...proposedWish, take: 'none', and: known, replace }, options).choose();
}

/** Takes what is named as it is, modules by themselves, with what it needs: a part of a shell. */
export function choosePart(preview: AddPreview, keys: readonly IncomingKey[]): Choice {
  return new Chooser(preview, ThingList.of(preview), noWish, { toOnePlace: true }).part(keys);
}
const noWish: AddWish = { ...proposedWish, take: 'none' };

const lists = new WeakMap<AddPreview, ThingList>();

/** The things of a source by key, by ref, and by what they stand in; worked out once for each preview. */
class ThingList {
  readonly byKey: ReadonlyMap<IncomingKey, IncomingThing>;
  /** What some thing needs. */
  readonly neededBySome: ReadonlySet<IncomingKey>;
  /** Files of the target that files of the source are equal to. */
  readonly equalFiles: ReadonlySet<string>;
  private readonly byRef = new Map<string, IncomingThing>();
  private readonly children = new Map<IncomingKey, IncomingThing[]>();

  private constructor({ things, needs }: AddPreview) {
    for (const thing of things) {
      if (!this.byRef.has(thing.ref)) this.byRef.set(thing.ref, thing);
      if (!this.byRef.has(thing.key)) this.byRef.set(thing.key, thing);
      if (thing.parent !== null) collect(this.children, thing.parent, thing);
    }
    this.byKey = new Map(things.map((thing) => [thing.key, thing]));
    const equal = things.filter(({ type, standing }) => type === 'file' && standing === 'there');
    this.equalFiles = new Set(equal.flatMap(({ counterpart }) => counterpart?.ref ?? []));
    this.neededBySome = new Set(Object.values(needs).flatMap((list) => list.map(({ key }) => key)));
  }

  /** Each tick on a screen asks for the list of the same preview. */
  static of(preview: AddPreview): ThingList {
    const known = lists.get(preview) ?? new ThingList(preview);
    lists.set(preview, known);
    return known;
  }

  /** By a ref of the source, or by the key that tells things of several types apart. */
  named(ref: string): IncomingThing | null {
    return this.byRef.get(ref) ?? null;
  }

  inside(key: IncomingKey): IncomingThing[] {
    return (this.children.get(key) ?? []).flatMap((thing) => [thing, ...this.inside(thing.key)]);
  }

  /** A module with something in it comes with that alone. */
  isFull({ key, kind, type }: IncomingThing): boolean {
    return type === 'item' && kind === 'module' && this.children.has(key);
  }
}

class Chooser {
  private readonly ticked = new Set<IncomingKey>();
  private readonly named = new Set<IncomingKey>();
  private readonly replaced = new Set<IncomingKey>();
  /** Files of the target that get other bytes: what was equal to one of them is so no more. */
  private replacedFiles: ReadonlySet<string> = new Set();
  private readonly left = new Set<IncomingKey>();
  private readonly needed = new Map<IncomingKey, IncomingKey[]>();

  constructor(
    private readonly preview: AddPreview,
    private readonly list: ThingList,
    private readonly wish: AddWish,
    private readonly options: ChooseOptions,
  ) {}

  choose(): Choice {
    this.leaveOut();
    this.tick();
    const { ticked, named, needed, replaced, left } = this;
    for (const key of [...ticked, ...replaced]) this.takeNeedsOf(key);
    this.dropLoneHeadings();
    this.takeModulesAround();
    return { ticked, named, needed, replaced, left };
  }

  part(keys: readonly IncomingKey[]): Choice {
    for (const key of keys) if (this.list.byKey.has(key)) this.ticked.add(key);
    for (const key of [...this.ticked]) this.takeNeedsOf(key);
    const { ticked, named, needed, replaced, left } = this;
    return { ticked, named, needed, replaced, left };
  }

  private leaveOut(): void {
    for (const ref of this.wish.leave) {
      const thing = this.list.named(ref);
      if (thing === null) continue;
      for (const { key } of [thing, ...this.list.inside(thing.key)]) this.left.add(key);
    }
    for (const ref of this.wish.and) {
      const key = this.list.named(ref)?.key;
      if (key !== undefined) this.left.delete(key);
    }
  }

  private tick(): void {
    for (const thing of this.preview.things) if (this.isFirstChoice(thing)) this.ticked.add(thing.key);
    for (const thing of this.preview.things) this.tickDiffering(thing);
    for (const ref of this.wish.replace) {
      const thing = this.list.named(ref);
      if (thing !== null) this.replaced.add(thing.key);
    }
    for (const ref of this.wish.and) this.tickNamed(ref);
    for (const key of this.replaced) this.ticked.delete(key);
    const replaced = [...this.replaced].flatMap((key) => this.list.byKey.get(key) ?? []);
    this.replacedFiles = new Set(
      replaced.flatMap(({ type, counterpart }) => (type === 'file' && counterpart ? [counterpart.ref] : [])),
    );
  }

  private isHere(thing: IncomingThing): boolean {
    const isChanged = thing.type === 'file' && this.replacedFiles.has(thing.counterpart?.ref ?? '');
    return !isChanged && isHere(thing);
  }

  private tickNamed(ref: string): void {
    const thing = this.list.named(ref);
    if (thing === null) return;
    this.named.add(thing.key);
    if (this.list.isFull(thing)) {
      const inside = this.list.inside(thing.key);
      for (const one of inside) if (one.proposed && !this.left.has(one.key)) this.ticked.add(one.key);
      return;
    }
    this.ticked.add(thing.key);
  }

  /** What serves others comes with them alone, so that it stays behind where they do. */
  private isFirstChoice(thing: IncomingThing): boolean {
    if (this.wish.take === 'none' || this.left.has(thing.key) || !this.isOfKind(thing)) return false;
    const isServant = thing.type !== 'item' && this.list.neededBySome.has(thing.key);
    if (this.wish.take === 'proposed') return thing.proposed && !isServant;
    return thing.standing === 'new' && !isServant && !this.list.isFull(thing);
  }

  private tickDiffering(thing: IncomingThing): void {
    const { take, differs } = this.wish;
    if (thing.standing !== 'differs' || take === 'none' || differs === 'keep') return;
    if (this.left.has(thing.key) || !this.isOfKind(thing)) return;
    if (differs === 'replace') {
      if (!this.isEqualToOthers(thing)) this.replaced.add(thing.key);
      return;
    }
    if (!this.list.neededBySome.has(thing.key) || thing.type === 'item') this.ticked.add(thing.key);
  }

  /** Is a file of the target, under whose path other bytes would come, what another file of the source is equal to? */
  private isEqualToOthers({ type, counterpart }: IncomingThing): boolean {
    return type === 'file' && counterpart !== null && this.list.equalFiles.has(counterpart.ref);
  }

  private isOfKind(thing: IncomingThing): boolean {
    return this.wish.kinds === null || this.wish.kinds.includes(kindOf(thing));
  }

  private takeNeedsOf(begin: IncomingKey): void {
    const waiting = [begin];
    // The loop reaches what is put into the list meanwhile: a chain of needs may be as long as the source.
    for (const key of waiting) {
      for (const need of entryOf(this.preview.needs, key) ?? []) {
        if (this.left.has(need.key) || this.ticked.has(need.key)) continue;
        const thing = this.firstOf(need.key);
        if (!thing || this.left.has(thing.key) || this.replaced.has(thing.key) || this.isHere(thing))
          continue;
        const isMet = this.ticked.has(thing.key) || this.needed.has(thing.key);
        if (!this.ticked.has(thing.key)) collect(this.needed, thing.key, key);
        if (!isMet) waiting.push(thing.key);
      }
    }
  }

  /** The modules that hold what comes, as far as nothing here stands for them. */
  private takeModulesAround(): void {
    const waiting = [...this.ticked, ...this.needed.keys()].filter((key) => !this.goesAlone(key));
    // The loop reaches what is put into the list meanwhile: modules of modules.
    for (const key of waiting) {
      const around = this.moduleAround(key);
      if (!around || around.standing === 'there' || around.standing === 'differs') continue;
      const isMet = this.ticked.has(around.key) || this.needed.has(around.key);
      if (!this.ticked.has(around.key)) collect(this.needed, around.key, key);
      if (!isMet) waiting.push(around.key);
    }
  }

  /** Named by itself, to go to one place, while its module was not named. */
  private goesAlone(key: IncomingKey): boolean {
    const around = this.moduleAround(key);
    return this.options.toOnePlace && this.named.has(key) && around !== null && !this.named.has(around.key);
  }

  /** The module around a thing; of one that the source has twice, the first. */
  private moduleAround(key: IncomingKey): IncomingThing | null {
    const parent = this.list.byKey.get(key)?.parent ?? null;
    return parent === null ? null : this.firstOf(parent);
  }

  /** A thing; of one that the source has twice, the first. */
  private firstOf(key: IncomingKey): IncomingThing | null {
    const thing = this.list.byKey.get(key);
    return this.list.byKey.get(thing?.firstCopy ?? key) ?? null;
  }

  private dropLoneHeadings(): void {
    const items = this.preview.things.filter(({ type }) => type === 'item');
    const isHeading = (key: IncomingKey) => this.list.byKey.get(key)?.kind === 'heading';
    const taken = new Set(
      [...this.ticked, ...this.needed.keys(), ...this.replaced].filter((key) => !isHeading(key)),
    );
    const comes = withModulesAround(items, taken);
    const followed = headingsFollowedBy(items, ({ key }) => comes.has(key));
    for (const { key, kind } of items) if (kind === 'heading' && !followed.has(key)) this.ticked.delete(key);
  }
}

/** What stands here already, or is used as it stands here: what only weighs or counts differently, and other items. */
function isHere({ standing, type }: IncomingThing): boolean {
  switch (standing) {
    case 'there':
      return true;
    case 'differs':
      return type !== 'file' && type !== 'bank';
    case 'doubled':
    case 'new':
      return false;
  }
}
