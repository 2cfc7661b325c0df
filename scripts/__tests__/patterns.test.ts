import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

// Every pattern of the product against texts that grow: a stranger’s text may repeat anything as often as it likes, so no
// pattern may take time by the square of its length. Patterns over input that backtrack are known as a way to stop a
// server (CWE-1333, Inefficient Regular Expression Complexity).
interface Pattern {
  readonly place: string;
  readonly pattern: RegExp;
}

function patternsIn(folder: string): Pattern[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return patternsIn(path);
    return /(?<!\.test)\.tsx?$/.test(entry.name) && !path.includes('__tests__') ? patternsOf(path) : [];
  });
}

function patternsOf(path: string): Pattern[] {
  const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: Pattern[] = [];
  const visit = (node: ts.Node) => {
    if (ts.isRegularExpressionLiteral(node)) {
      const [, source = '', flags = ''] = /^\/([\s\S]*)\/([a-z]*)$/.exec(node.text) ?? [];
      const line = file.getLineAndCharacterOfPosition(node.getStart()).line + 1;
      found.push({ place: `${path}:${line} /${source.slice(0, 80)}/`, pattern: new RegExp(source, flags) });
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
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

test('no pattern takes time by the square of what it is given', () => {
  const slow: string[] = [];
  const patterns = patternsIn('src');
  expect(patterns.length).toBeGreaterThan(300);
  for (const one of patterns) {
    for (const pump of [...signs, ...pairs, ...wordsOf(one)]) {
      const grown = pump.repeat(Math.ceil(length / pump.length));
      const begin = wordsOf(one)[0] ?? '';
      for (const text of [`${begin}:${grown}\u0000`, `x ${grown}\u0000`]) {
        if (isSlow(one.pattern, text)) {
          slow.push(`${one.place} on ${JSON.stringify(pump)} repeated`);
          break;
        }
      }
      if (slow.at(-1)?.startsWith(one.place)) break;
    }
  }
  expect(slow).toEqual([]);
});
