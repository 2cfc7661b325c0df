import { collect } from '@/core/collect';
import type { Content, Shell, ShellFile } from '@/core/shell/model';
import type { ContentId, FilePath, ItemRef } from '@/core/refs/refs';
import type { Markup } from '@/core/text/scan-html';
import { addressReader, indexPaths, type AddressReader, type PathIndex } from './package-paths';
import { scanOfEntry, scanOfFile, scansOfContent } from './scans';

/** A node of the link graph: an outline item's place, a content, a webcontent file, any other entry of the package. */
export type NodeKey = `item:${string}` | `content:${string}` | `file:${string}` | `entry:${string}`;
export const itemNode = (ref: ItemRef): NodeKey => `item:${ref}`;
export const contentNode = (id: ContentId): NodeKey => `content:${id}`;
/** The content that a node stands for; null for the other nodes. */
export const contentOfNode = (node: NodeKey): ContentId | null =>
  node.startsWith('content:') ? (node.slice('content:'.length) as ContentId) : null;
export const fileNode = (path: FilePath): NodeKey => `file:${path}`;
export const entryNode = (path: FilePath): NodeKey => `entry:${path}`;

/** An address written in a text that leads to another part of the package. */
export interface AddressEdge {
  readonly kind: 'address';
  readonly from: NodeKey;
  readonly to: NodeKey;
  /** Which of the content's texts, 0 for files and entries. */
  readonly text: number;
  readonly attribute: string;
  readonly context: 'html' | 'css';
  /** Offsets of the raw spelling; -1 where it can't be rewritten. */
  readonly start: number;
  readonly end: number;
  /** Query and fragment, kept when the address is rewritten. */
  readonly tail: string;
  readonly token: boolean;
  readonly based: boolean;
}
/** A bond without an address: a place shows its content, a resource owns its files, depends on another, draws on a bank. */
export interface BondEdge {
  readonly kind: 'place' | 'owns' | 'dependency' | 'bank';
  readonly from: NodeKey;
  readonly to: NodeKey;
}
export type Edge = AddressEdge | BondEdge;

export interface BrokenAddress {
  readonly from: NodeKey;
  readonly attribute: string;
  /** The path that it means. */
  readonly asked: string;
  /** As the text writes it, character references decoded. */
  readonly written: string;
}

/** What refers to what inside a shell: derived from the texts and the manifest, never stored. */
export interface LinkGraph {
  readonly outgoing: ReadonlyMap<NodeKey, readonly Edge[]>;
  readonly incoming: ReadonlyMap<NodeKey, readonly Edge[]>;
  readonly broken: readonly BrokenAddress[];
  /** The node that stands for a path, null for a path that the package does not have. */
  nodeOfPath(path: FilePath): NodeKey | null;
  readonly paths: PathIndex;
  /** What an address means that is written in a file of this shell. */
  readonly read: AddressReader;
}

const graphs = new WeakMap<readonly Content[], { shell: Shell; graph: LinkGraph }>();

/** The link graph of a shell; kept as long as nothing that it is made of changed. */
export function linkGraphOf(shell: Shell): LinkGraph {
  const known = graphs.get(shell.contents);
  if (
    known &&
    known.shell.items === shell.items &&
    known.shell.files === shell.files &&
    known.shell.entries === shell.entries
  )
    return known.graph;
  const graph = buildLinkGraph(shell);
  graphs.set(shell.contents, { shell, graph });
  return graph;
}

function buildLinkGraph(shell: Shell): LinkGraph {
  const draft = new GraphDraft(shell);
  for (const item of shell.items)
    if (item.content && draft.contents.has(item.content))
      draft.add({ kind: 'place', from: itemNode(item.ref), to: contentNode(item.content) });
  for (const content of shell.contents) draft.addContent(content);
  for (const file of shell.files) draft.addFile(file);
  for (const entry of shell.entries) draft.addEntry(entry);
  const { nodes, outgoing, incoming, broken, paths, read } = draft;
  return { outgoing, incoming, broken, paths, read, nodeOfPath: (path) => nodes.get(path) ?? null };
}

/** A link graph while it is built. */
class GraphDraft {
  readonly outgoing = new Map<NodeKey, Edge[]>();
  readonly incoming = new Map<NodeKey, Edge[]>();
  readonly broken: BrokenAddress[] = [];
  readonly nodes: ReadonlyMap<FilePath, NodeKey>;
  readonly paths: PathIndex;
  readonly read: AddressReader;
  readonly contents: ReadonlyMap<ContentId, Content>;
  private readonly bankByIdent: ReadonlyMap<string | null, ContentId>;

