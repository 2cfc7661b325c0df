import { z } from 'zod';
import { resetAreas } from '@/core/plan/areas/areas';

/** A reset as the screen asks for it; `take` arms it and puts it into the plan. */
export const resetAskSchema = z.strictObject({
  areas: z.array(z.enum(resetAreas)).max(resetAreas.length),
  keep: z.array(z.string()).max(10_000).default([]),
  take: z
    .strictObject({ code: z.string(), withStudentWork: z.int().min(0) })
    .nullable()
    .default(null),
});
export type ResetAsked = z.input<typeof resetAskSchema>;
export type ResetWish = z.output<typeof resetAskSchema>;
