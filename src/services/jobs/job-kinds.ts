import type { AddChoice, Addition } from '@/core/add/add-things';
import type { Finding } from '@/core/checks/finding';
import type { RuleEffect } from '@/core/checks/compare-findings';
import type { Audit, CheckTiming } from '@/core/checks/run-checks';
import type { StepResult, RemovedCounts } from '@/core/plan/run-plan';
import type { Step } from '@/core/plan/step';
import type { Inventory } from '@/core/shell/inventory';
import type { Term } from '@/core/shell/model';
import type { Sha256 } from '@/core/shell/refs';
import type { IntakeNote } from '@/core/shell/result';
import type { Sketch } from '@/core/shell/sketch';
import type { ExportKind } from '../prove/export-kinds';
import type { ShellInputs } from '../bring-in/shell-inputs';
import type { WrittenRules } from '../house-rules/written-rules';

/** A shell's state as a job leaves it in the blob store, with what the lists and headers show of it. */
export interface KeptState {
  readonly stateBlob: Sha256;
  readonly fingerprint: string;
  readonly code: string;
  readonly title: string;
  readonly term: Term;
  readonly asOf: string;
  readonly inventory: Inventory;
  readonly sketch: Sketch;
}

export interface RehearsalView {
  readonly results: readonly StepResult[];
  readonly removed: RemovedCounts;
  readonly relinked: number;
  readonly broken: readonly { readonly from: string; readonly asked: string }[];
  readonly closed: readonly { readonly id: string; readonly check: string; readonly title: string }[];
  readonly caused: readonly Finding[];
  readonly gained: readonly string[];
  readonly lost: readonly string[];
  /** Refs that are gone afterwards, and those whose item changed or moved. */
  readonly gone: readonly string[];
  readonly changed: readonly string[];
  readonly before: { readonly counts: Audit['counts'] };
  readonly after: { readonly audit: Audit; readonly sketch: Sketch };
}

/** A plan as it is kept: findings whose remedy was accepted, and steps added by hand. */
export interface PlanInput {
  readonly stateBlob: Sha256;
  readonly findings: readonly Finding[];
  readonly handSteps: readonly Step[];
}

/** Every job: what it is given and what it gives. Inputs name the shell by hash; nothing needs the web process. */
export interface JobKinds {
  'bring-in': {
    input: { inputs: ShellInputs; dispose: readonly string[] };
    output: KeptState & { readonly intake: readonly IntakeNote[]; readonly packageHash: string };
  };
  /** Holds a package against a shell: read from files, or one that was read before. */
  'hold-against': {
    input: {
      stateBlob: Sha256;
      from:
        | { readonly inputs: ShellInputs; readonly dispose: readonly string[] }
        | { readonly incomingBlob: Sha256 };
    };
    output: {
      readonly incomingBlob: Sha256;
      readonly previewBlob: Sha256;
      readonly title: string;
      readonly packageHash: string | null;
      readonly intake: readonly IntakeNote[];
    };
  };
  add: {
    input: { stateBlob: Sha256; incomingBlob: Sha256; choice: AddChoice };
    output: KeptState & Pick<Addition, 'added' | 'relinked' | 'loose'> & { readonly editsBlob: Sha256 };
  };
  comb: {
    input: { stateBlob: Sha256; rules: WrittenRules };
    output: {
      readonly audit: Audit;
      readonly milliseconds: number;
      readonly timings: readonly CheckTiming[];
    };
  };
  /** What other house rules would change for a shell. */
  'try-rules': {
    input: { stateBlob: Sha256; now: WrittenRules; then: WrittenRules };
    output: readonly RuleEffect[];
  };
  rehearse: { input: PlanInput & { audit: Audit; rules: WrittenRules }; output: RehearsalView };
  'carry-out': {
    input: PlanInput;
    output: KeptState & {
      readonly results: readonly StepResult[];
      readonly removed: RemovedCounts;
      readonly relinked: number;
      readonly editsBlob: Sha256;
    };
  };
  undo: { input: { stateBlob: Sha256; editsBlob: Sha256; goal: string }; output: KeptState };
  export: {
    input: { stateBlob: Sha256; what: ExportKind; file: string; chosen?: readonly string[] };
    output: { readonly bytes: number };
  };
}
export type JobKind = keyof JobKinds;

export interface JobContext {
  readonly blobsDir: string;
  readonly progress: (done: number, total: number, doing: string) => void;
}
/** What goes to a worker and what comes back. */
export interface JobOrder {
  readonly id: string;
  readonly kind: JobKind;
  readonly input: unknown;
}
export type JobReport =
  | {
      readonly id: string;
      readonly type: 'progress';
      readonly done: number;
      readonly total: number;
      readonly doing: string;
    }
  | { readonly id: string; readonly type: 'done'; readonly output: unknown }
  | { readonly id: string; readonly type: 'trouble'; readonly message: string };
