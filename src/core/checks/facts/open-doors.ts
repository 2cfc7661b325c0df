import {
  contentNode,
  fileNode,
  filesByContent,
  type AddressEdge,
  type LinkGraph,
  type NodeKey,
} from '@/core/links/graph';
import type { Content, Item, Shell } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';

/** What students can open, dates aside: an item that is shown with all around it. */
export interface OpenDoors {
  readonly isOpen: (item: Item) => boolean;
  /** The items that show a content, in outline order. */
  placesOf(content: string): readonly Item[];
  /** Addresses in what an open item shows, each with that item. */
  readonly links: readonly { readonly from: Item; readonly edge: AddressEdge }[];
  /**
   * Everything that links lead students to, over however many pages, each with the open item where the way begins; only
   * ways from items that `begins` takes. Ways end at what students can’t open.
   */
  reached(begins: (item: Item) => boolean): ReadonlyMap<NodeKey, Item>;
}

export function openDoors(shell: Shell, outline: Outline, graph: LinkGraph): OpenDoors {
  const places = new Map<string, Item[]>();
  for (const item of shell.items)
    if (item.content) {
      const list = places.get(item.content);
      if (list) list.push(item);
      else places.set(item.content, [item]);
    }
  const contents = new Map(shell.contents.map((c) => [c.id, c]));
  const staff = (content: Content | undefined) => content?.staffOnly ?? false;
  const homes = new Set(shell.homePages.filter((h) => h.inUse === true).map((h) => h.ref));
  const isOpen = (item: Item) =>
    (item.placed || item.kind === 'announcement' || homes.has(item.ref)) &&
    outline.isShown(item) &&
    !staff(item.content ? contents.get(item.content) : undefined);
  const owned = filesByContent(shell);
  const links: { from: Item; edge: AddressEdge }[] = [];
  const seen = new Set<NodeKey>();
  for (const item of shell.items) {
    if (!item.content || !isOpen(item)) continue;
    const nodes = [
      contentNode(item.content),
      ...(owned.get(item.content) ?? []).map((f) => fileNode(f.path)),
    ];
    for (const node of nodes) {
      if (seen.has(node)) continue;
      seen.add(node);
      for (const edge of graph.outgoing.get(node) ?? [])
        if (edge.kind === 'address') links.push({ from: item, edge });
    }
  }
  return {
    isOpen,
    placesOf: (content) => places.get(content) ?? [],
    links,
    reached: (begins) =>
      reachedFrom(
        links.filter(({ from }) => begins(from)),
        graph,
        closedNodes(shell, outline),
      ),
  };
}

/** What students can’t open: hidden items, what is for staff, and files that only staff may read. */
function closedNodes(shell: Shell, outline: Outline): ReadonlySet<NodeKey> {
  const closed = new Set<NodeKey>();
  for (const item of shell.items)
    if (item.content && !outline.isShown(item)) closed.add(contentNode(item.content));
  for (const item of shell.items)
    if (item.content && outline.isShown(item)) closed.delete(contentNode(item.content));
  for (const { id, staffOnly } of shell.contents) if (staffOnly) closed.add(contentNode(id));
  for (const { path, readableBy } of shell.files) if (readableBy === 'staff') closed.add(fileNode(path));
  return closed;
}

function reachedFrom(
  links: OpenDoors['links'],
  graph: LinkGraph,
  closed: ReadonlySet<NodeKey>,
): ReadonlyMap<NodeKey, Item> {
  const reached = new Map<NodeKey, Item>();
  /** What is reached, in the order in which it was; what follows is put behind while it is gone through. */
  const waiting: { readonly node: NodeKey; readonly from: Item }[] = [];
  const visit = (node: NodeKey, from: Item) => {
    if (reached.has(node) || closed.has(node)) return;
    reached.set(node, from);
    waiting.push({ node, from });
  };
  for (const { from, edge } of links) visit(edge.to, from);
  for (const { node, from } of waiting)
    for (const edge of graph.outgoing.get(node) ?? []) if (edge.kind === 'address') visit(edge.to, from);
  return reached;
}

/** What keeps an item from students: its own switch, something around it, the role it is for. */
export function whyClosed(item: Item, outline: Outline): string {
  if (item.shown === false) return 'its own switch hides it';
  const around = outline.ancestors(item).find((a) => a.shown === false || a.staffOnly);
  if (around) return `“${around.title}” around it is ${around.shown === false ? 'hidden' : 'for staff only'}`;
  return 'it is for staff only';
}

/** The items whose own switches hide something: showing all of them opens it. */
export const hiddenAround = (item: Item, outline: Outline): Item[] =>
  [...outline.ancestors(item), item].filter((i) => i.shown === false);
