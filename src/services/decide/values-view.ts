import type { CategoryName } from '@/core/values/read-value';
import type { ValueRow } from '@/core/values/value-row';
import { valuesOfShell } from '@/core/values/values-of-shell';
import type { Context } from '../context';
import { keptRules } from '../house-rules/house-rules';
import { rulesFrom } from '../house-rules/written-rules';
import type { CurrentShell } from '../shells/current-shell';
import { plannedShell } from './planned-shell';

/** The values of all items as the plan so far would leave them. */
export interface ValuesView {
  readonly id: string;
  readonly rows: readonly ValueRow[];
  readonly categories: readonly CategoryName[];
}

export function valuesView(context: Context, current: CurrentShell): ValuesView {
  const rules = rulesFrom(keptRules(context).written);
  const shell = plannedShell(context, current, { keyMarks: rules.ok ? rules.value.keyMarks : [] });
  return {
    id: current.row.id,
    rows: valuesOfShell(shell),
    categories: shell.gradeCategories.map(({ ref, title }) => ({ ref, title })),
  };
}
