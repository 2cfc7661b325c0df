import { english } from './english';

/** The sentence that a place in a text stands in, with its offsets. Blocks begin a new line, so a line break ends one, too. */
export function sentenceAround(
  text: string,
  start: number,
  end: number,
): { readonly start: number; readonly end: number; readonly text: string } {
  let from = start;
  while (from > 0 && start - from < 600) {
    const before = text[from - 1]!;
    if (before === '\n') break;
    if (isSpace(before) && endsSentence(text, from - 1)) break;
    from -= 1;
  }
  let to = end;
  while (to < text.length && to - end < 600) {
    const at = text[to]!;
    if (at === '\n') break;
    if (isSpace(at) && endsSentence(text, to)) break;
    to += 1;
  }
  return { start: from, end: to, text: text.slice(from, to) };
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
