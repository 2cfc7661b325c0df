import { contentNode, fileNode, linkGraphOf, type NodeKey } from '@/core/links/graph';
import { bankOfShell, columnOfShell, contentOfShell, fileOfShell } from '@/core/shell/find-things';
import type { Content, Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { plural } from '@/core/text/plural';
import type { ItemRef } from '@/core/refs/refs';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { mayHaveWork } from '@/core/plan/areas/student-work';
import { nodesOfItem, type Going } from './going';

/** What a deletion may pass over. */
export interface PassedOver {
  /** Links to the target may stay and lead nowhere. */
  readonly brokenLinks: boolean;
  /** Student work goes along: somebody said in numbers what is gone for good. */
  readonly studentWork: boolean;
}

/** The reason why a target must stay, or null. Each says what to do instead. */
export function whyItStays(shell: Shell, ref: string, going: Going, over: PassedOver): string | null {
  const leaveBroken = over.brokenLinks;
  switch (refsOf(shell).typeOf(ref)) {
    case 'item':
      return whyItemStays(shell, ref as ItemRef, going, over);
    case 'file':
      return whyFileStays(shell, ref, going, leaveBroken);
    case 'bank':
      return whyBankStays(shell, ref, going);
    case 'gradeCategory':
      return whyCategoryStays(shell, ref, going);
    case 'gradeColumn':
      return over.studentWork ? null : whyColumnStays(shell, ref);
    case 'event':
    case 'group':
    case 'homePage':
    case 'shell':
    case null:
      return null;
  }
}

function whyItemStays(shell: Shell, ref: ItemRef, going: Going, over: PassedOver): string | null {
  const outline = outlineOf(shell);
  const item = outline.byRef.get(ref);
  if (!item) return null;
  const { title } = item;
  if (shell.homePages.some((h) => h.ref === ref && h.inUse === true))
    return `“${title}” is the home page in use; set another one first`;
  if (hasWork(shell, item) && !over.studentWork) return sayWork(item);
  const child = outline.children(ref).find((c) => !going.items.has(c.ref));
  if (child) return `“${title}” still holds “${child.title}”; delete that too, or move it out first`;
  const waiting = requiredBy(shell)
    .get(ref)
    ?.find((i) => !going.items.has(i.ref));
  if (waiting)
    return `“${waiting.title}” requires “${title}” first; drop that requirement, or lead it elsewhere`;
  if (item.placed || over.brokenLinks || !item.content || going.contents.has(item.content)) return null;
  return `“${title}” is linked from ${nameHolders(shell, nodesOfItem(shell, item), going)}; lead those links elsewhere first`;
}

/** On a live host, work of which nobody told counts as there while students are enrolled. */
const hasWork = (shell: Shell, item: Item): boolean =>
  shell.isLive === true ? mayHaveWork(shell, item) : (item.studentWork ?? 0) > 0;

const sayWork = ({ title, studentWork }: Item): string =>
  studentWork === null
    ? `“${title}” may have student work, since students are enrolled; hide it instead, or confirm that it is gone for good`
    : `“${title}” has ${plural(studentWork, 'piece')} of student work; hide it instead, or confirm that it is gone for good`;

const requirers = new WeakMap<readonly Item[], ReadonlyMap<string, readonly Item[]>>();

/** The items that require each item. */
function requiredBy(shell: Pick<Shell, 'items'>): ReadonlyMap<string, readonly Item[]> {
  const known = requirers.get(shell.items);
  if (known) return known;
  const found = new Map<string, Item[]>();
  for (const item of shell.items)
    for (const ref of item.requires) {
      const others = found.get(ref);
      if (others) others.push(item);
      else found.set(ref, [item]);
    }
  requirers.set(shell.items, found);
  return found;
}

function whyFileStays(shell: Shell, path: string, going: Going, leaveBroken: boolean): string | null {
  const file = fileOfShell(shell, path);
  if (!file || leaveBroken) return null;
  const incoming = linkGraphOf(shell).incoming;
  const content = contentOfShell(shell, file.content);
  const nodes: NodeKey[] = [fileNode(file.path)];
  if (content?.kind === 'file' && content.href === file.path) nodes.push(contentNode(content.id));
  const held = nodes.some((node) => (incoming.get(node) ?? []).some(going.holds));
  const owner =
    content !== undefined &&
    content.kind !== 'file' &&
    !going.contents.has(content.id) &&
    isReachedAsOwned(shell, content, going);
  if (!held && !owner) return null;
  const users = owner ? [...nodes, contentNode(content.id)] : nodes;
  return `“${path}” is used by ${nameHolders(shell, users, going)}; lead those links elsewhere first`;
}

/** Does somebody still reach the resource that lists this file among its own? */
const isReachedAsOwned = (shell: Shell, content: Content, going: Going): boolean =>
  (linkGraphOf(shell).incoming.get(contentNode(content.id)) ?? []).some(
    (edge) => going.holds(edge) || edge.kind === 'place',
  );

function whyBankStays(shell: Shell, ref: string, going: Going): string | null {
  const bank = bankOfShell(shell, ref);
  if (!bank?.content) return null;
  const node = contentNode(bank.content);
  const isDrawnOn = (linkGraphOf(shell).incoming.get(node) ?? []).some(going.holds);
  return isDrawnOn
    ? `“${bank.title}” is drawn on by ${nameHolders(shell, [node], going)}; delete that first`
    : null;
}

function whyCategoryStays(shell: Shell, ref: string, going: Going): string | null {
  const column = shell.gradeColumns.find((c) => c.category === ref && !going.targets.has(c.ref));
  return column ? `“${refsOf(shell).titleOf(ref)}” still has grade columns; move them first` : null;
}

function whyColumnStays(shell: Shell, ref: string): string | null {
  const results = columnOfShell(shell, ref)?.results ?? 0;
  return results > 0
    ? `“${refsOf(shell).titleOf(ref)}” has ${results} results; keep it, or confirm that they are gone for good`
    : null;
}

function nameHolders(shell: Shell, nodes: readonly NodeKey[], going: Going): string {
  const incoming = linkGraphOf(shell).incoming;
  const names = new Set<string>();
  for (const node of nodes)
    for (const edge of incoming.get(node) ?? [])
      if (going.holds(edge)) names.add(titleOfNode(shell, edge.from));
  const list = [...names].map((name) => `“${name}”`);
  if (list.length > 3) return `${list.slice(0, 3).join(', ')} and ${list.length - 3} more`;
  return list.join(', ') || 'another part of the shell';
}

/** A node's name for people: its item's title, else its file's path. */
export function titleOfNode(shell: Shell, node: NodeKey): string {
  const key = node.slice(node.indexOf(':') + 1);
  if (!node.startsWith('content:')) return refsOf(shell).titleOf(key);
  const item = shell.items.find((i) => i.content === key);
  if (item) return item.title;
  const content = contentOfShell(shell, key);
  return content?.title || content?.href || key;
}
