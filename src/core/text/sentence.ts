import { english } from './english';
import { cellGap } from './scan-html';

/** The sentence that a place in a text stands in, with its offsets. Blocks begin a new line, so a line break ends one, too; the cells of a table's row are one sentence. */
export function sentenceAround(
  text: string,
  start: number,
  end: number,
): { readonly start: number; readonly end: number; readonly text: string } {
  let from = start;
  while (from > 0 && start - from < 600) {
    if (isEnd(text, from - 1)) break;
    from -= 1;
  }
  let to = end;
  while (to < text.length && to - end < 600) {
    if (isEnd(text, to)) break;
    to += 1;
  }
  return { start: from, end: to, text: text.slice(from, to) };
}

/** Does a sentence end at this place? Between cells of a row it goes on. */
function isEnd(text: string, at: number): boolean {
  const char = text[at] ?? '';
  if (char === '\n') return !isCellGap(text, at);
  return isSpace(char) && endsSentence(text, at) && !isCellGap(text, at);
}

/** Does this white space hold the gap between two cells? */
function isCellGap(text: string, at: number): boolean {
  let from = at;
  while (from > 0 && /\s/.test(text[from - 1] ?? '')) from -= 1;
  const gap = /^\s+/.exec(text.slice(from, from + 200))?.[0] ?? '';
  return gap.includes(cellGap);
}

const isSpace = (char: string) => char === ' ' || char === '\u00a0' || char === '\t' || char === '\r';
const closing = new Set('.!?"\'”’)]');

/** Does a sentence end before the white space at this place? */
function endsSentence(text: string, space: number): boolean {
  // Asked at every space, and nearly always answered by the character before it.
  if (!closing.has(text[space - 1] ?? '')) return false;
  const before = text.slice(Math.max(0, space - 12), space);
  if (!/[.!?]["'”’)\]]*$/.test(before)) return false;
  if (!/^\s+["'“‘(\[]*[\p{Lu}\d]/u.test(text.slice(space, space + 6))) return false;
  return !english.shortForm.test(before);
}
