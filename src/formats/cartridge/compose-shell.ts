import { collect } from '@/core/collect';
import { digest } from '@/core/refs/digest';
import { emptyShell } from '@/core/shell/empty-shell';
import type {
  Content,
  ContentKind,
  Item,
  ItemKind,
  PackageEntry,
  QuestionBank,
  Shell,
  ShellFile,
} from '@/core/shell/model';
import {
  contentId,
  filePath,
  itemRef,
  outsideRef,
  shellRef,
  type FilePath,
  type ItemRef,
  type Sha256,
} from '@/core/refs/refs';
import { readBody } from './read-body';
import { blankItem } from '@/core/shell/blank-item';
import { mediaTypeOf } from './resource-types';
import { assignmentXml, bankXml, quizXml, topicXml, webLinkXml, type QuizQuestion } from './write-bodies';
import { writeCartridge, type BytesSource } from './write-cartridge';

/** Where a new item goes and what is known of it beyond its content. */
export interface Placing extends Partial<
  Omit<Item, 'ref' | 'kind' | 'title' | 'content' | 'parent' | 'placed'>
> {
  readonly ref?: string;
  readonly parent?: string | null;
  /** Outside the outline. */
  readonly outside?: boolean;
  /** Path of the file that holds the body; made from the ref where it is not given. */
  readonly path?: string;
}

/**
 * Puts a shell together in memory, body by body, with the bytes to write it as a package: how the demo and the tests
 * are made. What it makes is what the reader makes of the written package.
 */
export class ShellComposer {
  private readonly items: Item[] = [];
  private readonly contents: Content[] = [];
  private readonly files: ShellFile[] = [];
  private readonly entries: PackageEntry[] = [];
  private readonly banks: QuestionBank[] = [];
  private readonly bytes = new Map<Sha256, Buffer>();
  private counter = 0;

  constructor(
    private readonly about: Partial<Shell> & { readonly ref: Shell['ref'] } = { ref: shellRef('shell') },
  ) {}

  module(title: string, placing: Placing = {}): ItemRef {
    return this.place('module', title, null, placing);
  }
  heading(title: string, placing: Placing = {}): ItemRef {
    return this.place('heading', title, null, placing);
  }
  page(title: string, html: string, placing: Placing = {}): ItemRef {
    return this.body('page', 'webcontent', title, placing, 'html', () => html);
  }
  discussion(title: string, html: string, placing: Placing = {}): ItemRef {
    return this.body('discussion', 'imsdt_xmlv1p3', title, placing, 'xml', () => topicXml(title, html));
  }
  assignment(title: string, html: string, points: number | null, placing: Placing = {}): ItemRef {
    return this.body('assignment', 'assignment_xmlv1p0', title, placing, 'xml', (id) =>
      assignmentXml(id, title, html, points),
    );
  }
  quiz(title: string, questions: readonly QuizQuestion[], placing: Placing = {}): ItemRef {
    return this.body('quiz', 'imsqti_xmlv1p2/imscc_xmlv1p3/assessment', title, placing, 'xml', (id) =>
      quizXml(id, title, questions),
    );
  }
  webLink(title: string, url: string, placing: Placing = {}): ItemRef {
    return this.body('web-link', 'imswl_xmlv1p3', title, placing, 'xml', () => webLinkXml(title, url));
  }

  /** A question bank, which stands in no outline; quizzes draw on it by its ident. */
  bank(ident: string, questions: readonly QuizQuestion[], path: string): void {
    const text = bankXml(ident, questions);
    const bytes = Buffer.from(text, 'utf8');
    const body = readBody('bank', text);
    if (!body.ok) throw new Error(body.trouble.message);
    const id = contentId(`b${(this.counter += 1)}`);
    this.contents.push({
      ...blankContent,
      ...body.value,
      id,
      kind: 'bank',
      type: 'imsqti_xmlv1p2/imscc_xmlv1p3/question-bank',
      files: [filePath(path)],
      textPath: filePath(path),
    });
    this.entries.push({ path: filePath(path), bytes: bytes.length, sha256: this.keep(bytes), text: null });
    this.banks.push({ ref: outsideRef(id), title: ident, content: id });
  }

  /** A webcontent file that no item shows. */
  file(
    path: string,
    data: string | Buffer,
    about: Partial<Pick<ShellFile, 'readableBy' | 'created' | 'modified' | 'batch' | 'packed'>> = {},
  ): FilePath {
    const bytes = Buffer.isBuffer(data) ? data : Buffer.from(data, 'utf8');
    const id = contentId(`f${(this.counter += 1)}`);
    const mediaType = mediaTypeOf(path);
    const text = /^(text\/(html|css)|image\/svg\+xml)$/.test(mediaType) ? bytes.toString('utf8') : null;
    this.contents.push({
      ...blankContent,
      id,
      kind: 'file',
      type: 'webcontent',
      href: filePath(path),
      files: [filePath(path)],
    });
    this.files.push({
      path: filePath(path),
      content: id,
      bytes: bytes.length,
      sha256: this.keep(bytes),
      mediaType,
      readableBy: null,
      created: null,
      modified: null,
      batch: null,
      packed: null,
      ...about,
      text,
    });
    return filePath(path);
  }

