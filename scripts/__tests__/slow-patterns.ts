/** A pattern of the product and where it stands. */
export interface Pattern {
  readonly place: string;
  readonly pattern: RegExp;
}

/** What a text may repeat: signs that patterns begin, end and go on with, and the words of the pattern itself. */
const signs = [
  ' ',
  '\n',
  '\t',
  'a',
  'A',
  '1',
  '-',
  '–',
  '_',
  '.',
  ',',
  ':',
  ';',
  '/',
  '?',
  '#',
  '(',
  ')',
  '[',
  '<',
  '"',
  '=',
  '&',
  '\\',
];
const pairs = [
  'a ',
  '1 ',
  ' -',
  '- a',
  '(1',
  'a1',
  'a.',
  '/*',
  '<a',
  '< ',
  '="',
  'url(',
  '[a',
  ' (',
  'A. ',
  '12-',
  '\n/',
  '?\n',
  'a\n',
];
const wordsOf = ({ pattern }: Pattern): string[] =>
  [...new Set(pattern.source.match(/[A-Za-z]{3,}/g) ?? [])]
    .slice(0, 8)
    .flatMap((word) => [word, `${word} `, `<${word} `]);

const length = 64_000;
/** A pattern that reads a text once takes a millisecond for this length, one that reads it by the square several seconds. */
const longest = 1_500;

function timeOf(pattern: RegExp, text: string): number {
  const begun = performance.now();
  pattern.lastIndex = 0;
  if (pattern.global) text.replace(pattern, '');
  else pattern.exec(text);
  return performance.now() - begun;
}

/** The best of three, since the machine itself may stand still for a moment, and a busy one is slow throughout. */
const best = (pattern: RegExp, text: string): number =>
  Math.min(...[1, 2, 3].map(() => timeOf(pattern, text)));

/**
 * Does a pattern take time by the square? Four times the text takes a linear one four times as long, by the square
 * sixteen times. Only what takes long at all is measured so; the shortest first, since the longest might never end.
 */
function isSlow(pattern: RegExp, text: string): boolean {
  const cut = (most: number) => `${text.slice(0, most)}\u0000`;
  if (timeOf(pattern, cut(length / 16)) > longest && best(pattern, cut(length / 16)) > longest) return true;
  if (timeOf(pattern, text) < longest / 4) return false;
  const [quarter, whole] = [best(pattern, cut(length / 4)), best(pattern, text)];
  return whole > longest / 2 && whole > 8 * quarter;
}

/** What makes a pattern slow; null where nothing does that is tried. */
export function slowOn(one: Pattern): string | null {
  const begin = wordsOf(one)[0] ?? '';
  for (const pump of [...signs, ...pairs, ...wordsOf(one)]) {
    const grown = pump.repeat(Math.ceil(length / pump.length));
    const texts = [`${begin}:${grown}\u0000`, `x ${grown}\u0000`];
    if (texts.some((text) => isSlow(one.pattern, text)))
      return `${one.place} on ${JSON.stringify(pump)} repeated`;
  }
  return null;
}
