import { collect } from '@/core/collect';
import {
  contentNode,
  fileNode,
  filesByContent,
  linkGraphOf,
  type Edge,
  type NodeKey,
} from '@/core/links/graph';
import type { Content, Item, Shell, ShellFile } from '@/core/shell/model';
import { activitiesByColumn } from '@/core/shell/grade-links';
import { outlineOf } from '@/core/shell/outline';
import { outsideRef, type ContentId, type FilePath, type ItemRef } from '@/core/shell/refs';
import { applyEdits, removal, replacements, type Edit } from '../edits';
import { indexRefs, type RefIndex } from '../lookup';

export interface DeleteResult {
  readonly edits: readonly Edit[];
  /** Targets that a guard holds back, with the reason and the way out. */
  readonly blocked: ReadonlyMap<string, string>;
  /** Targets that the shell does not have. */
  readonly missing: ReadonlySet<string>;
}

/**
 * Deletes things of every kind at once. Guards look at the whole set: a file that only goes together with its page is
 * free, a page that stays because a guard holds it keeps what it links to. A target whose place goes while others still
 * link to its content leaves that content outside the outline; nothing that is still linked goes.
 */
export function deleteThings(
  shell: Shell,
  targets: readonly string[],
  leaveBroken: ReadonlySet<string> = new Set(),
  instead: ReadonlyMap<string, string> = new Map(),
): DeleteResult {
  const refs = indexRefs(shell);
  const missing = new Set(targets.filter((ref) => refs.typeOf(ref) === null));
  const asked = [...new Set(targets)].filter((ref) => !missing.has(ref));
  const blocked = new Map<string, string>();
  // Of two equal things one stays: where each is to go because of the other, neither does.
  const all = new Set(asked);
  for (const ref of asked) {
    const stays = lastInstead(ref, instead, all);
    if (stays !== null && all.has(stays))
      blocked.set(
        ref,
        `“${refs.titleOf(instead.get(ref)!)}”, which should stay in its place, is to be deleted, too; take one of the two out of the plan`,
      );
  }
  let going = weigh(shell, refs, new Set(asked.filter((ref) => !blocked.has(ref))));
  for (;;) {
    const before = blocked.size;
    for (const ref of asked) {
      if (blocked.has(ref)) continue;
      const reason = guard(shell, refs, ref, going, leaveBroken.has(ref));
      if (reason) blocked.set(ref, reason);
    }
    if (blocked.size === before) break;
    going = weigh(shell, refs, new Set(asked.filter((ref) => !blocked.has(ref))));
  }
  return { edits: editsFor(shell, refs, going), blocked, missing };
}

/** What stands for a thing in the end, from one deletion's counterpart to the next; null where nothing should. */
export function lastInstead(
  ref: string,
  instead: ReadonlyMap<string, string>,
  going: ReadonlySet<string>,
): string | null {
  let at = instead.get(ref) ?? null;
  const seen = new Set([ref]);
  while (at !== null && going.has(at) && !seen.has(at)) {
    seen.add(at);
    const next: string | undefined = instead.get(at);
    if (next === undefined) return at;
    at = next;
  }
  return at;
}

/** What really goes when these targets go. */
interface Going {
  readonly targets: ReadonlySet<string>;
  readonly items: ReadonlySet<ItemRef>;
  readonly contents: ReadonlySet<ContentId>;
  readonly files: ReadonlySet<FilePath>;
  /** An edge that is still there afterwards and comes from something that stays. */
  holds(edge: Edge): boolean;
}

