import { eq } from 'drizzle-orm';
import { families, type Family, type Finding } from '@/core/checks/finding';
import { smoothnessOf, type Smoothness } from '@/core/checks/smoothness';
import { compareAudits } from '@/core/plan/rehearse';
import type { Sketch } from '@/core/shell/sketch';
import { audits, versions } from '@/store/schema';
import type { Context } from '../context';
import { readAudit, sketchOfVersion, type CurrentShell, type RunRow } from '../shells/current-shell';

/** What a run did to the findings: the audit before it against the audit of what it left. */
export interface Comparison {
  readonly before: {
    readonly smoothness: Smoothness;
    readonly findings: readonly Finding[];
    readonly sketch: Sketch;
  };
  readonly after: {
    readonly smoothness: Smoothness;
    readonly findings: readonly Finding[];
    readonly sketch: Sketch;
  };
  readonly byFamily: readonly { readonly family: Family; readonly before: number; readonly after: number }[];
  readonly closed: readonly Finding[];
  readonly caused: readonly Finding[];
}

/** Null where one of the two states has not been combed (yet). */
export function compareRun(context: Context, shell: CurrentShell, run: RunRow): Comparison | null {
  const beforeRow = run.auditBefore
    ? context.db.select().from(audits).where(eq(audits.id, run.auditBefore)).get()
    : undefined;
  const version = context.db.select().from(versions).where(eq(versions.id, run.beforeVersion)).get();
  if (!beforeRow || !version || !shell.kept || shell.version.id !== run.afterVersion) return null;
  const before = readAudit(beforeRow).audit;
  const after = shell.kept.audit;
  const side = (audit: typeof before, sketch: Sketch) => ({
    smoothness: smoothnessOf(audit.counts, audit.findings),
    findings: audit.findings,
    sketch,
  });
  const count = (list: readonly Finding[], family: Family) => list.filter((f) => f.family === family).length;
  return {
    before: side(before, sketchOfVersion(version)),
    after: side(after, sketchOfVersion(shell.version)),
    byFamily: families.map((family) => ({
      family,
      before: count(before.findings, family),
      after: count(after.findings, family),
    })),
    ...compareAudits(before, after),
  };
}
