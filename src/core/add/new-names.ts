import { FreshNames, freshPaths } from '@/core/shell/fresh-names';
import type { Item, Shell } from '@/core/shell/model';
import {
  contentId,
  itemRef,
  outsideRef,
  type ContentId,
  type FilePath,
  type ItemRef,
} from '@/core/refs/refs';
import { incomingKey } from './incoming';
import type { TakenThings } from './taken-things';

/**
 * Under which names things of an incoming package go in the shell afterwards: fresh ones for what comes along, those of
 * its counterpart for what the shell has already. What has neither is not there.
 */
export interface NewNames {
  readonly contents: ReadonlyMap<ContentId, ContentId>;
  readonly paths: ReadonlyMap<FilePath, FilePath>;
  readonly items: ReadonlyMap<ItemRef, ItemRef>;
}

export function nameThings(shell: Shell, taken: TakenThings): NewNames {
  const contents = nameContents(shell, taken);
  const paths = namePaths(shell, taken);
  for (const { from, to } of contentPairs(shell, taken)) {
    const [old, goal] = [from.href ?? from.textPath, to.href ?? to.textPath];
    if (old && goal && !paths.has(old)) paths.set(old, goal);
    if (!contents.has(from.id)) contents.set(from.id, to.id);
  }
  nameFileContents(shell, taken, contents);
  nameSecondCopies(taken, paths, contents);
  return { contents, paths, items: nameItems(shell, taken, contents) };
}

function nameContents(shell: Shell, taken: TakenThings): Map<ContentId, ContentId> {
  const names = new FreshNames([...shell.contents.map(({ id }) => id), ...shell.items.map(({ ref }) => ref)]);
  return new Map(taken.contents.map(({ id }) => [id, contentId(names.take(id))]));
}

/** Where paths lead afterwards: to a copy of their own under a free name, or to the file that the shell has. */
function namePaths(shell: Shell, taken: TakenThings): Map<FilePath, FilePath> {
  const free = freshPaths([...shell.files.map(({ path }) => path), ...shell.entries.map(({ path }) => path)]);
  const paths = new Map<FilePath, FilePath>();
  const mainPaths = new Set(replacedContents(taken).map(({ href, textPath }) => href ?? textPath));
  const comingWith = [...taken.contents, ...replacedContents(taken)].flatMap(({ files }) => files);
  for (const path of comingWith)
    if (taken.comesAlong(path) && !paths.has(path) && !mainPaths.has(path)) paths.set(path, free.take(path));
  for (const { path } of taken.incoming.files) {
    const there = taken.counterpart('file', path);
    if (!paths.has(path) && there !== null) paths.set(path, there as FilePath);
  }
  return paths;
}

type Content = Shell['contents'][number];

/** Resources that take the place of their counterparts’: their main path is that of the counterpart. */
export function replacedContents(taken: TakenThings): readonly Content[] {
  const { items, banks, files, contents } = taken.incoming;
  const ids = new Set<string | null>([
    ...items.filter(({ ref }) => taken.isReplaced('item', ref)).map(({ content }) => content),
    ...banks.filter(({ ref }) => taken.isReplaced('bank', ref)).map(({ content }) => content),
    ...files.filter(({ path }) => taken.isReplaced('file', path)).map(({ content }) => content),
  ]);
  return contents.filter(({ id }) => ids.has(id));
}

/** Resources of incoming items with those of the items that stand for them in the shell. */
function contentPairs(shell: Shell, taken: TakenThings): { readonly from: Content; readonly to: Content }[] {
  const theirs = new Map(taken.incoming.contents.map((content) => [content.id, content]));
  const ours = new Map(shell.contents.map((content) => [content.id, content]));
  const ourItems = new Map<string, Item>(shell.items.map((item) => [item.ref, item]));
  return taken.incoming.items.flatMap((item) => {
    const counterpart = ourItems.get(taken.counterpart('item', item.ref) ?? '');
    const from = theirs.get(item.content ?? contentId(''));
    const to = ours.get(counterpart?.content ?? contentId(''));
    return from && to ? [{ from, to }] : [];
  });
}

/** A second copy that does not come along goes under the names of the first. */
function nameSecondCopies(
  taken: TakenThings,
  paths: Map<FilePath, FilePath>,
  contents: Map<ContentId, ContentId>,
): void {
  const { items, files } = taken.incoming;
  const contentOf = new Map<string, ContentId | null>([
    ...items.map((item) => [incomingKey('item', item.ref), item.content] as const),
    ...files.map((file) => [incomingKey('file', file.path), file.content] as const),
  ]);
  const resources = new Map(taken.incoming.contents.map((content) => [content.id as string | null, content]));
  for (const { key, firstCopy, type, ref } of taken.things.values()) {
    if (firstCopy === undefined || taken.has(type, ref)) continue;
    const [first, second] = [contentOf.get(firstCopy) ?? null, contentOf.get(key) ?? null];
    const [from, to] = [resources.get(second), resources.get(first)];
    const [old, goal] = [from?.href ?? from?.textPath, to?.href ?? to?.textPath];
    const path = goal ? paths.get(goal) : undefined;
    if (old && path !== undefined && !paths.has(old)) paths.set(old, path);
    const content = first === null ? undefined : contents.get(first);
    if (second !== null && content !== undefined && !contents.has(second)) contents.set(second, content);
  }
}

/** Resources of incoming files that the shell has already. */
function nameFileContents(shell: Shell, taken: TakenThings, contents: Map<ContentId, ContentId>): void {
  const ours = new Map<string, ContentId>(shell.files.map((file) => [file.path, file.content]));
  for (const { path, content } of taken.incoming.files) {
    const there = ours.get(taken.counterpart('file', path) ?? '');
    if (there !== undefined && !contents.has(content)) contents.set(content, there);
  }
}

/** What stands outside the outline is named by its resource. */
function nameItems(
  shell: Shell,
  taken: TakenThings,
  contents: ReadonlyMap<ContentId, ContentId>,
): Map<ItemRef, ItemRef> {
  const names = new FreshNames([...shell.items.map(({ ref }) => ref), ...shell.banks.map(({ ref }) => ref)]);
  const nameOf = (item: Item): ItemRef =>
    item.placed || !item.content
      ? itemRef(names.take(item.ref))
      : outsideRef(contents.get(item.content) ?? item.content);
  return new Map(taken.items.map((item) => [item.ref, nameOf(item)]));
}
