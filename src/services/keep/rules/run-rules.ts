import type { RunRules } from '@/core/plan/run-plan';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { rulesFor } from './house-rules';
import { rulesFrom } from './written-rules';

/** What the kept house rules say of running a plan; nothing where they can’t be read, which the house rules say themselves. */
export function runRules(folder: OpenFolder, { row }: Pick<CurrentShell, 'row'>): RunRules {
  const rules = rulesFrom(rulesFor(folder, row).written);
  return { keyMarks: rules.ok ? rules.value.keyMarks : [] };
}
