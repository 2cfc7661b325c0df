import type { ContentId, FilePath } from '@/core/refs/refs';
import type {
  Content,
  GradeCategory,
  GradeColumn,
  Item,
  PackageEntry,
  Shell,
  ShellFile,
} from '@/core/shell/model';
import type { AddressLeader } from './lead-addresses';
import type { NewNames } from './new-names';
import type { TakenDates } from './redate-taken';
import type { TakenThings } from './taken-things';

interface ReplaceContext {
  readonly shell: Shell;
  readonly taken: TakenThings;
  readonly names: NewNames;
  readonly leader: AddressLeader;
  readonly dates: TakenDates;
}

/** The shell with what its counterparts say in the things that are replaced; their places, refs and switches stay. */
export function replaceThings(shell: Shell, context: Omit<ReplaceContext, 'shell'>): Shell {
  if (context.taken.choice.replaced.size === 0) return shell;
  const replacer = new Replacer({ ...context, shell });
  return replacer.replaced();
}

class Replacer {
  private readonly shell: Shell;
  private readonly taken: TakenThings;
  private readonly names: NewNames;
  private readonly leader: AddressLeader;
  private readonly dates: TakenDates;
  private readonly theirs: ReadonlyMap<ContentId, Content>;
  private readonly ours: ReadonlyMap<ContentId, Content>;
  private readonly contents = new Map<ContentId, Content>();
  /** Entries and files by the path that they have here, and entries that come with a body. */
  private readonly entries = new Map<FilePath, PackageEntry>();
  private readonly files = new Map<FilePath, ShellFile>();
  private readonly moreEntries: PackageEntry[] = [];

  constructor({ shell, taken, names, leader, dates }: ReplaceContext) {
    this.shell = shell;
    this.taken = taken;
    this.names = names;
    this.leader = leader;
    this.dates = dates;
    this.theirs = new Map(taken.incoming.contents.map((content) => [content.id, content]));
    this.ours = new Map(shell.contents.map((content) => [content.id, content]));
  }

  replaced(): Shell {
    const { shell } = this;
    const items = this.replace(shell.items, this.taken.incoming.items, 'item', (ours, theirs) =>
      this.item(ours, theirs),
    );
    const banks = this.replace(shell.banks, this.taken.incoming.banks, 'bank', (ours, theirs) => {
      this.body(ours.content, theirs.content);
      return { ...ours, title: theirs.title };
    });
    for (const file of this.taken.incoming.files) this.file(file);
    return {
      ...shell,
      items,
      banks,
      contents: shell.contents.map((content) => this.contents.get(content.id) ?? content),
      files: shell.files.map((file) => this.files.get(file.path) ?? file),
      entries: [...shell.entries.map((entry) => this.entries.get(entry.path) ?? entry), ...this.moreEntries],
      gradeCategories: this.replace<GradeCategory>(
        shell.gradeCategories,
        this.taken.incoming.gradeCategories,
        'gradeCategory',
        (ours, theirs) => ({ ...ours, title: theirs.title, weight: theirs.weight ?? ours.weight }),
      ),
      gradeColumns: this.replace<GradeColumn>(
        shell.gradeColumns,
        this.taken.incoming.gradeColumns,
        'gradeColumn',
        (ours, theirs) => ({ ...ours, title: theirs.title, points: theirs.points ?? ours.points }),
      ),
    };
  }

  /** A list in which the counterparts of what is replaced are other things. */
  private replace<T extends { readonly ref: string }>(
    ours: readonly T[],
    theirs: readonly T[],
    type: 'item' | 'bank' | 'gradeCategory' | 'gradeColumn',
    merge: (ours: T, theirs: T) => T,
  ): readonly T[] {
    const sources = new Map(
      theirs
        .filter(({ ref }) => this.taken.isReplaced(type, ref))
        .map((thing) => [this.taken.counterpart(type, thing.ref), thing]),
    );
    if (sources.size === 0) return ours;
    return ours.map((thing) => {
      const source = sources.get(thing.ref);
      return source ? merge(thing, source) : thing;
    });
  }

  private item(ours: Item, theirs: Item): Item {
    this.body(ours.content, theirs.content);
    const { opens, due, closes } = this.dates.itemOf(theirs);
    const requires = theirs.requires.flatMap(
      (ref) => this.names.items.get(ref) ?? (this.taken.counterpart('item', ref) as Item['ref'] | null) ?? [],
    );
    return {
      ...ours,
      title: theirs.title,
      points: theirs.points ?? ours.points,
      opens: opens ?? ours.opens,
      due: due ?? ours.due,
      closes: closes ?? ours.closes,
      requires: theirs.requires.length > 0 ? requires : ours.requires,
      modified: theirs.modified ?? ours.modified,
    };
  }

  /** What the counterpart’s resource says, under the identifier and the path that are here. */
  private body(ours: ContentId | null, theirs: ContentId | null): void {
    const [here, there] = [
      this.ours.get(ours ?? ('' as ContentId)),
      this.theirs.get(theirs ?? ('' as ContentId)),
    ];
    if (!here || !there) return;
    const [path, source] = [here.href ?? here.textPath, there.href ?? there.textPath];
    const pathOf = (other: FilePath) =>
      (other === source && path ? path : this.names.paths.get(other)) ?? other;
    this.contents.set(here.id, {
      ...there,
      id: here.id,
      href: here.href === null || there.href === null ? there.href && pathOf(there.href) : here.href,
      files: [
        ...new Set(
          there.files.filter((other) => this.taken.comesAlong(other) || other === source).map(pathOf),
        ),
      ],
      dependencies: there.dependencies.flatMap((needed) => this.names.contents.get(needed) ?? []),
      textPath: there.textPath && pathOf(there.textPath),
      texts: this.leader.textsOf(there),
      staffOnly: here.staffOnly,
      title: there.title,
    });
    this.entriesOf(there, path, source);
  }

  private entriesOf(there: Content, path: FilePath | null, source: FilePath | null): void {
    const wanted = new Set(there.files);
    for (const entry of this.taken.incoming.entries) {
      if (!wanted.has(entry.path)) continue;
      if (entry.path === source && path !== null) this.entries.set(path, { ...entry, path });
      else this.moreEntries.push({ ...entry, path: this.names.paths.get(entry.path) ?? entry.path });
    }
    const main = this.taken.incoming.files.find((file) => file.path === source);
    const ourMain = this.shell.files.find((file) => file.path === path);
    if (main && ourMain) this.files.set(ourMain.path, this.fileAs(ourMain, main));
  }

  private file(theirs: ShellFile): void {
    if (!this.taken.isReplaced('file', theirs.path)) return;
    const path = this.taken.counterpart('file', theirs.path);
    const ours = this.shell.files.find((file) => file.path === path);
    if (ours) this.files.set(ours.path, this.fileAs(ours, theirs));
  }

  private fileAs(ours: ShellFile, theirs: ShellFile): ShellFile {
    const { bytes, sha256, mediaType, packed, modified } = theirs;
    return { ...ours, bytes, sha256, mediaType, packed, modified, text: this.leader.textOf(theirs) };
  }
}
