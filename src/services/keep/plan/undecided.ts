import { and, eq, sql } from 'drizzle-orm';
import { findings, planSteps } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** How many open findings, parts of larger ones aside, nothing was decided about: the plan does something about the others. */
export function undecidedOf({ db }: OpenFolder, { row, audit }: CurrentShell): number {
  if (!audit) return 0;
  const known = db
    .select({ id: findings.id })
    .from(planSteps)
    .innerJoin(findings, and(eq(findings.auditId, audit.id), eq(findings.id, planSteps.findingId)))
    .where(and(eq(planSteps.shellId, row.id), sql`json_extract(${findings.listed}, '$.coveredBy') IS NULL`))
    .all();
  const waits = db.get<{ n: number }>(
    sql`SELECT count(*) AS n FROM waiting w JOIN findings f
        ON f.audit_id = ${audit.id} AND f."check" = w."check" AND f.substance = w.substance
        WHERE w.course = ${courseOf(row)} AND json_extract(f.listed, '$.coveredBy') IS NULL`,
  );
  return audit.tally.total - known.length - waits.n;
}
