import { valueFor } from '@/core/sure';
import { contentNode, linkGraphOf } from '@/core/links/graph';
import { diffShells } from '@/core/edits/diff-shells';
import type { Edit } from '@/core/edits/edit';
import { FreshNames } from '@/core/shell/fresh-names';
import type {
  QuestionBank,
  Content,
  CourseEvent,
  GradeCategory,
  GradeColumn,
  Item,
  PackageEntry,
  Shell,
  ShellFile,
} from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { eventRef, outsideRef, type FilePath, type ItemRef } from '@/core/refs/refs';
import { addedGradeSetup, type AddedGradeSetup } from './added-grade-setup';
import type { AddPreview, IncomingType } from './incoming';
import { AddressLeader } from './lead-addresses';
import { datedBy, unmovedDates, type Dating } from './dating';
import { nameThings, type NewNames } from './new-names';
import { insertInOutline, parentFinder, type Landing } from './place';
import { TakenThings } from './taken-things';

export interface AddChoice {
  readonly chosen: readonly string[];
  readonly landing: Landing;
  readonly dating: Dating;
  /** Names the import that the added things came with; null where they stay what they are, student work included. */
  readonly batch: string | null;
}
export interface Addition {
  readonly edits: readonly Edit[];
  readonly after: Shell;
  readonly added: Readonly<Record<IncomingType, readonly AddedThing[]>>;
  /** Addresses that now lead to what the shell had already, or to a new name. */
  readonly relinked: number;
  /** Links of added things that lead nowhere, since what they lead to was not taken. */
  readonly loose: readonly { readonly from: string; readonly asked: string }[];
  /** Added items whose dates have no counterpart in the shell’s term, so that they stay as they were, by title. */
  readonly unmoved: readonly string[];
}
interface AddedThing {
  readonly ref: string;
  readonly title: string;
}

/** What comes to the shell, under the names that it has there. */
interface Added {
  readonly items: readonly Item[];
  readonly contents: readonly Content[];
  readonly files: readonly ShellFile[];
  readonly entries: readonly PackageEntry[];
  readonly events: readonly CourseEvent[];
  readonly gradeCategories: readonly GradeCategory[];
  readonly gradeColumns: readonly GradeColumn[];
  readonly banks: readonly QuestionBank[];
}

/** Adds chosen things of an incoming package to a shell, with what they need; nothing that is there is touched. */
export function addThings(shell: Shell, incoming: Shell, preview: AddPreview, choice: AddChoice): Addition {
  const taken = new TakenThings(shell, incoming, preview, choice.chosen, choice.batch === null);
  const names = nameThings(shell, taken);
  const leader = new AddressLeader(incoming, names.paths);
  const added = new Adder(shell, taken, names, leader, choice).add();
  const after = joined(shell, incoming, added);
  return {
    edits: diffShells(shell, after),
    after,
    relinked: leader.relinked,
    loose: looseLinks(after, added.contents),
    unmoved: unmovedDates(taken.items, taken.incoming, shell, choice.dating),
    added: {
      item: titled(added.items),
      file: added.files.map(({ path }) => ({ ref: path, title: path })),
      event: titled(added.events),
      gradeCategory: titled(added.gradeCategories),
      gradeColumn: titled(added.gradeColumns),
      bank: titled(added.banks),
    },
  };
}

const titled = (things: readonly AddedThing[]): readonly AddedThing[] =>
  things.map(({ ref, title }) => ({ ref, title }));

/** Makes what is added of what was taken. */
class Adder {
  private readonly gradeSetup: AddedGradeSetup;

  constructor(
    private readonly shell: Shell,
    private readonly taken: TakenThings,
    private readonly names: NewNames,
    private readonly leader: AddressLeader,
    private readonly choice: AddChoice,
  ) {
    this.gradeSetup = addedGradeSetup(shell, taken, choice.batch === null);
  }

  add(): Added {
    const { shell, taken, names, choice } = this;
    const { gradeCategories, gradeColumns } = this.gradeSetup;
    const parentOf = parentFinder(shell, taken, choice.landing, names.items);
    return {
      entries: this.entries(),
      files: taken.files.map((file) => this.file(file)),
      contents: taken.contents.map((content) => this.content(content)),
      events: this.events(),
      gradeCategories,
      gradeColumns,
      items: taken.items.map((item) => this.item(item, parentOf)),
      banks: taken.banks.flatMap((bank) => this.bank(bank)),
    };
  }

