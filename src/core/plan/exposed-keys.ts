import { contentOfShell } from '@/core/shell/find-things';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { namesAnswers } from '@/core/text/answer-name';
import { nameWords } from '@/core/text/name-words';

/** Asks of a name whether it says that it holds answers; titles are asked again and again, so each is read once. */
export type KeyNames = (name: string) => boolean;

export function keyNames(keyMarks: readonly string[]): KeyNames {
  const known = new Map<string, boolean>();
  return (name) => {
    let holds = known.get(name);
    if (holds === undefined) known.set(name, (holds = namesAnswers(name, keyMarks)));
    return holds;
  };
}

/** Does an item’s title, or the name of the file that it shows, say that it holds answers? */
function isKey(shell: Shell, item: Item, names: KeyNames): boolean {
  if (names(item.title)) return true;
  const content = item.kind === 'file' ? contentOfShell(shell, item.content) : undefined;
  const href = content?.href ?? null;
  return href !== null && names(nameWords(href));
}

const isSeen = (shell: Shell, item: Item): boolean => item.placed && outlineOf(shell).isShown(item);

/**
 * Items with answers that students would see after a change and did not see before, each with the refs of itself and
 * all that it stands in.
 */
export function newlyExposed(
  before: Shell,
  after: Shell,
  names: KeyNames,
): { item: Item; around: Set<string> }[] {
  if (before.items === after.items) return [];
  const [was, now] = [outlineOf(before), outlineOf(after)];
  return after.items.flatMap((item) => {
    if (!isKey(after, item, names) || !isSeen(after, item)) return [];
    const old = was.byRef.get(item.ref);
    if (old && isSeen(before, old) && isKey(before, old, names)) return [];
    const around = [...now.ancestors(item), ...(old ? was.ancestors(old) : [])].map((a) => a.ref as string);
    return [{ item, around: new Set([item.ref, ...around]) }];
  });
}
