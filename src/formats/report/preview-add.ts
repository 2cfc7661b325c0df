import { z } from 'zod';
import {
  incomingTypes,
  leftOutReasons,
  standings,
  standingTitles,
  type AddPreview,
} from '@/core/add/incoming';
import type { Shell } from '@/core/shell/model';
import type { IntakeNote } from '@/core/shell/result';
import { plural } from '@/core/text/plural';

const count = z.int();
const about = z.strictObject({ code: z.string(), title: z.string() });
/** What `preview-add --format json` prints (docs/schemas). */
export const previewAddSchema = z.strictObject({
  schema: z.literal('currycomb.preview-add/1'),
  into: about,
  from: about,
  intake: z.array(z.strictObject({ code: z.string(), message: z.string(), where: z.string() })),
  counts: z.strictObject({ new: count, there: count, differs: count, doubled: count }),
  things: z.array(
    z.strictObject({
      type: z.enum(incomingTypes),
      ref: z.string(),
      kind: z.string(),
      title: z.string(),
      standing: z.enum(standings),
      counterpart: z.string().nullable(),
      differences: z.array(z.string()),
      proposed: z.boolean(),
      leftOut: z.string().nullable(),
    }),
  ),
});
export type PreviewAddJson = z.output<typeof previewAddSchema>;

export const previewAddJson = (
  into: Shell,
  from: Shell,
  intake: readonly IntakeNote[],
  preview: AddPreview,
): PreviewAddJson => ({
  schema: 'currycomb.preview-add/1',
  into: { code: into.code, title: into.title },
  from: { code: from.code, title: from.title },
  intake: intake.map((n) => ({ ...n })),
  counts: { ...preview.counts },
  things: preview.things.map((t) => ({
    type: t.type,
    ref: t.ref,
    kind: t.kind,
    title: t.title,
    standing: t.standing,
    counterpart: t.counterpart?.ref ?? null,
    differences: [...t.differences],
    proposed: t.proposed,
    leftOut: t.leftOut,
  })),
});

export function previewAddText(into: Shell, from: Shell, preview: AddPreview): string {
  const lines = [
    `${from.title || 'The package'} into ${into.code || into.title || 'the shell'}: ${plural(preview.things.length, 'thing')}`,
    '',
  ];
  for (const standing of standings) {
    const these = preview.things.filter((t) => t.standing === standing);
    lines.push(`${standingTitles[standing]}: ${these.length}`);
    if (standing === 'there') continue;
    for (const t of these)
      lines.push(
        `  ${t.proposed ? '+' : ' '} ${t.kind}: ${t.title}${t.differences.length ? ` (${t.differences.join('; ')})` : ''}${t.leftOut && !t.proposed ? ` – left out: ${leftOutReasons[t.leftOut]}` : ''}`,
      );
  }
  lines.push(
    '',
    preview.counts.new === 0
      ? 'Nothing in it is new.'
      : `${plural(preview.things.filter((t) => t.proposed).length, 'thing')} would be taken as proposed (+).`,
    '',
  );
  return lines.join('\n');
}
