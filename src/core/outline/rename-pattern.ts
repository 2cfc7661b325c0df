import { entryOf, putEntry } from '@/core/entries';
import { numberLabel } from '@/core/text/number-label';
import { noGesture, outermost, type Gesture, type OutlineShell } from './gesture';

/**
 * Titles by a pattern: `{title}` is the title as it is, `{rest}` what stands behind its number, `{number}` its number,
 * `{n}` its place among the chosen ones. Anything else stands for itself. An item whose title would come out empty keeps
 * the one it has.
 */
export function renameByPattern(shell: OutlineShell, refs: ReadonlySet<string>, pattern: string): Gesture {
  const titles: Record<string, string> = {};
  outermost(shell, refs).forEach((item, k) => {
    const title = titleBy(pattern, item.title, k + 1);
    if (title !== '' && title !== item.title) putEntry(titles, item.ref, title);
  });
  const targets = Object.keys(titles);
  return targets.length === 0 ? noGesture : [{ action: 'rename', targets, params: { titles } }];
}

export function titleBy(pattern: string, title: string, n: number): string {
  const label = numberLabel(title);
  const rest = label === null ? title : title.slice(label.end).replace(/^[\s:.–—-]+/, '');
  const values: Readonly<Record<string, string>> = {
    title,
    rest,
    number: label?.numbers.join('.') ?? '',
    n: String(n),
  };
  return pattern
    .replace(/\{(title|rest|number|n)\}/g, (_, name: string) => entryOf(values, name) ?? '')
    .replace(/\s{2,}/g, ' ')
    .trim();
}

/** Replaces words in titles, wherever they stand. */
export function replaceInTitles(
  shell: OutlineShell,
  refs: ReadonlySet<string>,
  find: string,
  by: string,
): Gesture {
  if (find === '') return noGesture;
  const titles: Record<string, string> = {};
  for (const item of shell.items) {
    const title = refs.has(item.ref) ? item.title.split(find).join(by).trim() : item.title;
    if (title !== '' && title !== item.title) putEntry(titles, item.ref, title);
  }
  const targets = Object.keys(titles);
  return targets.length === 0 ? noGesture : [{ action: 'rename', targets, params: { titles } }];
}
