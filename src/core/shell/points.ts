import type { Content, Item, Shell } from './model';

const indexes = new WeakMap<readonly Content[], ReadonlyMap<string, number | null>>();

/** The points that an item gives: its own, else those of its content (a quiz: the sum of its questions); null where nobody told. */
export function pointsOf(shell: Pick<Shell, 'contents'>, item: Item): number | null {
  if (item.points !== null || item.content === null) return item.points;
  let index = indexes.get(shell.contents);
  if (!index) indexes.set(shell.contents, (index = new Map(shell.contents.map((c) => [c.id, c.points]))));
  return index.get(item.content) ?? null;
}