function weigh(shell: Shell, refs: RefIndex, targets: ReadonlySet<string>): Going {
  const graph = linkGraphOf(shell);
  const owned = filesByContent(shell);
  const items = new Set(shell.items.filter((i) => targets.has(i.ref)).map((i) => i.ref));
  const named = new Set(
    shell.files.filter((f) => targets.has(f.path) && refs.typeOf(f.path) === 'file').map((f) => f.path),
  );
  const banks = new Set(shell.banks.filter((b) => targets.has(b.ref)).map((b) => b.content));
  const places = new Map<ContentId, number>();
  for (const item of shell.items)
    if (item.content && !items.has(item.ref)) places.set(item.content, (places.get(item.content) ?? 0) + 1);
  const contents = new Set<ContentId>();
  for (const item of shell.items)
    if (items.has(item.ref) && item.content && !places.has(item.content)) contents.add(item.content);
  for (const bank of banks) if (bank) contents.add(bank);
  for (const content of shell.contents)
    if (
      content.kind === 'file' &&
      !places.has(content.id) &&
      content.files.length > 0 &&
      content.files.every((p) => named.has(p))
    )
      contents.add(content.id);
  const files = new Set<FilePath>(named);
  const goes = (node: NodeKey): boolean => {
    if (node.startsWith('item:')) return items.has(node.slice(5) as ItemRef);
    if (node.startsWith('content:')) return contents.has(node.slice(8) as ContentId);
    return node.startsWith('file:') && files.has(node.slice(5) as FilePath);
  };
  const holds = (edge: Edge) => edge.kind !== 'owns' && !goes(edge.from);
  const held = (node: NodeKey) => (graph.incoming.get(node) ?? []).some(holds);
  for (const id of contents) for (const file of owned.get(id) ?? []) files.add(file.path);
  for (let settled = false; !settled;) {
    settled = true;
    for (const id of contents) {
      const main = shellContent(shell, id);
      const keep =
        held(contentNode(id)) || (main?.href && held(fileNode(main.href)) && !named.has(main.href));
      if (!keep) continue;
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

const contentIndexes = new WeakMap<readonly Content[], Map<ContentId, Content>>();
function shellContent(shell: Shell, id: ContentId): Content | undefined {
  let index = contentIndexes.get(shell.contents);
  if (!index) contentIndexes.set(shell.contents, (index = new Map(shell.contents.map((c) => [c.id, c]))));
  return index.get(id);
}

/** The reason why a target must stay, or null. Each says what to do instead. */
function guard(shell: Shell, refs: RefIndex, ref: string, going: Going, leaveBroken: boolean): string | null {
  const graph = linkGraphOf(shell);
  const title = refs.titleOf(ref);
  switch (refs.typeOf(ref)) {
    case 'item':
    case 'homePage': {
      const outline = outlineOf(shell);
      const item = outline.byRef.get(ref as ItemRef)!;
      if (shell.homePages.some((h) => h.ref === ref && h.inUse === true))
        return `“${title}” is the home page in use; set another one first`;
      if ((item.studentWork ?? 0) > 0)
        return `“${title}” has ${item.studentWork} pieces of student work; hide it instead`;
      const stays = outline.children(item.ref).find((child) => !going.items.has(child.ref));
      if (stays) return `“${title}” still holds “${stays.title}”; delete that too, or move it out first`;
      if (item.placed || leaveBroken || !item.content || going.contents.has(item.content)) return null;
      return `“${title}” is linked from ${nameHolders(shell, refs, nodesOf(shell, item), going)}; lead those links elsewhere first`;
    }
    case 'file': {
      const file = shell.files.find((f) => f.path === ref)!;
      const content = shellContent(shell, file.content);
      const nodes: NodeKey[] = [fileNode(file.path)];
      if (content?.kind === 'file' && content.href === file.path) nodes.push(contentNode(content.id));
      const held = nodes.some((node) => (graph.incoming.get(node) ?? []).some(going.holds));
      const owner =
        content &&
        content.kind !== 'file' &&
        !going.contents.has(content.id) &&
        reachedAsOwned(shell, content, going);
      if (leaveBroken || !(held || owner)) return null;
      return `“${title}” is used by ${nameHolders(shell, refs, owner ? [...nodes, contentNode(content.id)] : nodes, going)}; lead those links elsewhere first`;
    }
    case 'bank': {
      const bank = shell.banks.find((b) => b.ref === ref)!;
      const drawn = bank.content && (graph.incoming.get(contentNode(bank.content)) ?? []).some(going.holds);
      return drawn
        ? `“${title}” is drawn on by ${nameHolders(shell, refs, [contentNode(bank.content!)], going)}; delete that first`
        : null;
    }
    case 'gradeCategory':
      return shell.gradeColumns.some((c) => c.category === ref && !going.targets.has(c.ref))
        ? `“${title}” still has grade columns; move them first`
        : null;
    case 'gradeColumn': {
      const column = shell.gradeColumns.find((c) => c.ref === ref);
      return (column?.results ?? 0) > 0
        ? `“${title}” has ${column?.results} results; it can’t be deleted`
        : null;
    }
    case 'event':
    case 'group':
    case null:
      return null;
  }
}

/** Does somebody still reach the resource that lists this file among its own? */
function reachedAsOwned(shell: Shell, content: Content, going: Going): boolean {
  return (linkGraphOf(shell).incoming.get(contentNode(content.id)) ?? []).some(
    (e) => going.holds(e) || e.kind === 'place',
  );
}

const nodesOf = (shell: Shell, item: Item): NodeKey[] =>
  item.content
    ? [
        contentNode(item.content),
        ...(filesByContent(shell).get(item.content) ?? []).map((f) => fileNode(f.path)),
      ]
    : [];

function nameHolders(shell: Shell, refs: RefIndex, nodes: readonly NodeKey[], going: Going): string {
  const graph = linkGraphOf(shell);
  const names = new Set<string>();
  for (const node of nodes)
    for (const edge of graph.incoming.get(node) ?? [])
      if (going.holds(edge)) names.add(nodeTitle(shell, refs, edge.from));
  const list = [...names].map((n) => `“${n}”`);
  return list.length > 3
    ? `${list.slice(0, 3).join(', ')} and ${list.length - 3} more`
    : list.join(', ') || 'another part of the shell';
}

/** A node's name for people: its item's title, else its file's path. */
export function nodeTitle(shell: Shell, refs: RefIndex, node: NodeKey): string {
  const key = node.slice(node.indexOf(':') + 1);
  if (node.startsWith('content:')) {
    const item = shell.items.find((i) => i.content === key);
    const content = shellContent(shell, key as ContentId);
    return item?.title ?? (content?.title || content?.href || key);
  }
  return refs.titleOf(key);
}

function editsFor(shell: Shell, refs: RefIndex, going: Going): Edit[] {
  const edits: Edit[] = [];
  let now = shell;
  const take = (more: readonly (Edit | null)[]) => {
    const real = more.filter((e) => e !== null);
    edits.push(...real);
    now = applyEdits(now, real);
  };
  const goingEvents = new Set(
    shell.events
      .filter((e) => going.targets.has(e.ref) && refs.typeOf(e.ref) === 'event' && e.recurrenceId === null)
      .map((e) => e.uid),
  );
  const left = leftOutside(shell, going);
  const activities = activitiesByColumn(shell);
  take([
    removal(now, 'items', (i) => going.items.has(i.ref)),
    removal(now, 'homePages', (h) => going.targets.has(h.ref)),
    removal(now, 'banks', (b) => going.targets.has(b.ref)),
    removal(now, 'groups', (g) => going.targets.has(g.ref)),
    removal(now, 'gradeCategories', (c) => going.targets.has(c.ref)),
    removal(
      now,
      'gradeColumns',
      (c) => going.targets.has(c.ref) || losesItsActivities(activities.get(c.ref) ?? [], c.results, going),
    ),
    removal(
      now,
      'events',
      (e) =>
        (going.targets.has(e.ref) && refs.typeOf(e.ref) === 'event') ||
        (e.recurrenceId !== null && goingEvents.has(e.uid)),
    ),
    removal(now, 'files', (f) => going.files.has(f.path)),
  ]);
  if (left.length)
    take([{ op: 'insert', list: 'items', at: left.map((_, k) => now.items.length + k), things: left }]);
  const listedElsewhere = new Set(
    shell.contents.filter((c) => !going.contents.has(c.id)).flatMap((c) => c.files),
  );
  const goneEntries = new Set(
    shell.contents
      .filter((c) => going.contents.has(c.id))
      .flatMap((c) => c.files)
      .filter((path) => !listedElsewhere.has(path)),
  );
  const survivors = new Map<ContentId, ShellFile[]>();
  for (const file of now.files) if (going.contents.has(file.content)) collect(survivors, file.content, file);
  take([removal(now, 'entries', (e) => goneEntries.has(e.path))]);
  take([removal(now, 'contents', (c) => going.contents.has(c.id) && !survivors.has(c.id))]);
  take(replacements(now, 'contents', (content) => trim(content, going, survivors.get(content.id))));
  return edits;
}

/** A content that lost files or dependencies; one that itself went, but owns files that others use, lives on as those files. */
function trim(content: Content, going: Going, survivors: readonly ShellFile[] | undefined): Content {
  if (survivors) {
    const files = survivors.map((f) => f.path);
    return {
      ...content,
      kind: 'file',
      href: files[0] ?? null,
      files,
      texts: [],
      textPath: null,
      dependencies: [],
      title: '',
    };
  }
  const files = content.files.filter((path) => !going.files.has(path));
  const dependencies = content.dependencies.filter((id) => !going.contents.has(id));
  if (files.length === content.files.length && dependencies.length === content.dependencies.length)
    return content;
  const href = content.href !== null && going.files.has(content.href) ? (files[0] ?? null) : content.href;
  return { ...content, files, dependencies, href };
}

/** Pages and activities whose place goes while their content stays: they stand outside the outline from now on. */
function leftOutside(shell: Shell, going: Going): Item[] {
  const known = new Set(shell.items.filter((i) => !going.items.has(i.ref)).map((i) => i.ref));
  const stillPlaced = new Set(shell.items.filter((i) => !going.items.has(i.ref)).map((i) => i.content));
  const left: Item[] = [];
  for (const item of shell.items) {
    if (!going.items.has(item.ref) || !item.content || item.kind === 'file') continue;
    if (going.contents.has(item.content) || stillPlaced.has(item.content)) continue;
    const ref = outsideRef(item.content);
    if (known.has(ref) || left.some((l) => l.ref === ref)) continue;
    left.push({ ...item, ref, placed: false, parent: null, extraXml: [] });
  }
  return left;
}

/** A grade column goes with its activities only when it is known to have no results. */
const losesItsActivities = (activities: readonly Item[], results: number | null, going: Going): boolean =>
  results === 0 && activities.length > 0 && activities.every((i) => going.items.has(i.ref));
