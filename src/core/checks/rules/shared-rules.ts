import { z } from 'zod';
import { usualKeyMarks } from '@/core/text/answer-name';
import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';
import { termFault } from '@/core/shell/term-length';

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
  campusHosts: words
    .default([])
    .describe('Hosts of the campus system: links to them lead into another shell'),
  currentTools: words
    .default([])
    .describe('Hosts of the tools in use; a tool link to any other is a former tool'),
  sharedAddresses: words
    .default([])
    .describe('Beginnings of addresses on campus hosts that all shells share'),
  leftoverPhrases: words.default([]).describe('Names of former systems, help lines and retired services'),
  placeholderPhrases: words
    .default([])
    .describe('Phrases of your own templates that are meant for the teacher'),
  staffStore: words
    .default([])
    .describe('Titles of modules that hold material for staff; * stands for anything'),
  requiredParts: words
    .default([])
    .describe('Titles of template parts that must be filled in; * stands for anything'),
  keyMarks: words
    .default([...usualKeyMarks])
    .describe('Short marks in names that mean answers, as whole words'),
  handMarked: words
    .default(['participation', 'attendance', 'presentation', 'oral exam', 'field work', 'extra credit'])
    .describe('Words in the names of columns that are marked by hand'),
  catchAllCategories: words
    .default(['imported', 'uncategorised', 'uncategorized', 'default'])
    .describe('Names of grade categories that nobody chose'),
  terms: z
    .array(
      z
        .strictObject({
          title: z.string().trim().min(1, 'a term needs a title, such as Spring 2027'),
          start: day,
          end: day,
          noClass: z.array(day).default([]),
        })
        .superRefine((term, context) => {
          const fault = termFault(term);
          if (fault !== null)
            context.addIssue({ code: 'custom', message: `the term “${term.title}” ${fault}`, path: ['end'] });
        }),
    )
    .default([]),
};

export type SharedRules = z.output<z.ZodObject<typeof sharedRules>>;
