import { collect } from '@/core/collect';
import { titleKey } from '@/core/text/normalise';
import type { Item, Shell } from './model';
import type { GradeColumnRef } from '@/core/refs/refs';

/**
 * The activities that belong to each grade column: by the column that they name, else by an equal title where just one
 * column has it. Only assignments, quizzes and discussions are graded.
 */
export function activitiesByColumn(
  shell: Pick<Shell, 'items' | 'gradeColumns'>,
): ReadonlyMap<GradeColumnRef, readonly Item[]> {
  const byTitle = new Map<string, GradeColumnRef | null>();
  for (const column of shell.gradeColumns)
    byTitle.set(titleKey(column.title), byTitle.has(titleKey(column.title)) ? null : column.ref);
  const known = new Map<string, GradeColumnRef>(shell.gradeColumns.map((c) => [c.ref, c.ref]));
  const found = new Map<GradeColumnRef, Item[]>();
  for (const item of shell.items) {
    if (item.kind !== 'assignment' && item.kind !== 'quiz' && item.kind !== 'discussion') continue;
    const column =
      item.gradeColumn === null ? byTitle.get(titleKey(item.title)) : known.get(item.gradeColumn);
    if (column) collect(found, column, item);
  }
  return found;
}
