import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { allChecks } from '@/core/checks/run/registry';
import { append } from '@/core/collect';
import { readSo } from '@/core/checks/__tests__/read-so';

const root = 'src/core/checks';

/** The names of the cases beside a check: those in which it must fire, and those in which it must not. */
interface CaseNames {
  readonly fires: readonly string[];
  readonly silent: readonly string[];
}

/** Reads the names out of a case table; tables of texts are named by the function that makes cases of them. */
function caseNamesIn(path: string): CaseNames {
  const names: Record<'fires' | 'silent', string[]> = { fires: [], silent: [] };
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const visit = (node: ts.Node, side: 'fires' | 'silent' | null): void => {
    if (ts.isPropertyAssignment(node) && ts.isIdentifier(node.name)) {
      const { text } = node.name;
      if (text === 'fires' || text === 'silent') return visit(node.initializer, text);
      if (text === 'name' && side !== null) names[side].push(literal(node.initializer));
    }
    const made = ts.isCallExpression(node) ? node.expression.getText() : '';
    const isTable = /^(?:text|title)(?:Fires|Silent)$/.test(made);
    const first = ts.isCallExpression(node) ? node.arguments[0] : undefined;
    if (isTable && first && ts.isArrayLiteralExpression(first)) {
      const texts = first.elements.map(literal);
      append(
        names[made.endsWith('Fires') ? 'fires' : 'silent'],
        texts.map((text) => `“${text}”`),
      );
    }
    ts.forEachChild(node, (child) => visit(child, side));
  };
  visit(source, null);
  return names;
}

const literal = (node: ts.Node): string =>
  ts.isStringLiteralLike(node) ? node.text : node.getText().replace(/^`|`$/g, '');

const cell = (names: readonly string[]): string =>
  names.map((name) => name.replace(/\|/g, '\\|').replace(/\s+/g, ' ').replace(/</g, '&lt;')).join('; ');

/** Every check with its cases, and every sentence of how inputs are read with its own: two tables, line by line. */
export function caseTables(): string[] {
  const byCheck = allChecks.map(({ id }) => {
    const [family = '', name = ''] = id.split('.');
    const file = readdirSync(join(root, family)).find((entry) => entry === `${name}.test.ts`);
    const { fires, silent } = caseNamesIn(join(root, family, file ?? ''));
    return `| ${id} | ${cell(fires)} | ${cell(silent)} |`;
  });
  const bySentence = readSo.map(
    ({ sentence, check, fires, silent }) =>
      `| ${cell([sentence])} | ${check} | ${cell(fires.map((one) => one.name))} | ${cell(silent.map((one) => one.name))} |`,
  );
  return [
    '## How inputs are read',
    '',
    'Each sentence with the check that shows it, asked by `src/core/checks/read-so.test.ts`.',
    '',
    '| sentence | check | must fire | must not |',
    '|---|---|---|---|',
    ...bySentence,
    '',
    '## The cases of each check',
    '',
    '| check | must fire | must not |',
    '|---|---|---|',
    ...byCheck,
    '',
  ];
}
