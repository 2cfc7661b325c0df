import type { Step } from '@/core/plan/step';
import { writeStep } from '@/core/plan/written-step';

/** A step as it stands in plans and summaries. */
export function shortStep(step: Step): {
  action: string;
  targets: string[];
  params: Record<string, unknown>;
} {
  const { action, targets, params } = writeStep(step);
  return { action, targets: [...targets], params: { ...params } };
}
