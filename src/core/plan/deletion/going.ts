import {
  contentNode,
  fileNode,
  filesByContent,
  linkGraphOf,
  type Edge,
  type NodeKey,
} from '@/core/links/graph';
import { contentOfShell } from '@/core/shell/find-things';
import type { Content, Item, Shell } from '@/core/shell/model';
import type { ContentId, FilePath, ItemRef } from '@/core/refs/refs';
import { refsOf } from '@/core/plan/action/refs-of-shell';

/** What really goes when some targets go. */
export interface Going {
  readonly targets: ReadonlySet<string>;
  readonly items: ReadonlySet<ItemRef>;
  readonly contents: ReadonlySet<ContentId>;
  readonly files: ReadonlySet<FilePath>;
  /** An edge that is still there afterwards and comes from something that stays. */
  holds(edge: Edge): boolean;
}

/**
 * Works out what goes with the targets: a page’s text when its last place goes, the files that only it uses, an
 * activity’s body. What something else still links to stays, unless its links are to be left broken. Where the files of
 * what goes are not taken along, they stay as files.
 */
export function weigh(
  shell: Shell,
  targets: ReadonlySet<string>,
  leftBroken: ReadonlySet<string> = new Set(),
  takesOwnFiles = true,
): Going {
  const graph = linkGraphOf(shell);
  const owned = filesByContent(shell);
  const refs = refsOf(shell);
  const items = new Set(shell.items.filter((i) => targets.has(i.ref)).map((i) => i.ref));
  const named = new Set(
    shell.files.filter((f) => targets.has(f.path) && refs.typeOf(f.path) === 'file').map((f) => f.path),
  );
  const contents = contentsWithoutPlace(shell, items, targets, named);
  const forced = forcedContents(shell, items, contents, leftBroken);
  const files = new Set<FilePath>(named);
  const goes = (node: NodeKey): boolean => {
    if (node.startsWith('item:')) return items.has(node.slice(5) as ItemRef);
    if (node.startsWith('content:')) return contents.has(node.slice(8) as ContentId);
    return node.startsWith('file:') && files.has(node.slice(5) as FilePath);
  };
  const holds = (edge: Edge) => edge.kind !== 'owns' && !goes(edge.from);
  const held = (node: NodeKey) => (graph.incoming.get(node) ?? []).some(holds);
  const isHeld = (content: Content): boolean => {
    const { href } = content;
    return held(contentNode(content.id)) || (href !== null && held(fileNode(href)) && !named.has(href));
  };
  if (takesOwnFiles) for (const id of contents) for (const file of owned.get(id) ?? []) files.add(file.path);
  // A content that stays keeps what it links to, which may keep more.
  for (let settled = false; !settled;) {
    settled = true;
    for (const id of contents) {
      const content = contentOfShell(shell, id);
      if (!content || forced.has(id) || !isHeld(content)) continue;
      contents.delete(id);
      for (const file of owned.get(id) ?? []) if (!named.has(file.path)) files.delete(file.path);
      settled = false;
    }
    for (const path of files)
      if (!named.has(path) && held(fileNode(path))) {
        files.delete(path);
        settled = false;
      }
  }
  return { targets, items, contents, files, holds };
}

/** The contents that nothing shows any more, and those of banks and of files that go as a whole. */
function contentsWithoutPlace(
  shell: Shell,
  items: ReadonlySet<ItemRef>,
  targets: ReadonlySet<string>,
  named: ReadonlySet<FilePath>,
): Set<ContentId> {
  const stillPlaced = new Set(shell.items.filter((i) => !items.has(i.ref)).map((i) => i.content));
  const contents = new Set<ContentId>();
  for (const item of shell.items)
    if (items.has(item.ref) && item.content && !stillPlaced.has(item.content)) contents.add(item.content);
  for (const bank of shell.banks) if (targets.has(bank.ref) && bank.content) contents.add(bank.content);
  for (const content of shell.contents) {
    const whole = content.kind === 'file' && content.files.length > 0;
    if (whole && !stillPlaced.has(content.id) && content.files.every((path) => named.has(path)))
      contents.add(content.id);
  }
  return contents;
}

function forcedContents(
  shell: Shell,
  items: ReadonlySet<ItemRef>,
  contents: ReadonlySet<ContentId>,
  leftBroken: ReadonlySet<string>,
): Set<ContentId> {
  const forced = new Set<ContentId>();
  for (const item of shell.items)
    if (leftBroken.has(item.ref) && items.has(item.ref) && item.content && contents.has(item.content))
      forced.add(item.content);
  return forced;
}

/** The nodes by which others link to an item. */
export const nodesOfItem = (shell: Shell, item: Item): NodeKey[] =>
  item.content
    ? [
        contentNode(item.content),
        ...(filesByContent(shell).get(item.content) ?? []).map((f) => fileNode(f.path)),
      ]
    : [];