  /** An outline item that shows a file added before. */
  fileItem(title: string, path: string, placing: Placing = {}): ItemRef {
    const file = this.files.find((f) => f.path === path);
    if (!file) throw new Error(`no file ${path}`);
    return this.place('file', title, file.content, placing);
  }

  /** A second place of what an item shows. */
  placeAgain(ref: string, title: string, placing: Placing = {}): ItemRef {
    const item = this.items.find((i) => i.ref === ref);
    if (!item) throw new Error(`no item ${ref}`);
    return this.place(item.kind, title, item.content, placing);
  }

  /** A resource of a type that nobody here reads. */
  foreign(type: string, path: string, data: string): void {
    const bytes = Buffer.from(data, 'utf8');
    const id = contentId(`x${(this.counter += 1)}`);
    this.contents.push({
      ...blankContent,
      id,
      kind: 'other',
      type,
      href: filePath(path),
      files: [filePath(path)],
    });
    this.entries.push({ path: filePath(path), bytes: bytes.length, sha256: this.keep(bytes), text: data });
  }

  depends(from: string, on: string): void {
    const owner = (ref: string) =>
      this.items.find((i) => i.ref === ref)?.content ?? this.files.find((f) => f.path === ref)?.content;
    const [source, target] = [owner(from), owner(on)];
    const at = this.contents.findIndex((c) => c.id === source);
    const content = this.contents[at];
    if (!content || !target) throw new Error(`no dependency from ${from} on ${on}`);
    this.contents[at] = { ...content, dependencies: [...content.dependencies, target] };
  }

  shell(): Shell {
    const ordered = this.outlineOrder();
    return {
      ...emptyShell,
      ...this.about,
      items: ordered,
      contents: [...this.contents],
      files: [...this.files],
      entries: [...this.entries],
      banks: [...this.banks],
    };
  }

  get source(): BytesSource {
    return { read: (hash) => this.bytes.get(hash) ?? null };
  }

  async write(file: string): Promise<void> {
    await writeCartridge(this.shell(), this.source, file);
  }

  private body(
    kind: ContentKind,
    type: string,
    title: string,
    placing: Placing,
    ending: string,
    make: (id: string) => string,
  ): ItemRef {
    const id = contentId(`r${(this.counter += 1)}`);
    const path = filePath(placing.path ?? `${kind}/${id}.${ending}`);
    const text = make(id);
    const bytes = Buffer.from(text, 'utf8');
    const body = readBody(kind, text);
    if (!body.ok) throw new Error(body.trouble.message);
    this.contents.push({
      ...blankContent,
      ...body.value,
      id,
      kind,
      type,
      href: kind === 'page' ? path : null,
      files: [path],
      textPath: body.value.texts.length ? path : null,
    });
    this.entries.push({ path, bytes: bytes.length, sha256: this.keep(bytes), text: null });
    return this.place(kind as ItemKind, title, id, placing);
  }

  private place(kind: ItemKind, title: string, content: Content['id'] | null, placing: Placing): ItemRef {
    const { ref, parent, outside, path: _path, ...about } = placing;
    const newRef = outside && content ? outsideRef(content) : itemRef(ref ?? `i${(this.counter += 1)}`);
    this.items.push({
      ...blankItem,
      ...about,
      ref: newRef,
      kind,
      title,
      content,
      placed: !outside,
      parent: outside ? null : ((parent ?? null) as ItemRef | null),
    });
    return newRef;
  }

  private outlineOrder(): Item[] {
    const ordered: Item[] = [];
    const children = new Map<ItemRef | null, Item[]>();
    for (const item of this.items) if (item.placed) collect(children, item.parent, item);
    const visit = (parent: ItemRef | null) => {
      for (const item of children.get(parent) ?? []) {
        ordered.push(item);
        visit(item.ref);
      }
    };
    visit(null);
    const order = new Map(this.contents.map((c, i) => [c.id, i]));
    const placeOf = ({ content }: Item) => (content === null ? 0 : (order.get(content) ?? 0));
    const outside = this.items.filter((i) => !i.placed).sort((a, b) => placeOf(a) - placeOf(b));
    return [...ordered, ...outside];
  }

  private keep(bytes: Buffer): Sha256 {
    const hash = digest(bytes);
    this.bytes.set(hash, bytes);
    return hash;
  }
}

const blankContent: Content = {
  id: contentId(''),
  kind: 'other',
  type: '',
  href: null,
  files: [],
  dependencies: [],
  intendedUse: null,
  staffOnly: false,
  texts: [],
  textPath: null,
  target: null,
  title: '',
  points: null,
  answerKey: '',
  questions: [],
  bankIdent: null,
  bankRefs: [],
  attributes: {},
  extraXml: [],
};
