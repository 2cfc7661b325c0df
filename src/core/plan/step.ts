import { z } from 'zod';
import { remedyActions, type RemedyAction, type RemedyParams } from '@/core/checks/finding';

/** Everything that can change a shell; findings propose the same actions. */
export const stepActions = remedyActions;
export type StepAction = RemedyAction;

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
const lists = z.record(z.string(), z.array(z.string()));
export const stepSchema = z.strictObject({
  action: z.enum(stepActions),
  targets: z.array(z.string()).min(1),
  params: z
    .strictObject({
      relink: refs.optional(),
      dates: z
        .record(
          z.string(),
          z.strictObject({
            opens: z.string().optional(),
            closes: z.string().optional(),
            due: z.string().optional(),
            start: z.string().optional(),
          }),
        )
        .optional(),
      places: z.record(z.string(), z.string().nullable()).optional(),
      with: refs.optional(),
      titles: refs.optional(),
      addresses: refs.optional(),
      drop: z.array(z.string()).optional(),
      until: z
        .string()
        .regex(/^\d{4}-\d{2}-\d{2}$/)
        .optional(),
      occurrences: lists.optional(),
      requirements: lists.optional(),
      categories: refs.optional(),
      readers: z.enum(['all', 'staff']).optional(),
      questions: z.array(z.string()).optional(),
      into: z.string().nullable().optional(),
      before: z.string().nullable().optional(),
      to: refs.optional(),
      leaveBroken: z.boolean().optional(),
    })
    .default({}),
  from: z.string().default('hand'),
});
/** The published form of a plan (docs/schemas). */
export const planSchema = z.strictObject({
  schema: z.literal('currycomb.plan/1'),
  base: z.string(),
  steps: z.array(stepSchema),
});
