import { z } from 'zod';
import { parseLocalDate } from '@/core/dates/local-date';

const day = z.string().transform((text, context) => {
  const date = parseLocalDate(text);
  if (date !== null) return date;
  context.addIssue({ code: 'custom', message: 'is no day' });
  return z.NEVER;
});

/** What is asked for when something is added: what comes, what is replaced, where it lands, and what becomes of its dates. */
export const addOrder = z.strictObject({
  /** Keys of things of the source: what comes for itself. */
  chosen: z.array(z.string()).max(200_000),
  /** Keys of things whose counterparts get what the source says. */
  replace: z.array(z.string()).max(200_000).default([]),
  landing: z.discriminatedUnion('where', [
    z.strictObject({ where: z.literal('match') }),
    z.strictObject({ where: z.literal('end') }),
    z.strictObject({ where: z.enum(['in', 'before', 'after']), ref: z.string() }),
  ]),
  dating: z.strictObject({
    mode: z.enum(['keep', 'week-and-weekday', 'shift', 'clear']),
    days: z.int().min(-20_000).max(20_000).default(0),
  }),
  /** The source’s term, where it was told while choosing. */
  sourceTerm: z
    .strictObject({ start: day.nullable(), end: day.nullable() })
    .default({ start: null, end: null }),
  /** Everything lands hidden. */
  hidden: z.boolean().default(false),
  /** A taken page that becomes the home page in use. */
  homePage: z.string().nullable().default(null),
});
export type AddOrder = z.output<typeof addOrder>;
