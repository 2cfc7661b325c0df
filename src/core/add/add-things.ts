import { diffShells } from '@/core/edits/diff-shells';
import type { Edit } from '@/core/edits/edit';
import { outsideRef, type FilePath, type ItemRef } from '@/core/refs/refs';
import type {
  Content,
  HomePage,
  Item,
  PackageEntry,
  QuestionBank,
  Shell,
  ShellFile,
} from '@/core/shell/model';
import { good, type Result } from '@/core/shell/result';
import { valueFor } from '@/core/sure';
import { addedGradeSetup, type AddedGradeSetup } from './added-grade-setup';
import type { Choice } from './choose';
import type { AddPreview, IncomingKey, IncomingType } from './incoming';
import { incomingKey } from './incoming';
import { LandingPlaces, type Landing } from './landing';
import { AddressLeader } from './lead-addresses';
import { linksOfTaken, type TakenLink } from './links-of-taken';
import { nameThings, type NewNames } from './new-names';
import { redateTaken, type Dating, type NoClassOf, type TakenDates } from './redate-taken';
import { replaceThings } from './replace-things';
import { Sight } from './sight';
import { takenEvents, type TakenEvents } from './taken-events';
import { TakenThings } from './taken-things';

/** How what was chosen comes: where it lands, what becomes of its dates, and what students see of it. */
export interface AddOptions {
  readonly landing: Landing;
  readonly dating: Dating;
  /** Everything lands hidden. */
  readonly hidden: boolean;
  /** Ref of a taken page of the source that becomes the home page in use. */
  readonly homePage: string | null;
  readonly noClassOf: NoClassOf;
  /** Names the import that the things came with. */
  readonly batch: string | null;
}

/** Where a taken thing stands in the target. */
export interface LandedThing {
  readonly ref: string;
  readonly title: string;
  readonly module: string | null;
  /** What stands right before it in its module; null where it is the first. */
  readonly after: string | null;
  /** Out of sight, by its own switch or by what is around it. */
  readonly hidden: boolean;
}

/** What an adding comes to, with every thing that lands. */
export interface Addition {
  readonly edits: readonly Edit[];
  readonly after: Shell;
  readonly landed: ReadonlyMap<IncomingKey, LandedThing>;
  readonly dates: TakenDates;
  readonly links: readonly TakenLink[];
  /** Requirements that were dropped, since neither the thing nor a counterpart is there: titles of what required it. */
  readonly dropped: readonly string[];
}

/** Adds what was chosen of a source to a shell. Trouble `redate-refused` where its dates can’t be moved as asked. */
export function addThings(
  shell: Shell,
  source: Shell,
  preview: Pick<AddPreview, 'things'>,
  choice: Choice,
  options: AddOptions,
): Result<Addition> {
  const taken = new TakenThings(source, preview, choice);
  const refs = new Set(
    [...choice.ticked, ...choice.needed.keys(), ...choice.replaced].map((key) =>
      key.slice(key.indexOf(' ') + 1),
    ),
  );
  const dates = redateTaken(shell, source, refs, options.dating, options.noClassOf);
  if (!dates.ok) return dates;
  return good(new Adder(shell, taken, dates.value, options).add());
}

class Adder {
  private readonly names: NewNames;
  private readonly leader: AddressLeader;
  private readonly gradeSetup: AddedGradeSetup;
  private readonly places: LandingPlaces;
  private readonly sight: Sight;
  private readonly events: TakenEvents;
  private readonly replacedUids: ReadonlySet<string>;
  private readonly dropped = new Set<string>();

  constructor(
    private readonly shell: Shell,
    private readonly taken: TakenThings,
    private readonly dates: TakenDates,
    private readonly options: AddOptions,
  ) {
    this.names = nameThings(shell, taken);
    this.leader = new AddressLeader(taken.incoming, this.names.paths);
    this.gradeSetup = addedGradeSetup(shell, taken, false);
    this.places = new LandingPlaces(shell, taken, options.landing, this.names.items);
    this.sight = new Sight(shell, taken.incoming, options.hidden);
    this.events = takenEvents(shell, taken, dates);
    const inPlace = [...this.events.replaced.values()].flat();
    this.replacedUids = new Set(inPlace.map(({ uid }) => uid));
  }

