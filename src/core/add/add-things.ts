import { valueFor } from '@/core/sure';
import { contentNode, fileNode, linkGraphOf, type AddressEdge } from '@/core/links/graph';
import { baseOfAddresses, readAddress } from '@/core/links/package-paths';
import { scanOfFile, scansOfContent } from '@/core/links/scans';
import { applyCuts, type Cut } from '@/core/text/take-out-addresses';
import { spellAddress } from '@/core/links/spell-address';
import { diffShells } from '@/core/edits/diff-shells';
import type { Edit } from '@/core/edits/edit';
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
import {
  contentId,
  eventRef,
  gradeCategoryRef,
  gradeColumnRef,
  itemRef,
  outsideRef,
  type ContentId,
  type FilePath,
  type GradeCategoryRef,
  type GradeColumnRef,
  type ItemRef,
} from '@/core/shell/refs';
import { sameWeekAndWeekday } from '@/core/time/re-date';
import { FreshNames, freshPaths } from '@/core/shell/fresh-names';
import {
  incomingKey,
  type AddPreview,
  type IncomingKey,
  type IncomingThing,
  type IncomingType,
} from './incoming';
import { closeChoice } from './needs';
import { insertInOutline, parentFinder, type Landing } from './place';

/** What becomes of the dates of added items. */
export type Dating = 'keep' | 'shift' | 'clear';
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
  readonly added: Readonly<Record<IncomingType, readonly { readonly ref: string; readonly title: string }[]>>;
  /** Addresses that now lead to what the shell had already, or to a new name. */
  readonly relinked: number;
  /** Links of added things that lead nowhere, since what they lead to was not taken. */
  readonly loose: readonly { readonly from: string; readonly asked: string }[];
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
  return new Adder(shell, incoming, preview, choice).add();
}

class Adder {
  readonly things: ReadonlyMap<string, IncomingThing>;
  readonly taken: ReadonlySet<IncomingKey>;
  readonly contents: ReadonlyMap<ContentId, Content>;
  /** Paths of the package that are files of their own, and those of them that come along. */
  readonly filePaths: ReadonlySet<FilePath>;
  readonly takenPaths: ReadonlySet<FilePath>;
  readonly newContent = new Map<ContentId, ContentId>();
  readonly newPath = new Map<FilePath, FilePath>();
  readonly newRef = new Map<ItemRef, ItemRef>();
  readonly newColumn = new Map<string, GradeColumnRef>();
  relinked = 0;

  constructor(
    readonly shell: Shell,
    readonly incoming: Shell,
    preview: AddPreview,
    readonly choice: AddChoice,
  ) {
    this.things = new Map(preview.things.map((t) => [t.key, t]));
    this.taken = closeChoice(
      preview,
      choice.chosen.filter((k): k is IncomingKey => this.things.has(k)),
    ).taken;
    this.contents = new Map(incoming.contents.map((c) => [c.id, c]));
    this.filePaths = new Set(incoming.files.map((f) => f.path));
    this.takenPaths = new Set(incoming.files.filter((f) => this.has('file', f.path)).map((f) => f.path));
  }

  has(type: IncomingType, ref: string): boolean {
    return this.taken.has(incomingKey(type, ref));
  }
  /** A path of a taken resource that is copied: a file of its own only where that is taken. */
  comes(path: FilePath): boolean {
    return this.takenPaths.has(path) || !this.filePaths.has(path);
  }
  counterpart(type: IncomingType, ref: string): string | null {
    return this.things.get(incomingKey(type, ref))?.counterpart?.ref ?? null;
  }

