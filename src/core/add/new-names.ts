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
  for (const path of taken.contents.flatMap(({ files }) => files))
    if (taken.comesAlong(path) && !paths.has(path)) paths.set(path, free.take(path));
  for (const { path } of taken.incoming.files) {
    const there = taken.counterpart('file', path);
    if (!paths.has(path) && there !== null) paths.set(path, there as FilePath);
  }
  return paths;
}

type Content = Shell['contents'][number];

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