  private pathOf(path: FilePath): FilePath {
    return this.names.paths.get(path) ?? path;
  }

  private events(): CourseEvent[] {
    const fresh = new FreshNames(this.shell.events.map(({ ref }) => ref));
    return this.taken.incoming.events
      .filter(({ ref }) => this.taken.has('event', ref))
      .map((event) => ({ ...event, ref: eventRef(fresh.take(event.ref, (name, n) => `${name}~${n}`)) }));
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
      batch: this.choice.batch ?? file.batch,
      text: this.leader.textOf(file),
    };
  }

  private item(item: Item, parentOf: (item: Item) => ItemRef | null): Item {
    const { names, shell, choice, taken } = this;
    const isAsBefore = choice.batch === null;
    const groups = new Set<string>(shell.groups.map(({ ref }) => ref));
    const dated = datedBy(choice.dating, taken.incoming, shell);
    const wasHidden = !isAsBefore && this.isHiddenByWhatStays(item);
    return {
      ...item,
      ref: valueFor(names.items, item.ref),
      parent: item.placed ? parentOf(item) : null,
      content: item.content === null ? null : (names.contents.get(item.content) ?? null),
      shown: wasHidden ? false : item.shown,
      opens: dated(item.opens),
      due: dated(item.due),
      closes: dated(item.closes),
      requires: item.requires.flatMap((ref) => this.itemRefOf(ref) ?? []),
      gradeColumn: item.gradeColumn === null ? null : this.columnRefOf(item.gradeColumn),
      groups: isAsBefore ? item.groups : item.groups.filter((ref) => groups.has(ref)),
      // Nobody has handed anything in here yet.
      studentWork: item.studentWork === null || isAsBefore ? item.studentWork : 0,
      batch: choice.batch ?? item.batch,
    };
  }

  /** Is it hidden in the package by a module around it that does not come along? */
  private isHiddenByWhatStays(item: Item): boolean {
    const around = outlineOf(this.taken.incoming).ancestors(item);
    return around.some(({ ref, shown }) => shown === false && !this.taken.has('item', ref));
  }

  /** An item of the package in the shell: as it was added, else what stands for it there. */
  private itemRefOf(ref: ItemRef): ItemRef | null {
    return this.names.items.get(ref) ?? (this.taken.counterpart('item', ref) as ItemRef | null);
  }

  private columnRefOf(ref: string): string | null {
    return this.gradeSetup.newColumns.get(ref) ?? this.taken.counterpart('gradeColumn', ref);
  }
}

/** The shell with what is added behind what it has. */
function joined(shell: Shell, incoming: Shell, added: Added): Shell {
  const behind = <T>(there: readonly T[], more: readonly T[]): readonly T[] =>
    more.length ? [...there, ...more] : there;
  return {
    ...shell,
    items: added.items.length ? insertInOutline(shell.items, added.items) : shell.items,
    contents: behind(shell.contents, added.contents),
    files: behind(shell.files, added.files),
    entries: behind(shell.entries, added.entries),
    events: behind(shell.events, added.events),
    gradeCategories: behind(shell.gradeCategories, added.gradeCategories),
    gradeColumns: behind(shell.gradeColumns, added.gradeColumns),
    banks: behind(shell.banks, added.banks),
    calendar: added.events.length ? joinedCalendar(shell, incoming) : shell.calendar,
  };
}

/** The calendar that added events stand in: the shell’s own, with the time zones that they need. */
function joinedCalendar({ calendar: ours }: Shell, { calendar: theirs }: Shell): Shell['calendar'] {
  if (!theirs) return ours;
  const known = new Set(ours?.others ?? []);
  const zones = theirs.others.filter((o) => /^BEGIN:VTIMEZONE/i.test(o) && !known.has(o));
  if (!ours) return { head: theirs.head, others: zones };
  return zones.length ? { ...ours, others: [...ours.others, ...zones] } : ours;
}

function looseLinks(after: Shell, added: readonly Content[]): { from: string; asked: string }[] {
  const titles = new Map<string, string>(added.map((c) => [contentNode(c.id), c.title || c.href || c.id]));
  return linkGraphOf(after).broken.flatMap((b) =>
    titles.has(b.from) ? [{ from: valueFor(titles, b.from), asked: b.asked }] : [],
  );
}
