import { z } from 'zod';
import { parseLocalDate, type LocalDate } from '@/core/time/local-date';

const words = z.array(z.string().min(1));
const day = z.string().transform((text, context) => {
  const date = parseLocalDate(text);
  if (!date) context.addIssue({ code: 'custom', message: `"${text}" is no day; write it as 2027-01-11` });
  return date as LocalDate;
});

/** The part of the house rules that belongs to no single check: lists of hosts, phrases, patterns and terms. */
export const sharedRules = {
  schema: z.literal('currycomb.house-rules/1').default('currycomb.house-rules/1'),
  name: z.string().default(''),
  campusHosts: words.default([]),
  currentTools: words.default([]),
  sharedAddresses: words.default([]),
  leftoverPhrases: words.default([]),
  placeholderPhrases: words.default([]),
  staffStore: words.default([]),
  requiredParts: words.default([]),
  keyMarks: words.default(['AK', 'KEY']),
  handMarked: words.default(['participation', 'attendance', 'presentation', 'oral exam', 'field work', 'extra credit']),
  catchAllCategories: words.default(['imported', 'uncategorised', 'uncategorized', 'default']),
  terms: z.array(z.strictObject({ title: z.string(), start: day, end: day, noClass: z.array(day).default([]) })).default([]),
};

export type SharedRules = z.output<z.ZodObject<typeof sharedRules>>;