  constructor(shell: Shell) {
    this.nodes = nodesByPath(shell);
    this.paths = indexPaths(this.nodes.keys());
    this.read = addressReader(this.paths);
    this.contents = new Map(shell.contents.map((content) => [content.id, content]));
    this.bankByIdent = new Map(shell.contents.filter((c) => c.bankIdent).map((c) => [c.bankIdent, c.id]));
  }

  addContent(content: Content): void {
    const from = contentNode(content.id);
    for (const dependency of content.dependencies)
      if (this.contents.has(dependency)) this.add({ kind: 'dependency', from, to: contentNode(dependency) });
    for (const ident of content.bankRefs) {
      const bank = this.bankByIdent.get(ident);
      if (bank) this.add({ kind: 'bank', from, to: contentNode(bank) });
    }
    const { textPath } = content;
    if (!textPath) return;
    scansOfContent(content).forEach((scan, text) => this.addAddresses(from, textPath, scan, text));
  }

  addFile(file: ShellFile): void {
    const node = fileNode(file.path);
    this.add({ kind: 'owns', from: contentNode(file.content), to: node });
    // Whoever opens a resource's main file gets what the resource depends on.
    if (this.contents.get(file.content)?.href === file.path)
      this.add({ kind: 'owns', from: node, to: contentNode(file.content) });
    const scan = scanOfFile(file);
    if (scan) this.addAddresses(node, file.path, scan, 0);
  }

  addEntry(entry: Shell['entries'][number]): void {
    const scan = scanOfEntry(entry);
    const from = this.nodes.get(entry.path) ?? entryNode(entry.path);
    if (scan) this.addAddresses(from, entry.path, scan, 0);
  }

  add(edge: Edge): void {
    if (edge.from === edge.to) return;
    collect(this.outgoing, edge.from, edge);
    collect(this.incoming, edge.to, edge);
  }

  /** Adds the addresses of one text, which stands in the file `at`; those that lead nowhere are broken. */
  private addAddresses(from: NodeKey, at: FilePath, scan: Markup, text: number): void {
    for (const address of scan.addresses) {
      const base = address.context === 'css' && address.tag === '' ? null : scan.base;
      const meaning = this.read(address.value, at, base);
      if (meaning.to !== 'package') continue;
      const { attribute, context, start, end, value } = address;
      const { asked, found, tail, token } = meaning;
      const to = found === null ? null : (this.nodes.get(found) ?? null);
      if (to === null) this.broken.push({ from, attribute, asked, written: value });
      else {
        const based = base !== null;
        this.add({ kind: 'address', from, to, text, attribute, context, start, end, tail, token, based });
      }
    }
  }
}

function nodesByPath(shell: Shell): Map<FilePath, NodeKey> {
  const nodes = new Map<FilePath, NodeKey>();
  for (const entry of shell.entries) nodes.set(entry.path, entryNode(entry.path));
  for (const content of shell.contents)
    for (const path of content.files) nodes.set(path, contentNode(content.id));
  for (const file of shell.files) nodes.set(file.path, fileNode(file.path));
  return nodes;
}

const linkCounts = new WeakMap<LinkGraph, Map<NodeKey, number>>();

/** How many addresses in other texts lead to a node; counted once, since a node may stand in very many places. */
export function countLinksTo(
  graph: LinkGraph,
  node: NodeKey,
  except: ReadonlySet<NodeKey> = new Set(),
): number {
  const incoming = () => graph.incoming.get(node) ?? [];
  if (except.size) return incoming().filter((e) => e.kind === 'address' && !except.has(e.from)).length;
  const counts = linkCounts.get(graph) ?? new Map<NodeKey, number>();
  linkCounts.set(graph, counts);
  const known = counts.get(node);
  if (known !== undefined) return known;
  const count = incoming().filter((e) => e.kind === 'address').length;
  counts.set(node, count);
  return count;
}

const fileLists = new WeakMap<readonly ShellFile[], ReadonlyMap<ContentId, readonly ShellFile[]>>();

/** The webcontent files of each content. */
export function filesByContent(shell: Pick<Shell, 'files'>): ReadonlyMap<ContentId, readonly ShellFile[]> {
  const known = fileLists.get(shell.files);
  if (known) return known;
  const lists = new Map<ContentId, ShellFile[]>();
  for (const file of shell.files) collect(lists, file.content, file);
  fileLists.set(shell.files, lists);
  return lists;
}

/** The nodes that others link to when they mean this content: the content itself and its webcontent files. */
export function targetNodes(shell: Shell, content: ContentId | null): NodeKey[] {
  if (content === null) return [];
  return [contentNode(content), ...(filesByContent(shell).get(content) ?? []).map((f) => fileNode(f.path))];
}
