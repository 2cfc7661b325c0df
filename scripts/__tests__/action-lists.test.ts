import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { actionNames } from '@/core/plan/actions/registry';

// What there is to know of an action stands in its own file. A list of actions elsewhere is knowledge that the next action
// would have to be added to.
const names: ReadonlySet<string> = new Set(actionNames);
/** So many names in one list, record or switch make a list of actions. */
const few = 4;
const home = join('src', 'core', 'plan', 'actions');

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return path === home || entry.name === '__tests__' ? [] : filesIn(path);
    return /(?<!\.test)\.tsx?$/.test(entry.name) ? [path] : [];
  });
}

const textOf = (node: ts.Node | undefined): string =>
  node !== undefined && (ts.isStringLiteral(node) || ts.isIdentifier(node)) ? node.text : '';

/** The names that a list, a record or a switch is made of. */
function namesIn(node: ts.Node): string[] {
  if (ts.isArrayLiteralExpression(node)) return node.elements.map(textOf);
  if (ts.isObjectLiteralExpression(node)) return node.properties.map((property) => textOf(property.name));
  if (ts.isCaseBlock(node))
    return node.clauses.map((clause) => (ts.isCaseClause(clause) ? textOf(clause.expression) : ''));
  return [];
}

function listsIn(path: string): string[] {
  const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const lists: string[] = [];
  const visit = (node: ts.Node): void => {
    const listed = namesIn(node).filter((name) => names.has(name));
    const isOfActions = listed.length >= few && listed.some((name) => name.includes('-'));
    if (isOfActions) lists.push(`${path}: ${listed.join(', ')}`);
    ts.forEachChild(node, visit);
  };
  visit(file);
  return lists;
}

test('no file but an action’s own lists what actions are', () => {
  const files = filesIn('src');
  expect(files.length).toBeGreaterThan(500);
  expect(files.flatMap(listsIn)).toEqual([]);
});
