import type { HouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks, type Audit, type RunOptions } from '@/core/checks/run/run-checks';
import { probeOf } from '@/core/probe/probe';
import type { WebAnswer } from '@/core/probe/web-answer';
import type { Shell } from '@/core/shell/model';

/** Combs a shell with every check there is. `answers` are what addresses outside answered, null where nobody asked. */
export const auditShell = (
  shell: Shell,
  rules?: HouseRules,
  onProgress?: RunOptions['onProgress'],
  answers: readonly WebAnswer[] | null = null,
): Audit =>
  runChecks(shell, {
    checks: allChecks,
    rules,
    probe: probeOf(answers),
    onProgress,
    clock: () => performance.now(),
  });
