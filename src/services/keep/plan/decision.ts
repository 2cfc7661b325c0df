import { z } from 'zod';

const ids = z
  .array(z.string().regex(/^[0-9a-f]{12}$/))
  .min(1)
  .max(100_000);

/** What a person can decide on findings, one or many at once. */
export const decisionSchema = z.discriminatedUnion('decision', [
  z.strictObject({ decision: z.literal('accept'), findings: ids }),
  /** The remedy for some of the things that a finding is about; the others stay as they are. */
  z.strictObject({
    decision: z.literal('accept-some'),
    findings: ids.max(1),
    only: z.array(z.string()).min(1).max(100_000),
  }),
  z.strictObject({
    decision: z.literal('leave-be'),
    findings: ids,
    reason: z.string().trim().max(2000).optional(),
  }),
  /** The owner must say: it goes on the question sheet. */
  z.strictObject({ decision: z.literal('ask'), findings: ids }),
  /** Not today. */
  z.strictObject({ decision: z.literal('later'), findings: ids }),
  /** Take a decision back: the finding is open again. */
  z.strictObject({ decision: z.literal('reopen'), findings: ids }),
  /** Another remedy than the proposed one: its place among those that the finding offers. */
  z.strictObject({ decision: z.literal('change'), findings: ids.max(1), other: z.int().min(0) }),
  /** The same other remedy for many: hide all of them instead, say. */
  z.strictObject({ decision: z.literal('change-all'), findings: ids, action: z.string() }),
]);
export type Decision = z.output<typeof decisionSchema>;

/** Decisions that take something else than the whole remedy. */
export type OtherDecision = Extract<Decision, { decision: 'change' | 'change-all' | 'accept-some' }>;

export const isOther = (decision: Decision): decision is OtherDecision =>
  decision.decision === 'change' || decision.decision === 'change-all' || decision.decision === 'accept-some';
