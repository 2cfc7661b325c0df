import type { Content, Item, QuestionBank, Shell, ShellFile } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ContentId, FilePath, ItemRef } from '@/core/refs/refs';
import {
  incomingKey,
  type AddPreview,
  type IncomingKey,
  type IncomingThing,
  type IncomingType,
} from './incoming';
import { closeChoice } from './needs';

/** What comes along of an incoming package: what was chosen, with what that needs. */
export class TakenThings {
  readonly things: ReadonlyMap<string, IncomingThing>;
  readonly items: readonly Item[];
  readonly files: readonly ShellFile[];
  readonly banks: readonly QuestionBank[];
  /** Resources of taken items, files and banks, and what those depend on and nobody lists. */
  readonly contents: readonly Content[];
  private readonly keys: ReadonlySet<IncomingKey>;
  /** Paths of the package that are files of their own, and those of them that come along. */
  private readonly filePaths: ReadonlySet<FilePath>;
  private readonly takenPaths: ReadonlySet<FilePath>;

  /** Chosen modules that the shell has already, with its own: what is chosen inside them goes into those. */
  private readonly standIns: ReadonlyMap<ItemRef, ItemRef>;

  /** `asPart`: the things stay what they are, and whatever was chosen is taken as it is. */
  constructor(
    shell: Shell,
    readonly incoming: Shell,
    preview: AddPreview,
    chosen: readonly string[],
    asPart: boolean,
  ) {
    this.things = new Map(preview.things.map((thing) => [thing.key, thing]));
    const known = chosen.filter((key): key is IncomingKey => this.things.has(key));
    const { taken } = closeChoice(preview, known);
    this.standIns = asPart ? new Map() : this.modulesThere(shell, taken);
    const filled = asPart ? taken : withoutEmptied(incoming, taken);
    const there = new Set([...this.standIns.keys()].map((ref) => incomingKey('item', ref)));
    this.keys = new Set([...filled].filter((key) => !there.has(key)));
    this.items = incoming.items.filter((item) => this.has('item', item.ref));
    this.files = incoming.files.filter((file) => this.has('file', file.path));
    this.banks = incoming.banks.filter((bank) => this.has('bank', bank.ref));
    this.filePaths = new Set(incoming.files.map((file) => file.path));
    this.takenPaths = new Set(this.files.map((file) => file.path));
    const ids = this.contentIds();
    this.contents = incoming.contents.filter((content) => ids.has(content.id));
  }

  has(type: IncomingType, ref: string): boolean {
    return this.keys.has(incomingKey(type, ref));
  }

  /** The module of the shell that stands for one that was chosen; null where that comes itself. */
  standIn(module: ItemRef): ItemRef | null {
    return this.standIns.get(module) ?? null;
  }

  private modulesThere(shell: Shell, taken: ReadonlySet<IncomingKey>): Map<ItemRef, ItemRef> {
    const modules = new Set(shell.items.filter((i) => i.placed && i.kind === 'module').map(({ ref }) => ref));
    const there = new Map<ItemRef, ItemRef>();
    for (const { ref, kind } of this.incoming.items) {
      const counterpart = this.counterpart('item', ref) as ItemRef | null;
      const isTaken = kind === 'module' && taken.has(incomingKey('item', ref));
      if (isTaken && counterpart !== null && modules.has(counterpart)) there.set(ref, counterpart);
    }
    return there;
  }

  /** What the shell has already in the place of an incoming thing; null where there is none. */
  counterpart(type: IncomingType, ref: string): string | null {
    return this.things.get(incomingKey(type, ref))?.counterpart?.ref ?? null;
  }

  isFile(path: FilePath): boolean {
    return this.filePaths.has(path);
  }

  /** Does a path of a taken resource come along? A file of its own does only where that is taken. */
  comesAlong(path: FilePath): boolean {
    return this.takenPaths.has(path) || !this.filePaths.has(path);
  }

  private contentIds(): ReadonlySet<ContentId> {
    const named = [...this.items, ...this.files, ...this.banks].flatMap(({ content }) => content ?? []);
    const ids = new Set<ContentId>(named);
    const { incoming } = this;
    const byId = new Map(incoming.contents.map((content) => [content.id, content]));
    const listed = new Set(
      [...incoming.items, ...incoming.files, ...incoming.banks].map(({ content }) => content),
    );
    // The loop reaches what is put into the set meanwhile: a dependency brings its own dependencies.
    for (const id of ids) {
      for (const needed of byId.get(id)?.dependencies ?? []) {
        if (byId.has(needed) && !listed.has(needed)) ids.add(needed);
      }
    }
    return ids;
  }
}

/** The choice without modules that would arrive empty, since nothing that is in them was chosen. */
function withoutEmptied(incoming: Shell, taken: ReadonlySet<IncomingKey>): ReadonlySet<IncomingKey> {
  const outline = outlineOf(incoming);
  const holds = new Set<ItemRef>();
  for (const item of incoming.items)
    // A module that is empty in the package, too, arrives as it is.
    if (
      (item.kind !== 'module' || outline.children(item.ref).length === 0) &&
      taken.has(incomingKey('item', item.ref))
    )
      for (const { ref } of outline.ancestors(item)) holds.add(ref);
  const emptied = incoming.items.filter(
    ({ ref, kind }) => kind === 'module' && outline.children(ref).length > 0 && !holds.has(ref),
  );
  const gone = new Set(emptied.map(({ ref }) => incomingKey('item', ref)));
  return new Set([...taken].filter((key) => !gone.has(key)));
}
