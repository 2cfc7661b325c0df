import { z } from 'zod';
import { redateModes } from '@/core/redate/ask';
import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';

const day = z
  .string()
  .refine((text) => parseLocalDate(text) !== null, 'write a day as 2027-01-11')
  .transform((text) => text as LocalDate);
const weekday = z.int().min(1).max(7);

/** A re-dating as the screen asks for it; `take` puts it into the plan. */
export const redateAskSchema = z.strictObject({
  mode: z.enum(redateModes),
  days: z.int().min(-3660).max(3660).default(0),
  date: day.nullable().default(null),
  map: z
    .array(z.tuple([weekday, weekday]))
    .max(7)
    .default([]),
  avoidNoClass: z.enum(['next', 'previous']).nullable().default(null),
  what: z.enum(['items', 'events', 'all']).default('all'),
  only: z.array(z.string()).max(100_000).nullable().default(null),
  /** Days of the old term; those that the shell tells, or its dates, where they are not given. */
  oldStart: day.nullable().default(null),
  oldEnd: day.nullable().default(null),
  oldNoClass: z.string().max(4000).nullable().default(null),
  typed: z.boolean().default(false),
  take: z.boolean().default(false),
});
export type RedateAsked = z.input<typeof redateAskSchema>;
export type RedateWish = z.output<typeof redateAskSchema>;