  add(): Addition {
    const { shell, incoming } = this;
    const files = incoming.files.filter((f) => this.has('file', f.path));
    const items = incoming.items.filter((i) => this.has('item', i.ref));
    const taken = this.takenContents(items, files);
    this.nameContents(taken);
    this.namePaths(taken);
    this.nameItems(items);
    const added: Added = {
      entries: this.entriesOf(taken),
      files: files.map((f) => this.file(f)),
      contents: taken.map((c) => this.content(c)),
      events: this.events(),
      ...this.gradeSetup(),
      items: this.items(items),
      banks: this.banks(),
    };
    const after = this.joined(added);
    const titled = (list: readonly { ref: string; title: string }[]) =>
      list.map(({ ref, title }) => ({ ref, title }));
    return {
      edits: diffShells(shell, after),
      after,
      relinked: this.relinked,
      loose: looseLinks(after, added.contents),
      added: {
        item: titled(added.items),
        file: added.files.map((f) => ({ ref: f.path, title: f.path })),
        event: titled(added.events),
        gradeCategory: titled(added.gradeCategories),
        gradeColumn: titled(added.gradeColumns),
        bank: titled(added.banks),
      },
    };
  }

  /** The shell with what is added behind what it has. */
  private joined(added: Added): Shell {
    const { shell } = this;
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
      calendar: added.events.length ? this.calendar() : shell.calendar,
    };
  }

  /** Gives each item that is added a ref which the shell does not have yet. */
  private nameItems(items: readonly Item[]): void {
    const { shell } = this;
    const names = new FreshNames([...shell.items.map((i) => i.ref), ...shell.banks.map((b) => b.ref)]);
    for (const item of items) {
      const isInOutline = item.placed || !item.content;
      const ref = isInOutline
        ? itemRef(names.take(item.ref))
        : outsideRef(this.newContent.get(item.content) ?? item.content);
      this.newRef.set(item.ref, ref);
    }
  }

  private items(items: readonly Item[]): Item[] {
    const { shell, incoming, things, choice, newRef } = this;
    const parentOf = parentFinder(shell, incoming, things, choice.landing, newRef);
    return items.map((i) => this.item(i, parentOf));
  }

  private events(): CourseEvent[] {
    const names = new FreshNames(this.shell.events.map((e) => e.ref));
    return this.incoming.events
      .filter((e) => this.has('event', e.ref))
      .map((e) => ({ ...e, ref: eventRef(names.take(e.ref, (name, n) => `${name}~${n}`)) }));
  }

  /** Categories and columns under refs of their own; a column stands in the category that came along, else in its counterpart. */
  private gradeSetup(): Pick<Added, 'gradeCategories' | 'gradeColumns'> {
    const { shell, incoming } = this;
    const categoryNames = new FreshNames(shell.gradeCategories.map((c) => c.ref));
    const newCategory = new Map<string, GradeCategoryRef>();
    const gradeCategories = incoming.gradeCategories
      .filter((c) => this.has('gradeCategory', c.ref))
      .map((category) => {
        const ref = gradeCategoryRef(categoryNames.take(category.ref));
        newCategory.set(category.ref, ref);
        return { ...category, ref };
      });
    const categoryOf = (ref: GradeCategoryRef | null): GradeCategoryRef | null => {
      if (ref === null) return null;
      return newCategory.get(ref) ?? (this.counterpart('gradeCategory', ref) as GradeCategoryRef | null);
    };
    const columnNames = new FreshNames(shell.gradeColumns.map((c) => c.ref));
    const gradeColumns = incoming.gradeColumns
      .filter((c) => this.has('gradeColumn', c.ref))
      .map((column) => {
        const ref = gradeColumnRef(columnNames.take(column.ref));
        this.newColumn.set(column.ref, ref);
        const keepsResults = column.results === null || this.choice.batch === null;
        return {
          ...column,
          ref,
          results: keepsResults ? column.results : 0,
          category: categoryOf(column.category),
        };
      });
    return { gradeCategories, gradeColumns };
  }

  private banks(): QuestionBank[] {
    return this.incoming.banks
      .filter((bank) => this.has('bank', bank.ref))
      .flatMap((bank) => {
        if (bank.content === null) return [bank];
        const content = this.newContent.get(bank.content);
        return content === undefined ? [] : [{ ...bank, content, ref: outsideRef(content) }];
      });
  }

  /** The calendar that added events stand in: the shell’s own, with the time zones that they need. */
  calendar(): Shell['calendar'] {
    const [ours, theirs] = [this.shell.calendar, this.incoming.calendar];
    if (!theirs) return ours;
    const known = new Set(ours?.others ?? []);
    const zones = theirs.others.filter((o) => /^BEGIN:VTIMEZONE/i.test(o) && !known.has(o));
    if (!ours) return { head: theirs.head, others: zones };
    return zones.length ? { ...ours, others: [...ours.others, ...zones] } : ours;
  }

  /** The resources that come along: those of taken items, files and banks, and what a taken resource depends on and nobody lists. */
  takenContents(items: readonly Item[], files: readonly ShellFile[]): Content[] {
    const ids = new Set<ContentId>();
    for (const item of items) if (item.content) ids.add(item.content);
    for (const file of files) ids.add(file.content);
    for (const bank of this.incoming.banks)
      if (bank.content && this.has('bank', bank.ref)) ids.add(bank.content);
    const listed = new Set([
      ...this.incoming.items.map((i) => i.content),
      ...this.incoming.files.map((f) => f.content),
      ...this.incoming.banks.map((b) => b.content),
    ]);
    const visit = (id: ContentId) => {
      for (const d of this.contents.get(id)?.dependencies ?? []) if (!listed.has(d) && this.contents.has(d) && !ids.has(d)) { ids.add(d); visit(d); } // prettier-ignore
    };
    for (const id of [...ids]) visit(id);
    return this.incoming.contents.filter((c) => ids.has(c.id));
  }

  nameContents(taken: readonly Content[]): void {
    const names = new FreshNames([
      ...this.shell.contents.map((c) => c.id),
      ...this.shell.items.map((i) => i.ref),
    ]);
    for (const c of taken) this.newContent.set(c.id, contentId(names.take(c.id)));
  }

  /** Where every path of the incoming package leads afterwards: to its own copy under a free name, or to what the shell has. */
  namePaths(taken: readonly Content[]): void {
    const paths = freshPaths([
      ...this.shell.files.map((f) => f.path),
      ...this.shell.entries.map((e) => e.path),
    ]);
    for (const content of taken)
      for (const path of content.files)
        if (this.comes(path) && !this.newPath.has(path)) this.newPath.set(path, paths.take(path));
    for (const file of this.incoming.files) {
      const there = this.counterpart('file', file.path);
      if (!this.newPath.has(file.path) && there !== null) this.newPath.set(file.path, there as FilePath);
    }
    const ours = new Map(this.shell.contents.map((c) => [c.id, c]));
    const placed = new Map<string, Item>(this.shell.items.map((i) => [i.ref, i]));
    for (const item of this.incoming.items) {
      const from = this.contents.get(item.content ?? contentId(''));
      const to = ours.get(placed.get(this.counterpart('item', item.ref) ?? '')?.content ?? contentId(''));
      const [old, goal] = [from?.href ?? from?.textPath, to?.href ?? to?.textPath];
      if (old && goal && !this.newPath.has(old)) this.newPath.set(old, goal);
      if (from && to && !this.newContent.has(from.id)) this.newContent.set(from.id, to.id);
    }
    const ourFiles = new Map<string, ShellFile>(this.shell.files.map((f) => [f.path, f]));
    for (const file of this.incoming.files) {
      const ourFile = ourFiles.get(this.counterpart('file', file.path) ?? '');
      if (ourFile && !this.newContent.has(file.content)) this.newContent.set(file.content, ourFile.content);
    }
  }

  entriesOf(taken: readonly Content[]): PackageEntry[] {
    const wanted = new Set(taken.flatMap((c) => c.files));
    return this.incoming.entries
      .filter((e) => wanted.has(e.path) && !this.filePaths.has(e.path))
      .map((e) => ({ ...e, path: this.newPath.get(e.path) ?? e.path }));
  }

  content(content: Content): Content {
    const path = (p: FilePath) => this.newPath.get(p) ?? p;
    const edges = (linkGraphOf(this.incoming).outgoing.get(contentNode(content.id)) ?? []).filter(
      (e): e is AddressEdge => e.kind === 'address',
    );
    const at = content.textPath;
    const scans = at === null ? [] : scansOfContent(content);
    return {
      ...content,
      id: valueFor(this.newContent, content.id),
      href: content.href === null ? null : path(content.href),
      files: content.files.filter((p) => this.comes(p)).map(path),
      dependencies: content.dependencies.map((d) => this.newContent.get(d)).filter((d) => d !== undefined),
      textPath: at === null ? null : path(at),
      texts:
        at === null
          ? content.texts
          : content.texts.map((text, i) =>
              this.rewrite(
                text,
                at,
                scans[i]?.base ?? null,
                edges.filter((e) => e.text === i),
              ),
            ),
    };
  }

  file(file: ShellFile): ShellFile {
    const edges = (linkGraphOf(this.incoming).outgoing.get(fileNode(file.path)) ?? []).filter(
      (e): e is AddressEdge => e.kind === 'address',
    );
    return {
      ...file,
      path: this.newPath.get(file.path) ?? file.path,
      content: valueFor(this.newContent, file.content),
      batch: this.choice.batch ?? file.batch,
      text:
        file.text === null ? null : this.rewrite(file.text, file.path, scanOfFile(file)?.base ?? null, edges),
    };
  }

  /** Leads the addresses of a text to where their targets stand from now on; below a base element they start from there. */
  rewrite(text: string, at: FilePath, base: string | null, edges: readonly AddressEdge[]): string {
    const to = this.newPath.get(at) ?? at;
    const graph = linkGraphOf(this.incoming);
    const cuts = edges.flatMap((edge): Cut[] => {
      if (edge.start < 0) return [];
      const raw = text.slice(edge.start, edge.end);
      const meaning = readAddress(raw.replace(/&amp;/g, '&'), at, edge.based ? base : null, graph.paths);
      if (meaning.to !== 'package' || meaning.found === null) return [];
      const goal = this.newPath.get(meaning.found) ?? meaning.found;
      const moved = !edge.token && folderOf(to) !== folderOf(at);
      if (goal === meaning.found && !moved) return [];
      this.relinked += 1;
      const from = edge.based ? baseOfAddresses(to, base) : to;
      return [{ start: edge.start, end: edge.end, by: spellAddress(goal, from, edge, raw) }];
    });
    return applyCuts(text, cuts);
  }

  item(item: Item, parentOf: (item: Item) => ItemRef | null): Item {
    const { incoming, shell, choice } = this;
    const groups = new Set<string>(shell.groups.map((g) => g.ref));
    const date = (when: Item['due']): Item['due'] => {
      if (when === null || choice.dating === 'clear') return null;
      return choice.dating === 'keep' ? when : sameWeekAndWeekday(when, termOf(incoming, shell), shell.term);
    };
    return {
      ...item,
      ref: valueFor(this.newRef, item.ref),
      parent: item.placed ? parentOf(item) : null,
      content: item.content === null ? null : (this.newContent.get(item.content) ?? null),
      opens: date(item.opens),
      due: date(item.due),
      closes: date(item.closes),
      requires: item.requires
        .map((r) => this.newRef.get(r) ?? (this.counterpart('item', r) as ItemRef | null))
        .filter((r) => r !== null),
      gradeColumn:
        item.gradeColumn === null
          ? null
          : (this.newColumn.get(item.gradeColumn) ?? this.counterpart('gradeColumn', item.gradeColumn)),
      groups: choice.batch === null ? item.groups : item.groups.filter((g) => groups.has(g)),
      // Nobody has handed anything in here yet.
      studentWork: item.studentWork === null || choice.batch === null ? item.studentWork : 0,
      batch: choice.batch ?? item.batch,
    };
  }
}

/** The term that an incoming package's dates belong to: its own, else the shell's previous one. */
const termOf = (incoming: Shell, shell: Shell) =>
  incoming.term.start && incoming.term.end && incoming.term.start !== shell.term.start
    ? incoming.term
    : shell.previousTerm;

const folderOf = (path: FilePath): string => path.slice(0, path.lastIndexOf('/') + 1);

function looseLinks(after: Shell, added: readonly Content[]): { from: string; asked: string }[] {
  const titles = new Map<string, string>(added.map((c) => [contentNode(c.id), c.title || c.href || c.id]));
  return linkGraphOf(after).broken.flatMap((b) =>
    titles.has(b.from) ? [{ from: valueFor(titles, b.from), asked: b.asked }] : [],
  );
}