  add(): Addition {
    const { shell, taken, names, leader, dates } = this;
    const contents = taken.contents.map((content) => this.content(content));
    const files = taken.files.map((file) => this.file(file));
    const items = taken.items.map((item) => this.item(item));
    const banks = taken.banks.flatMap((bank) => this.bank(bank));
    const replaced = replaceThings(shell, { taken, names, leader, dates });
    const after = this.joined(replaced, { contents, files, items, banks });
    return {
      edits: diffShells(shell, after),
      after,
      landed: this.landed(after),
      dates,
      links: linksOfTaken(after, taken, leader.led),
      dropped: [...this.dropped],
    };
  }

  /** The shell with what comes behind what it has, and items where they land. */
  private joined(shell: Shell, added: Pick<Shell, 'contents' | 'files' | 'items' | 'banks'>): Shell {
    const { gradeCategories, gradeColumns } = this.gradeSetup;
    const events = [...shell.events.flatMap((event) => this.eventInPlaceOf(event)), ...this.events.added];
    const isSame = this.events.added.length === 0 && this.events.replaced.size === 0;
    return {
      ...shell,
      items: added.items.length > 0 ? this.places.ordered(shell, added.items) : shell.items,
      contents: behind(shell.contents, added.contents),
      files: behind(shell.files, added.files),
      entries: behind(shell.entries, this.entries()),
      events: isSame ? shell.events : events,
      gradeCategories: behind(shell.gradeCategories, gradeCategories),
      gradeColumns: behind(shell.gradeColumns, gradeColumns),
      banks: behind(shell.banks, added.banks),
      homePages: this.homePages(shell),
      calendar: isSame ? shell.calendar : joinedCalendar(shell, this.taken.incoming),
    };
  }

  private eventInPlaceOf(event: Shell['events'][number]): Shell['events'] {
    const inPlace = this.events.replaced.get(event.ref);
    if (inPlace) return inPlace;
    const isOverridden = event.recurrenceId !== null && this.replacedUids.has(event.uid);
    return isOverridden ? [] : [event];
  }

  private pathOf(path: FilePath): FilePath {
    return this.names.paths.get(path) ?? path;
  }

  private bank(bank: QuestionBank): QuestionBank[] {
    if (bank.content === null) return [bank];
    const content = this.names.contents.get(bank.content);
    return content === undefined ? [] : [{ ...bank, content, ref: outsideRef(content) }];
  }

  private entries(): PackageEntry[] {
    const wanted = new Set(this.taken.contents.flatMap(({ files }) => files));
    return this.taken.incoming.entries
      .filter(({ path }) => wanted.has(path) && !this.taken.isFile(path))
      .map((entry) => ({ ...entry, path: this.pathOf(entry.path) }));
  }

  private content(content: Content): Content {
    const { contents } = this.names;
    return {
      ...content,
      id: valueFor(contents, content.id),
      href: content.href === null ? null : this.pathOf(content.href),
      files: content.files.filter((path) => this.taken.comesAlong(path)).map((path) => this.pathOf(path)),
      dependencies: content.dependencies.flatMap((needed) => contents.get(needed) ?? []),
      textPath: content.textPath === null ? null : this.pathOf(content.textPath),
      texts: this.leader.textsOf(content),
    };
  }

  private file(file: ShellFile): ShellFile {
    return {
      ...file,
      path: this.pathOf(file.path),
      content: valueFor(this.names.contents, file.content),
      batch: this.options.batch ?? file.batch,
      text: this.leader.textOf(file),
    };
  }

  private item(item: Item): Item {
    const ref = valueFor(this.names.items, item.ref);
    const parent = item.placed ? this.places.parentOf(ref) : null;
    const groups = new Set<string>(this.shell.groups.map((group) => group.ref));
    return {
      ...item,
      ...this.dates.itemOf(item),
      ref,
      parent,
      kind: this.isHomePage(item) && !item.placed ? 'home-page' : item.kind,
      content: item.content === null ? null : (this.names.contents.get(item.content) ?? null),
      shown: this.sight.switchOf(item, ref, parent),
      requires: this.requirements(item),
      gradeColumn: item.gradeColumn === null ? null : this.columnRefOf(item.gradeColumn),
      groups: item.groups.filter((group) => groups.has(group)),
      // Nobody has handed anything in here yet.
      studentWork: item.studentWork === null ? null : 0,
      batch: this.options.batch ?? item.batch,
    };
  }

