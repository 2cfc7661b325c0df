import type { Shell } from '@/core/shell/model';
import { applyEdits, removal, replacements, type Edit } from '../edits';
import { changing, type ActionResult } from './action-result';

/** Puts grade columns into other categories. */
export function setCategories(shell: Shell, categories: Readonly<Record<string, string>>): ActionResult {
  const known = new Map(shell.gradeCategories.map((c) => [c.ref as string, c.ref]));
  const blocked = new Map(
    Object.entries(categories).flatMap(([column, to]) =>
      known.has(to) ? [] : [[column, `the category “${to}” is not in this shell; choose another`] as const],
    ),
  );
  const edits = replacements(shell, 'gradeColumns', (column) => {
    const to = known.get(categories[column.ref] ?? '');
    return to && column.category !== to ? { ...column, category: to } : column;
  });
  return changing(edits, blocked);
}

/** Moves the columns of grade categories into the ones that stay, then takes the emptied ones away. Weights stay as they are. */
export function mergeCategories(shell: Shell, pairs: ReadonlyMap<string, string>): ActionResult {
  const known = new Map(shell.gradeCategories.map((c) => [c.ref as string, c.ref]));
  const blocked = new Map<string, string>();
  const going = new Map<string, string>();
  for (const [from, to] of pairs) {
    if (!known.has(from)) continue;
    if (!known.has(to) || from === to || pairs.has(to))
      blocked.set(from, 'the category to become a part of is not there, or goes itself; choose another');
    else going.set(from, to);
  }
  const edits: Edit[] = replacements(shell, 'gradeColumns', (column) => {
    const to = column.category === null ? undefined : known.get(going.get(column.category) ?? '');
    return to ? { ...column, category: to } : column;
  });
  const gone = removal(applyEdits(shell, edits), 'gradeCategories', (c) => going.has(c.ref));
  return { edits: gone ? [...edits, gone] : edits, done: new Set(going.keys()), blocked };
}
