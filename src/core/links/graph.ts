import { collect } from '@/core/collect';
import type { Content, Shell, ShellFile } from '@/core/shell/model';
import type { ContentId, FilePath, ItemRef } from '@/core/shell/refs';
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

const made = new WeakMap<readonly Content[], { shell: Shell; graph: LinkGraph }>();

/** The link graph of a shell; kept as long as nothing that it is made of changed. */
export function linkGraphOf(shell: Shell): LinkGraph {
  const known = made.get(shell.contents);
  if (
    known &&
    known.shell.items === shell.items &&
    known.shell.files === shell.files &&
    known.shell.entries === shell.entries
  )
    return known.graph;
  const graph = buildLinkGraph(shell);
  made.set(shell.contents, { shell, graph });
  return graph;
}

function buildLinkGraph(shell: Shell): LinkGraph {
  const nodes = nodesByPath(shell);
  const paths = indexPaths(nodes.keys());
  const read = addressReader(paths);
  const outgoing = new Map<NodeKey, Edge[]>();
  const incoming = new Map<NodeKey, Edge[]>();
  const broken: BrokenAddress[] = [];
  const add = (edge: Edge) => {
    if (edge.from === edge.to) return;
    collect(outgoing, edge.from, edge);
    collect(incoming, edge.to, edge);
  };
  const addAddresses = (from: NodeKey, at: FilePath, scan: Markup, text: number) => {
    for (const address of scan.addresses) {
      const base = address.context === 'css' && address.tag === '' ? null : scan.base;
      const meaning = read(address.value, at, base);
      if (meaning.to !== 'package') continue;
      const to = meaning.found === null ? null : (nodes.get(meaning.found) ?? null);
      if (to === null) {
        broken.push({ from, attribute: address.attribute, asked: meaning.asked, written: address.value });
        continue;
      }
      add({
        kind: 'address',
        from,
        to,
        text,
        attribute: address.attribute,
        context: address.context,
        start: address.start,
        end: address.end,
        tail: meaning.tail,
        token: meaning.token,
        based: base !== null,
      });
    }
  };

  const known = new Set(shell.contents.map((c) => c.id));
  const bankByIdent = new Map(shell.contents.filter((c) => c.bankIdent).map((c) => [c.bankIdent, c.id]));
  for (const item of shell.items)
    if (item.content && known.has(item.content))
      add({ kind: 'place', from: itemNode(item.ref), to: contentNode(item.content) });
  for (const content of shell.contents) {
    const from = contentNode(content.id);
    for (const dependency of content.dependencies)
      if (known.has(dependency)) add({ kind: 'dependency', from, to: contentNode(dependency) });
    for (const ident of content.bankRefs) {
      const bank = bankByIdent.get(ident);
      if (bank) add({ kind: 'bank', from, to: contentNode(bank) });
    }
    if (content.textPath) {
      const at = content.textPath;
      scansOfContent(content).forEach((scan, index) => addAddresses(from, at, scan, index));
    }
  }
  const contents = new Map(shell.contents.map((c) => [c.id, c]));
  for (const file of shell.files) {
    const node = fileNode(file.path);
    add({ kind: 'owns', from: contentNode(file.content), to: node });
    // Whoever opens a resource's main file gets what the resource depends on.
    if (contents.get(file.content)?.href === file.path)
      add({ kind: 'owns', from: node, to: contentNode(file.content) });
    const scan = scanOfFile(file);
    if (scan) addAddresses(node, file.path, scan, 0);
  }
  for (const entry of shell.entries) {
    const scan = scanOfEntry(entry);
    const from = nodes.get(entry.path) ?? entryNode(entry.path);
    if (scan) addAddresses(from, entry.path, scan, 0);
  }
  return { outgoing, incoming, broken, paths, read, nodeOfPath: (path) => nodes.get(path) ?? null };
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
