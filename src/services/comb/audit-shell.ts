import type { HouseRules } from '@/core/checks/house-rules';
import { allChecks } from '@/core/checks/registry';
import { runChecks, type Audit, type RunOptions } from '@/core/checks/run-checks';
import type { Shell } from '@/core/shell/model';

/** Combs a shell with every check there is. */
export const auditShell = (
  shell: Shell,
  rules?: HouseRules,
  onProgress?: RunOptions['onProgress'],
  onTimings?: RunOptions['onTimings'],
): Audit =>
  runChecks(shell, { checks: allChecks, rules, onProgress, onTimings, clock: () => performance.now() });
