import type { CategoryName } from '@/core/values/read-value';
import type { ValueRow } from '@/core/values/value-row';
import { valuesOfShell } from '@/core/values/values-of-shell';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { runRules } from '@/services/keep/rules/run-rules';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { plannedShell } from '@/services/keep/plan/planned-shell';

/** The values of all items as the plan so far would leave them. */
export interface ValuesView {
  readonly id: string;
  readonly rows: readonly ValueRow[];
  readonly categories: readonly CategoryName[];
}

export function valuesView(folder: OpenFolder, current: CurrentShell): ValuesView {
  const shell = plannedShell(folder, current, runRules(folder, current));
  return {
    id: current.row.id,
    rows: valuesOfShell(shell),
    categories: shell.gradeCategories.map(({ ref, title }) => ({ ref, title })),
  };
}
