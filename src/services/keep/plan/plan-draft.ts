import type { Step } from '@/core/plan/step';
import type { PlanRow } from './plan';
import type { StepTrial } from './try-step';

/** A step that was tried: what of it can be done, null where nothing can, and what is to be told. */
export interface TriedStep {
  readonly step: Step | null;
  readonly trial: StepTrial;
}

/** A row of the plan with another step; without one it goes. */
export interface ChangedRow extends Pick<PlanRow, 'id' | 'how'> {
  readonly step: Step | null;
}

/** A change of a plan as it was worked out by somebody who only reads; it is written by somebody else. */
export interface PlanDraft {
  /** The version of the shell and the plan that it was worked out on; it holds for no others. */
  readonly versionId: string;
  readonly planKey: string;
  readonly changed: readonly ChangedRow[];
  /** What comes behind the others. */
  readonly tried: readonly TriedStep[];
}

/** What is told of a change, besides the steps that it makes. */
export interface Drafted<Told> {
  readonly told: Told;
  readonly draft: PlanDraft;
}
