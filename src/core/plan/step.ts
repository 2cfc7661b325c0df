import { z } from 'zod';
import type { RemedyParams } from '@/core/checks/finding';

export const stepActions = ['relink', 'move', 'show', 'hide', 're-date', 'delete'] as const;
export type StepAction = (typeof stepActions)[number];

export interface StepParams extends RemedyParams {
  /** For a move: the module to move into (null: the top level) and the sibling to stand before (null: at the end). */
  readonly into?: string | null;
  readonly before?: string | null;
  /** For a relink: where links to a target shall lead, ref to ref. */
  readonly to?: Readonly<Record<string, string>>;
  /** For a deletion: links to what goes may stay and lead nowhere. */
  readonly leaveBroken?: boolean;
}

/** One change to a shell, a value: nothing changes a shell except a step. */
export interface Step {
  readonly action: StepAction;
  readonly targets: readonly string[];
  readonly params: StepParams;
  /** The finding it came from, or `hand`. */
  readonly from: string;
}

export interface Plan {
  readonly schema: 'currycomb.plan/1';
  /** Fingerprint of the shell it was made for. */
  readonly base: string;
  readonly steps: readonly Step[];
}

const refs = z.record(z.string(), z.string());
export const stepSchema = z.strictObject({
  action: z.enum(stepActions),
  targets: z.array(z.string()).min(1),
  params: z
    .strictObject({
      relink: refs.optional(),
      dates: z
        .record(z.string(), z.strictObject({ opens: z.string().optional(), closes: z.string().optional(), due: z.string().optional() }))
        .optional(),
      into: z.string().nullable().optional(),
      before: z.string().nullable().optional(),
      to: refs.optional(),
      leaveBroken: z.boolean().optional(),
    })
    .default({}),
  from: z.string().default('hand'),
});
/** The published form of a plan (docs/schemas). */
export const planSchema = z.strictObject({ schema: z.literal('currycomb.plan/1'), base: z.string(), steps: z.array(stepSchema) });
