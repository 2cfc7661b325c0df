import { z } from 'zod';
import { families, urgencies } from '@/core/checks/finding/finding';
import type { Audit } from '@/core/checks/run/run-checks';
import type { Shell } from '@/core/shell/model';
import type { IntakeNote } from '@/core/shell/result';

const subject = z.strictObject({
  type: z.enum([
    'item',
    'file',
    'event',
    'gradeCategory',
    'gradeColumn',
    'bank',
    'group',
    'homePage',
    'shell',
  ]),
  ref: z.string(),
  title: z.string(),
  path: z.array(z.string()),
});
export const findingSchema = z.strictObject({
  id: z.string(),
  check: z.string(),
  family: z.enum(families),
  urgency: z.enum(urgencies),
  confidence: z.number().min(0).max(1),
  title: z.string(),
  subjects: z.array(subject),
  keep: z.string().nullable(),
  evidence: z.array(z.strictObject({ label: z.string(), value: z.string(), where: z.string().optional() })),
  remedy: z
    .strictObject({
      action: z.string(),
      targets: z.array(z.string()),
      params: z.record(z.string(), z.unknown()),
      kind: z.enum(['safe', 'judgement']),
    })
    .nullable(),
  coveredBy: z.string().nullable(),
});
const counts = z.strictObject({
  items: z.int(),
  files: z.int(),
  events: z.int(),
  gradeCategories: z.int(),
  gradeColumns: z.int(),
  banks: z.int(),
  homePages: z.int(),
});
/** What `audit --format json` prints. */
export const auditSchema = z.strictObject({
  schema: z.literal('currycomb.audit/1'),
  shell: z.strictObject({
    code: z.string(),
    title: z.string(),
    term: z.strictObject({ start: z.string().nullable(), end: z.string().nullable() }),
    asOf: z.string(),
    counts,
  }),
  intake: z.array(z.strictObject({ code: z.string(), message: z.string(), where: z.string() })),
  findings: z.array(findingSchema),
  timing: z.strictObject({ readMs: z.number(), auditMs: z.number() }).optional(),
});
/** What `audit --format json` prints of several packages. */
export const auditsSchema = z.strictObject({
  schema: z.literal('currycomb.audits/1'),
  packages: z.array(
    z.union([
      z.strictObject({ package: z.string(), audit: auditSchema }),
      z.strictObject({ package: z.string(), trouble: z.string() }),
    ]),
  ),
});
export type AuditJson = z.output<typeof auditSchema>;
export type FindingJson = z.output<typeof findingSchema>;

export const findingJson = ({
  batch: _batch,
  substance: _substance,
  message: _message,
  ...finding
}: Audit['findings'][number]): FindingJson => finding as unknown as FindingJson;

export function auditJson(
  shell: Shell,
  intake: readonly IntakeNote[],
  audit: Audit,
  timing?: { readMs: number; auditMs: number },
): AuditJson {
  return {
    schema: 'currycomb.audit/1',
    shell: {
      code: shell.code,
      title: shell.title,
      term: { start: shell.term.start, end: shell.term.end },
      asOf: shell.asOf,
      counts: audit.counts,
    },
    intake: [...intake],
    findings: audit.findings.map(findingJson),
    ...(timing ? { timing } : {}),
  };
}
