import { FreshNames } from '@/core/shell/fresh-names';
import type { GradeCategory, GradeColumn, Shell } from '@/core/shell/model';
import {
  gradeCategoryRef,
  gradeColumnRef,
  type GradeCategoryRef,
  type GradeColumnRef,
} from '@/core/refs/refs';
import type { TakenThings } from './taken-things';

export interface AddedGradeSetup {
  readonly gradeCategories: readonly GradeCategory[];
  readonly gradeColumns: readonly GradeColumn[];
  /** The refs that columns of the package have in the shell. */
  readonly newColumns: ReadonlyMap<string, GradeColumnRef>;
  readonly newCategories: ReadonlyMap<string, GradeCategoryRef>;
}

/**
 * Categories and columns under refs of their own; a column stands in the category that came along, else in its
 * counterpart. Results come along only where the things stay what they are.
 */
export function addedGradeSetup(shell: Shell, taken: TakenThings, keepsResults: boolean): AddedGradeSetup {
  const categoryNames = new FreshNames(shell.gradeCategories.map(({ ref }) => ref));
  const newCategories = new Map<string, GradeCategoryRef>();
  const gradeCategories = taken.incoming.gradeCategories
    .filter(({ ref }) => taken.has('gradeCategory', ref))
    .map((category) => {
      const ref = gradeCategoryRef(categoryNames.take(category.ref));
      newCategories.set(category.ref, ref);
      return { ...category, ref };
    });
  const categoryOf = (ref: GradeCategoryRef | null): GradeCategoryRef | null => {
    if (ref === null) return null;
    return newCategories.get(ref) ?? (taken.counterpart('gradeCategory', ref) as GradeCategoryRef | null);
  };
  const columnNames = new FreshNames(shell.gradeColumns.map(({ ref }) => ref));
  const newColumns = new Map<string, GradeColumnRef>();
  const gradeColumns = taken.incoming.gradeColumns
    .filter(({ ref }) => taken.has('gradeColumn', ref))
    .map((column) => {
      const ref = gradeColumnRef(columnNames.take(column.ref));
      newColumns.set(column.ref, ref);
      const results = keepsResults || column.results === null ? column.results : 0;
      return { ...column, ref, results, category: categoryOf(column.category) };
    });
  return { gradeCategories, gradeColumns, newColumns, newCategories };
}
