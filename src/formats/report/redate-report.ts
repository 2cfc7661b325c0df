import { z } from 'zod';
import { redateModes, redateWarnings, weekdayKeys } from '@/core/redate/ask';
import { redateFields, type RedateChange } from '@/core/redate/thing-changes';
import type { Redating } from '@/core/redate/redate';
import { plural } from '@/core/text/plural';

const day = z.string().nullable();
const count = z.int();

/** What `redate` prints, and writes as summary.json (docs/schemas). Moments are local, `YYYY-MM-DDTHH:MM:SS`. */
export const redateSchema = z.strictObject({
  schema: z.literal('currycomb.redate/1'),
  mode: z.enum(redateModes),
  from: z.strictObject({ start: day, end: day, inferred: z.boolean() }),
  to: z.strictObject({ start: day, end: day }),
  counts: z.strictObject({ things: count, dated: count, changed: count, same: count, outside: count }),
  changes: z.array(
    z.strictObject({
      type: z.enum(['item', 'event']),
      ref: z.string(),
      title: z.string(),
      field: z.enum(redateFields),
      old: z.string().nullable(),
      new: z.string().nullable(),
      week: count.nullable(),
      weekday: z.enum(weekdayKeys).nullable(),
      warnings: z.array(z.enum(redateWarnings)),
    }),
  ),
  typed: z.array(
    z.strictObject({
      ref: z.string(),
      title: z.string(),
      sentence: z.string(),
      old: z.string(),
      new: z.string(),
    }),
  ),
});
export type RedateJson = z.output<typeof redateSchema>;

export const redateJson = (redating: Redating): RedateJson => ({
  schema: 'currycomb.redate/1',
  mode: redating.mode,
  from: { ...redating.from },
  to: { ...redating.to },
  counts: { ...redating.counts },
  changes: redating.changes.map((change) => ({ ...change, warnings: [...change.warnings] })),
  typed: redating.typed.map(({ ref, title, sentence, old, new: to }) => ({
    ref,
    title,
    sentence,
    old,
    new: to,
  })),
});

/** The same for a person at a terminal: counts first, then a line for each date. */
export function redateText(redating: Redating): string {
  const { counts, from, to } = redating;
  const untouched = counts.things - counts.dated;
  const term = (part: { readonly start: string | null; readonly end: string | null }) =>
    `${part.start ?? 'not known'} to ${part.end ?? 'not known'}`;
  return [
    `Old term ${term(from)}${from.inferred ? ' (worked out from the dates found)' : ''}; new term ${term(to)}; ${redating.mode}`,
    `${counts.dated} of ${plural(counts.things, 'thing')} have dates; ${untouched} have none`,
    `${counts.changed} would change, ${counts.same} stay the same, ${counts.outside} lie outside the old term and stay`,
    ...redating.changes.map(lineOf),
    ...(redating.typed.length ? ['Typed in texts:'] : []),
    ...redating.typed.map((typed) => `  “${typed.old}” → “${typed.new}” in ${typed.title} (${typed.ref})`),
    '',
  ].join('\n');
}

function lineOf(change: RedateChange): string {
  const to = change.new === null ? 'none' : `${change.weekday ?? ''} ${change.new}`.trim();
  const week = change.week === null ? '' : `, week ${change.week}`;
  const warnings = change.warnings.length ? `  [${change.warnings.join(', ')}]` : '';
  return `  ${change.title} (${change.ref}) ${change.field}: ${change.old ?? 'none'} → ${to}${week}${warnings}`;
}
