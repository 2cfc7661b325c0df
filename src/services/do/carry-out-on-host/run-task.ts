import { z } from 'zod';
import type { EditOutcome, NameThere } from '@/connectors/connector';
import type { Hitch } from '@/connectors/campus/host-client';
import { stepSchema } from '@/core/plan/step';
import { writtenRules } from '@/services/keep/rules/written-rules';
import type { HostDoor } from '@/services/keep/hosts/connect';
import { blobHash } from '@/services/keep/shells/kept-state';

/** What a run on a host is to do, as its row keeps it; what an earlier Currycomb wrote there besides is left aside. */
export const runTask = z.object({
  versionId: z.string(),
  stateBlob: blobHash,
  rules: writtenRules,
  what: z.discriminatedUnion('is', [
    z.strictObject({
      is: z.literal('plan'),
      seal: z.string(),
      /** All sealed steps, and of them those that the host can do, in the order in which they are applied. */
      sealed: z.array(stepSchema),
      steps: z.array(stepSchema),
      /** The plan’s rows that the rehearsal was about. */
      planRows: z.array(z.string()),
    }),
    z.strictObject({
      is: z.literal('undo'),
      /** Runs to take back, the newest first; `steps` names some of a run’s steps, null stands for all of them. */
      parts: z.array(
        z.strictObject({
          runId: z.string(),
          scriptBlob: blobHash,
          steps: z.array(z.number()).nullable(),
          /** What the undo run’s own steps are called, by the steps of the run that is taken back. */
          sequences: z.array(z.tuple([z.number(), z.number()])),
          /** What became of the script’s lines, batch by batch. */
          outcomes: z.array(z.custom<readonly EditOutcome[]>((value) => Array.isArray(value))),
        }),
      ),
    }),
  ]),
});
export type RunTask = z.output<typeof runTask>;

/** What became of a batch, as it was written down. */
export interface KnownBatch {
  readonly number: number;
  readonly state: 'sent' | 'done';
  readonly outcomes: readonly EditOutcome[] | null;
}

/** What a run finds when it begins, or begins again. */
export interface Begun {
  readonly door: HostDoor;
  readonly task: RunTask;
  readonly scriptBlob: string | null;
  readonly batches: readonly KnownBatch[];
  readonly wish: Wish;
}
export type Wish = 'go' | 'pause' | 'stop';

export interface StepState {
  readonly sequence: number;
  readonly state: 'doing' | 'done' | 'failed';
  readonly reason: string | null;
}

/** What a run has written down on its way; each is answered with what the operator wants now. */
export type RunEntry =
  | { readonly is: 'begin' }
  | { readonly is: 'script'; readonly blob: string; readonly lines: number }
  | { readonly is: 'sending'; readonly number: number; readonly steps: readonly StepState[] }
  | {
      readonly is: 'done';
      readonly number: number;
      readonly outcomes: readonly EditOutcome[];
      readonly names: readonly NameThere[];
      readonly steps: readonly StepState[];
    }
  | { readonly is: 'hitches'; readonly hitches: readonly Hitch[] };
