import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { slowOn, type Pattern } from './slow-patterns';

// Every pattern of the product against texts that grow: a stranger’s text may repeat anything as often as it likes, so no
// pattern may take time by the square of its length. Patterns over input that backtrack are known as a way to stop a
// server (CWE-1333, Inefficient Regular Expression Complexity).
/** The files that put a pattern together at run time, once for each. */
const built: string[] = [];

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
    if (ts.isNewExpression(node) && node.expression.getText() === 'RegExp') built.push(path);
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

const written = patternsIn('src');

test('no pattern takes time by the square of what it is given', () => {
  expect(written.length).toBeGreaterThan(300);
  expect(written.map(slowOn).filter((slow) => slow !== null)).toEqual([]);
});

/** Has each pattern put together that is built at run time, with what the product gives it. */
const builders: Readonly<Record<string, () => Promise<unknown>>> = {
  'src/core/text/phrases.ts': async () => {
    const { phraseFinder } = await import('@/core/text/phrases');
    return phraseFinder(['last term', 'to be   announced', 'x'])?.('');
  },
  'src/core/text/named-dates.ts': async () => {
    const { namedDates } = await import('@/core/text/named-dates');
    const { english } = await import('@/core/text/english');
    return namedDates('', english);
  },
  'src/core/text/number-label.ts': () => import('@/core/text/number-label'),
  'src/core/text/named-terms.ts': async () => {
    const { namedTerms } = await import('@/core/text/named-terms');
    const { english } = await import('@/core/text/english');
    return namedTerms('', english);
  },
  'src/core/text/answer-name.ts': async () => {
    const { namesAnswers } = await import('@/core/text/answer-name');
    return namesAnswers('Gauge');
  },
  'src/core/text/whole-words.ts': async () => {
    const { wholeWords } = await import('@/core/text/whole-words');
    return wholeWords(['catch-all', 'default']);
  },
  'src/formats/cartridge/body-spans.ts': async () => {
    const { bodySpans } = await import('@/formats/cartridge/body-spans');
    return bodySpans('<topic><attachment href="a.pdf"/></topic>', 'discussion');
  },
};

test('nor does one that is put together at run time', async () => {
  const usual = globalThis.RegExp;
  const patterns: Pattern[] = [];
  for (const [place, build] of Object.entries(builders)) {
    globalThis.RegExp = new Proxy(usual, {
      construct(target, [source, flags]: [string, string?]) {
        const pattern = new target(source, flags);
        // Libraries put patterns together, too: the line behind this one says who asks.
        if (new Error().stack?.split('\n')[2]?.includes(place) === true)
          patterns.push({ place: `${place} /${source.slice(0, 80)}/`, pattern });
        return pattern;
      },
    });
    jest.resetModules();
    await build();
    globalThis.RegExp = usual;
  }
  const places = patterns.map(({ place }) => place.split(' ')[0]);
  for (const file of new Set(built)) {
    const inSource = built.filter((place) => place === file).length;
    expect([file, places.filter((place) => place === file).length]).toEqual([file, inSource]);
  }
  expect(patterns.map(slowOn).filter((slow) => slow !== null)).toEqual([]);
});
