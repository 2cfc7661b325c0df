import { filesByContent, fileNode, linkGraphOf, type AddressEdge, type NodeKey } from '@/core/links/graph';
import { spellAddress } from '@/core/links/spell-address';
import type { Content, Shell, ShellFile } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ContentId, FilePath, ItemRef } from '@/core/shell/refs';
import { replacements, type Edit } from '../edits';

export interface RelinkResult {
  readonly edits: readonly Edit[];
  /** The contents and files whose addresses were rewritten, and how many in each. */
  readonly rewritten: ReadonlyMap<NodeKey, number>;
  /** Pairs that had anything to lead elsewhere, each with the nodes that named it. */
  readonly used: ReadonlyMap<string, ReadonlySet<NodeKey>>;
}

interface Target {
  readonly nodes: readonly NodeKey[];
  readonly path: FilePath | null;
  readonly content: ContentId | null;
  readonly isFile: boolean;
}

/**
 * Leads every link to one thing to another: addresses in texts and style sheets, dependencies, requirements and, for
 * files, the outline's places. Query and fragment of an address stay. What cannot be rewritten stays as it is.
 */
export function relink(shell: Shell, pairs: ReadonlyMap<string, string>): RelinkResult {
  const graph = linkGraphOf(shell);
  const goals = new Map<NodeKey, FilePath>();
  const contents = new Map<ContentId, ContentId>();
  const fileContents = new Map<ContentId, ContentId>();
  const used = new Map<string, Set<NodeKey>>();
  const note = (pair: string, by: NodeKey) => {
    const users = used.get(pair);
    if (users) users.add(by);
    else used.set(pair, new Set([by]));
  };
  const pairOfNode = new Map<NodeKey, string>();
  const pairOfContent = new Map<ContentId, string>();
  const lookup = makeLookup(shell);
  for (const [from, to] of pairs) {
    const [old, goal] = [lookup(from), lookup(to)];
    if (!old || !goal?.path || old.content === goal.content) continue;
    for (const node of old.nodes) {
      goals.set(node, goal.path);
      pairOfNode.set(node, from);
    }
    if (!old.content || !goal.content) continue;
    pairOfContent.set(old.content, from);
    contents.set(old.content, goal.content);
    if (old.isFile) fileContents.set(old.content, goal.content);
  }

  const changes = new Map<NodeKey, AddressEdge[]>();
  for (const [node, pair] of pairOfNode)
    for (const edge of graph.incoming.get(node) ?? [])
      if (edge.kind === 'address' && edge.start >= 0 && !edge.based) {
        note(pair, edge.from);
        const list = changes.get(edge.from);
        if (list) list.push(edge);
        else changes.set(edge.from, [edge]);
      }

  const rewritten = new Map<NodeKey, number>();
  const rewriteText = (text: string, at: FilePath, edges: readonly AddressEdge[]): string => {
    let made = text;
    for (const edge of [...edges].sort((a, b) => b.start - a.start)) {
      const raw = made.slice(edge.start, edge.end);
      made =
        made.slice(0, edge.start) + spellAddress(goals.get(edge.to)!, at, edge, raw) + made.slice(edge.end);
    }
    return made;
  };
  const changeContent = (content: Content): Content => {
    const edges = changes.get(`content:${content.id}`) ?? [];
    const dependencies = content.dependencies.some((d) => contents.has(d))
      ? [...new Set(content.dependencies.map((d) => redirect(d, content.id)))].filter((d) => d !== content.id)
      : content.dependencies;
    if (!edges.length && dependencies === content.dependencies) return content;
    if (edges.length) rewritten.set(`content:${content.id}`, edges.length);
    const texts = content.texts.map((text, i) =>
      rewriteText(
        text,
        content.textPath!,
        edges.filter((e) => e.text === i),
      ),
    );
    return { ...content, texts: edges.length ? texts : content.texts, dependencies };
  };
  const redirect = (id: ContentId, by: ContentId): ContentId => {
    const to = contents.get(id);
    if (!to) return id;
    const pair = pairOfContent.get(id);
    if (pair) note(pair, `content:${by}`);
    return to;
  };
  const changeFile = (file: ShellFile): ShellFile => {
    const edges = changes.get(fileNode(file.path));
    if (!edges || file.text === null) return file;
    rewritten.set(fileNode(file.path), edges.length);
    return { ...file, text: rewriteText(file.text, file.path, edges) };
  };
  const edits = [
    ...replacements(shell, 'contents', changeContent),
    ...replacements(shell, 'files', changeFile),
    ...replacements(shell, 'items', (item) => {
      const requires = item.requires.some((r) => pairs.has(r))
        ? [...new Set(item.requires.map((r) => (pairs.get(r) ?? r) as ItemRef))].filter((r) => r !== item.ref)
        : item.requires;
      if (requires !== item.requires)
        for (const r of item.requires) if (pairs.has(r)) note(r, `item:${item.ref}`);
      const content =
        item.content && item.kind === 'file'
          ? (fileContents.get(item.content) ?? item.content)
          : item.content;
      if (content !== item.content && item.content)
        note(pairOfContent.get(item.content) ?? '', `item:${item.ref}`);
      return requires === item.requires && content === item.content ? item : { ...item, requires, content };
    }),
  ];
  return { edits, rewritten, used };
}

/** Where an item's or file's links lead: its nodes, and the path that an address names. */
function makeLookup(shell: Shell): (ref: string) => Target | null {
  const outline = outlineOf(shell);
  const contents = new Map(shell.contents.map((c) => [c.id, c]));
  const files = new Map(shell.files.map((f) => [f.path as string, f]));
  const owned = filesByContent(shell);
  return (ref) => {
    const item = outline.byRef.get(ref as ItemRef);
    if (item) {
      const content = item.content ? contents.get(item.content) : undefined;
      if (!content) return { nodes: [], path: null, content: null, isFile: false };
      const nodes: NodeKey[] = [
        `content:${content.id}`,
        ...(owned.get(content.id) ?? [])
          .filter((f) => content.kind === 'file' || f.path === content.href)
          .map((f) => fileNode(f.path)),
      ];
      return { nodes, path: content.href ?? content.textPath, content: content.id, isFile: false };
    }
    const file = files.get(ref);
    return file
      ? { nodes: [fileNode(file.path)], path: file.path, content: file.content, isFile: true }
      : null;
  };
}
