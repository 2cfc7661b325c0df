import type { Finding } from '@/core/checks/finding/finding';
import type { Shell } from '@/core/shell/model';
import { makeStep } from '@/core/plan/written-step';
import type { Step } from '@/core/plan/step';

/** The step that takes a finding’s remedy, for a shell as it stands; null where it has none. */
export function stepOfFinding(shell: Shell, finding: Pick<Finding, 'id' | 'remedy'>): Step | null {
  const { remedy, id } = finding;
  if (!remedy) return null;
  const result = makeStep(shell, {
    action: remedy.action,
    targets: remedy.targets,
    params: { ...remedy.params },
    from: id,
  });
  // A check that proposes what no action understands is a fault of ours.
  if (!result.ok) throw new Error(`${id}: ${result.trouble.message}`);
  return result.value;
}

export const stepsOfFindings = (shell: Shell, findings: readonly Pick<Finding, 'id' | 'remedy'>[]): Step[] =>
  findings.map((finding) => stepOfFinding(shell, finding)).filter((step) => step !== null);
