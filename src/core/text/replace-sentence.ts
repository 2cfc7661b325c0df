import { escapeText } from './escape-markup';
import { append } from '@/core/collect';
import { decodeHTML } from 'entities/decode';
import { applyCuts, type Cut } from './take-out-addresses';
import { tokenizeHtml } from './tokenize-html';

/** One character that a reader sees, and the stretch of the source that spells it. */
interface SeenChar {
  readonly char: string;
  readonly start: number;
  readonly end: number;
}

const silentTags = new Set(['script', 'style', 'title', 'template', 'noscript']);
const inlineTags = new Set(
  'a abbr b bdi bdo cite code data dfn em i kbd mark q s samp small span strong sub sup time u var wbr'.split(
    ' ',
  ),
);

/** The characters of a text in order, white space as it stands; a block's edge is a line break. */
function seenChars(html: string): SeenChar[] {
  const chars: SeenChar[] = [];
  let silent: string | null = null;
  let tag = '';
  const edge = (name: string, at: number) => {
    if (!inlineTags.has(name)) chars.push({ char: '\n', start: at, end: at });
  };
  tokenizeHtml(html, {
    onopentagname(start, end) {
      tag = html.slice(start, end).toLowerCase();
      edge(tag, start - 1);
    },
    onopentagend() {
      if (silent === null && silentTags.has(tag)) silent = tag;
    },
    onclosetag(start, end) {
      const name = html.slice(start, end).toLowerCase();
      if (silent === name) silent = null;
      edge(name, end);
    },
    ontext(start, end) {
      if (silent === null) append(chars, charsOf(html, start, end));
    },
  });
  return chars;
}

function* charsOf(html: string, start: number, end: number): Generator<SeenChar> {
  const reference = /&(?:#\d+|#x[0-9a-f]+|[a-z][a-z0-9]*);?/giy;
  for (let at = start; at < end;) {
    reference.lastIndex = at;
    const match = html[at] === '&' ? reference.exec(html) : null;
    const length = match ? match[0].length : 1;
    const text = match ? decodeHTML(match[0]) : (html[at] ?? '');
    for (const char of text) yield { char, start: at, end: at + length };
    at += length;
  }
}

const isBlank = (char: string): boolean => /\s/.test(char);

/** The stretches of the source where the words stand, white space of any kind between them counting as one space. */
function findWords(
  html: string,
  words: string,
): { readonly first: number; readonly last: number; readonly chars: SeenChar[] }[] {
  const wanted = words.trim().replace(/\s+/g, ' ');
  if (wanted === '') return [];
  const chars = seenChars(html);
  const folded: { char: string; at: number }[] = [];
  chars.forEach(({ char }, at) => {
    if (!isBlank(char)) folded.push({ char, at });
    else if (char === '\n' && chars[at]?.start === chars[at]?.end) folded.push({ char: '\n', at });
    else if (folded.length && folded.at(-1)?.char !== ' ') folded.push({ char: ' ', at });
  });
  const text = folded.map(({ char }) => char).join('');
  const places = folded.flatMap(({ char, at }) => Array.from({ length: char.length }, () => at));
  const stretches = [];
  for (let from = text.indexOf(wanted); from >= 0; from = text.indexOf(wanted, from + wanted.length)) {
    const first = places[from];
    const last = places[from + wanted.length - 1];
    if (first !== undefined && last !== undefined) stretches.push({ first, last, chars });
  }
  return stretches;
}

/** How often a sentence stands in a text, markup aside. */
export const countSentence = (html: string, sentence: string): number => findWords(html, sentence).length;

/** The text with a sentence replaced wherever it stands; the markup in and around it stays. */
export function replaceSentence(html: string, sentence: string, by: string): string {
  const cuts = findWords(html, sentence).flatMap(({ first, last, chars }): Cut[] => {
    const spans: { start: number; end: number }[] = [];
    for (const { start, end } of chars.slice(first, last + 1)) {
      const span = spans.at(-1);
      if (span && start <= span.end) span.end = Math.max(span.end, end);
      else spans.push({ start, end });
    }
    return spans.map((span, k) => ({ ...span, by: k === 0 ? escapeText(by) : '' }));
  });
  return applyCuts(html, cuts);
}
