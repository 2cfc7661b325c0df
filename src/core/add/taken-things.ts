import type { Content, Item, QuestionBank, Shell, ShellFile } from '@/core/shell/model';
import type { ContentId, FilePath } from '@/core/refs/refs';
import { isTaken, type Choice } from './choose';
import {
  incomingKey,
  type AddPreview,
  type IncomingKey,
  type IncomingThing,
  type IncomingType,
} from './incoming';

/** What comes along of a source: what was ticked, with what that needs. What is replaced is told apart. */
export class TakenThings {
  readonly things: ReadonlyMap<string, IncomingThing>;
  readonly items: readonly Item[];
  readonly files: readonly ShellFile[];
  readonly banks: readonly QuestionBank[];
  /** Resources of taken items, files and banks, and what those depend on and nobody lists. */
  readonly contents: readonly Content[];
  /** Paths of the source that are files of their own, and those of them that come along. */
  private readonly filePaths: ReadonlySet<FilePath>;
  private readonly takenPaths: ReadonlySet<FilePath>;

  constructor(
    readonly incoming: Shell,
    preview: Pick<AddPreview, 'things'>,
    readonly choice: Choice,
  ) {
    this.things = new Map(preview.things.map((thing) => [thing.key, thing]));
    this.items = incoming.items.filter((item) => this.has('item', item.ref));
    this.files = incoming.files.filter((file) => this.has('file', file.path));
    this.banks = incoming.banks.filter((bank) => this.has('bank', bank.ref));
    this.filePaths = new Set(incoming.files.map((file) => file.path));
    this.takenPaths = new Set(this.files.map((file) => file.path));
    const ids = this.contentIds();
    this.contents = incoming.contents.filter((content) => ids.has(content.id));
  }

  has(type: IncomingType, ref: string): boolean {
    return isTaken(this.choice, incomingKey(type, ref));
  }

  isReplaced(type: IncomingType, ref: string): boolean {
    return this.choice.replaced.has(incomingKey(type, ref));
  }

  /** What the shell has already in the place of a thing of the source; null where there is none. */
  counterpart(type: IncomingType, ref: string): string | null {
    return this.things.get(incomingKey(type, ref))?.counterpart?.ref ?? null;
  }

  /** Was a thing left out by name, so that what leads to it is broken? */
  isLeft(key: IncomingKey): boolean {
    return this.choice.left.has(key);
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
