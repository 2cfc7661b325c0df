import type { RunRules } from '@/core/plan/run-plan';
import type { Context } from '../context';
import { keptRules } from './house-rules';
import { rulesFrom } from './written-rules';

/** What the kept house rules say of running a plan; nothing where they can’t be read, which the house rules say themselves. */
export function runRules(context: Context): RunRules {
  const rules = rulesFrom(keptRules(context).written);
  return { keyMarks: rules.ok ? rules.value.keyMarks : [] };
}