  /** Requirements lead to what landed, or to the counterpart; those that lead to neither are dropped and told. */
  private requirements(item: Item): ItemRef[] {
    return item.requires.flatMap((ref) => {
      const required = this.itemRefOf(ref);
      if (required === null) this.dropped.add(item.title);
      return required ?? [];
    });
  }

  private itemRefOf(ref: ItemRef): ItemRef | null {
    return this.names.items.get(ref) ?? (this.taken.counterpart('item', ref) as ItemRef | null);
  }

  private columnRefOf(ref: string): string | null {
    return this.gradeSetup.newColumns.get(ref) ?? this.taken.counterpart('gradeColumn', ref);
  }

  private isHomePage({ ref }: Item): boolean {
    if (this.options.homePage === ref) return true;
    return this.taken.incoming.homePages.some((home) => home.ref === ref && home.inUse === true);
  }

  /** The source’s home page in use becomes one of the target’s, not in use unless that is asked for. */
  private homePages(shell: Shell): readonly HomePage[] {
    const added = this.taken.items.filter((item) => this.isHomePage(item));
    if (added.length === 0) return shell.homePages;
    const isNewInUse = added.some(({ ref }) => ref === this.options.homePage);
    const there = isNewInUse
      ? shell.homePages.map((home) => (home.inUse === true ? { ...home, inUse: false } : home))
      : shell.homePages;
    const more = added.map(({ ref, title }) => ({
      ref: valueFor(this.names.items, ref),
      title,
      inUse: ref === this.options.homePage,
    }));
    return [...there, ...more];
  }

  private landed(after: Shell): ReadonlyMap<IncomingKey, LandedThing> {
    const landed = new Map<IncomingKey, LandedThing>();
    const titles = new Map<string, string>(after.items.map(({ ref, title }) => [ref, title]));
    const { taken, names, sight, places } = this;
    for (const item of taken.incoming.items) {
      const key = incomingKey('item', item.ref);
      const isReplaced = taken.choice.replaced.has(key);
      const ref = isReplaced ? this.itemRefOf(item.ref) : (names.items.get(item.ref) ?? null);
      if (ref === null) continue;
      landed.set(key, {
        ref,
        title: titles.get(ref) ?? item.title,
        module: places.parentOf(ref),
        after: item.placed ? places.before(ref) : null,
        hidden: sight.isOutOfSight(ref),
      });
    }
    for (const [key, ref] of this.otherRefs()) {
      const title = taken.things.get(key)?.title ?? ref;
      landed.set(key, { ref, title, module: null, after: null, hidden: false });
    }
    return landed;
  }

  /** Under which refs files, events and setup stand here. */
  private otherRefs(): readonly (readonly [IncomingKey, string])[] {
    const { taken, names, gradeSetup, events } = this;
    const bankRefs = new Map(
      taken.banks.flatMap((bank) => this.bank(bank).map(({ ref }) => [bank.ref as string, ref] as const)),
    );
    const refOf = (type: IncomingType, ref: string): string | null => {
      if (taken.isReplaced(type, ref)) return taken.counterpart(type, ref);
      switch (type) {
        case 'item':
          return null;
        case 'file':
          return names.paths.get(ref as FilePath) ?? null;
        case 'event':
          return events.refs.get(ref) ?? null;
        case 'gradeCategory':
          return gradeSetup.newCategories.get(ref) ?? null;
        case 'gradeColumn':
          return gradeSetup.newColumns.get(ref) ?? null;
        case 'bank':
          return bankRefs.get(ref) ?? null;
      }
    };
    return [...taken.things.values()].flatMap(({ key, type, ref }) => {
      if (type === 'item' || !(taken.has(type, ref) || taken.isReplaced(type, ref))) return [];
      const here = refOf(type, ref);
      return here === null ? [] : [[key, here] as const];
    });
  }
}

const behind = <T>(there: readonly T[], more: readonly T[]): readonly T[] =>
  more.length > 0 ? [...there, ...more] : there;

/** The calendar that added events stand in: the shell’s own, with the time zones that they need. */
export function joinedCalendar({ calendar: ours }: Shell, { calendar: theirs }: Shell): Shell['calendar'] {
  if (!theirs) return ours;
  const known = new Set(ours?.others ?? []);
  const zones = theirs.others.filter((other) => /^BEGIN:VTIMEZONE/i.test(other) && !known.has(other));
  if (!ours) return { head: theirs.head, others: zones };
  return zones.length > 0 ? { ...ours, others: [...ours.others, ...zones] } : ours;
}
