import { z } from 'zod';
import { resetAreas } from '@/core/plan/areas/areas';
import type { ResetAccount } from '@/core/plan/reset/reset-shell';
import { largest } from '@/core/collect';
import { plural } from '@/core/text/plural';

/** What a reset came to as JSON, `currycomb.reset/1`; its schema stands in docs/schemas. */
export const resetSchema = z.strictObject({
  schema: z.literal('currycomb.reset/1'),
  areas: z.array(
    z.strictObject({
      area: z.enum(resetAreas),
      before: z.int().min(0),
      after: z.int().min(0),
      returns: z.enum(['returns', 'returns as new', 'gone for good']),
    }),
  ),
  kept: z.array(z.string()),
  neededByKept: z.array(z.string()),
  /** What would not go. */
  left: z.array(z.strictObject({ ref: z.string(), title: z.string(), why: z.string() })),
});
export type ResetJson = z.output<typeof resetSchema>;

export const resetJson = (account: ResetAccount): ResetJson =>
  resetSchema.parse({ schema: 'currycomb.reset/1', ...account });

/** The same in words: a line for each area, then what stays. */
export function resetText({ areas, kept, neededByKept, left }: ResetAccount): string {
  const width = largest(areas.map(({ area }) => area.length));
  const lines = areas.map(
    ({ area, before, after, returns }) =>
      `${area.padEnd(width)}  ${String(before).padStart(6)} now, ${String(after).padStart(6)} after  ${returns}`,
  );
  const before = areas.reduce((sum, area) => sum + area.before, 0);
  const after = areas.reduce((sum, area) => sum + area.after, 0);
  const staying = kept.length + neededByKept.length;
  return [
    ...lines,
    after === 0 ? `Empty: 0 of ${before} left.` : `${after} of ${before} left.`,
    ...(staying > 0
      ? [`Kept: ${plural(kept.length, 'thing')}, and ${plural(neededByKept.length, 'thing')} that they need.`]
      : []),
    ...left.map(({ title, why }) => `Left: “${title}”: ${why}`),
    '',
  ].join('\n');
}
