import { and, eq, sql } from 'drizzle-orm';
import { bad, good, type Result } from '@/core/shell/result';
import type { Transaction } from '@/store/database';
import { audits, leaveBes, planSteps, shells } from '@/store/schema';
import { findingById, tallyAgain } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import { findShell, latestAuditId, type CurrentShell } from '@/services/keep/shells/current-shell';
import { undecidedOf } from '@/services/keep/plan/undecided';
import { isOther, type Decision } from '@/services/keep/plan/decision';
import { addOtherSteps, otherSteps } from './other-steps';
import { countPlan, nextPlace, plannedActions } from '@/services/keep/plan/plan';

/** What became of the decided findings, and the counts that it changed: the page brings itself up to date by it. */
export interface DecisionPatch {
  readonly findings: readonly string[];
  readonly state: 'open' | 'planned' | 'left-be' | 'asked' | 'later';
  /** What the plan does about them, where it does. */
  readonly actions: Readonly<Record<string, string>>;
  readonly planSize: number;
  /** Open findings that nothing was decided about. */
  readonly undecided: number;
  readonly percent: number;
}

/** What a decision needs of a finding. */
interface DecidedRow {
  readonly id: string;
  readonly check: string;
  readonly substance: string;
  readonly hasStep: number;
}

export function decide(folder: OpenFolder, shell: CurrentShell, decision: Decision): Result<DecisionPatch> {
  const { audit } = shell;
  const rows = audit ? decidedRows(folder, audit.id, decision.findings) : [];
  if (!audit || rows.length !== new Set(decision.findings).size)
    return bad(
      'finding-gone',
      'Some of these findings are not there any more, since the shell was combed again; look at the list once more.',
    );
  const trouble = decision.decision === 'accept' ? withoutRemedy(folder, audit.id, rows) : null;
  if (trouble) return trouble;
  const others = isOther(decision) ? otherSteps(folder.db, audit.id, decision) : good([]);
  if (!others.ok) return others;
  const course = courseOf(shell.row);
  folder.db.transaction((tx) => {
    const now = new Date().toISOString();
    const wereLeft = openAgain(tx, shell, rows);
    if (decision.decision === 'leave-be') leave(tx, course, audit.id, rows, { now, reason: decision.reason });
    if (decision.decision === 'ask' || decision.decision === 'later')
      letWait(tx, course, audit.id, rows, { now, kind: decision.decision });
    if (decision.decision === 'accept') addRemedies(tx, shell.row.id, audit.id, rows, now);
    addOtherSteps(tx, shell.row.id, others.value, now);
    if (wereLeft || decision.decision === 'leave-be') tallyAgain(tx, auditsOfCourse(tx, course), course);
    countPlan(tx, shell.row.id);
  });
  return good(patchOf(folder, shell.row.id, decision));
}

const asList = (ids: readonly string[]) => sql`(SELECT value FROM json_each(${JSON.stringify(ids)}))`;

const decidedRows = ({ db }: OpenFolder, auditId: string, ids: readonly string[]): DecidedRow[] =>
  db.all<DecidedRow>(
    sql`SELECT id, "check", substance, step IS NOT NULL AS hasStep FROM findings
        WHERE audit_id = ${auditId} AND id IN ${asList(ids)}`,
  );

/** Why the remedies of these findings can’t be accepted; null where they can. */
function withoutRemedy(
  { db }: OpenFolder,
  auditId: string,
  rows: readonly DecidedRow[],
): ReturnType<typeof bad> | null {
  const without = rows.find((row) => !row.hasStep);
  if (!without) return null;
  const title = findingById(db, auditId, without.id)?.title ?? '';
  return bad('no-remedy', `“${title}” has no remedy to accept; choose what should happen to it.`);
}

/** The steps of the findings’ own remedies, in the audit’s order, behind what the plan has already. */
function addRemedies(
  tx: Transaction,
  shellId: string,
  auditId: string,
  rows: readonly DecidedRow[],
  now: string,
): void {
  const first = nextPlace(tx, shellId);
  const ids = asList(rows.map((row) => row.id));
  tx.run(
    sql`INSERT INTO plan_steps (id, shell_id, place, finding_id, how, action, step, added_at)
        SELECT lower(hex(randomblob(16))), ${shellId}, ${first} + row_number() OVER (ORDER BY place) - 1, id, 'remedy',
          json_extract(step, '$.action'), step, ${now}
        FROM findings WHERE audit_id = ${auditId} AND id IN ${ids} ORDER BY place`,
  );
}

function leave(
  tx: Transaction,
  course: string,
  auditId: string,
  rows: readonly DecidedRow[],
  { now, reason }: { readonly now: string; readonly reason: string | undefined },
): void {
  const why = reason === undefined || reason === '' ? null : reason;
  tx.run(
    sql`INSERT OR IGNORE INTO leave_bes (course, "check", substance, title, reason, decided_at)
        SELECT ${course}, "check", substance, json_extract(listed, '$.title'), ${why}, ${now}
        FROM findings WHERE audit_id = ${auditId} AND id IN ${asList(rows.map((row) => row.id))}`,
  );
}

/** Puts findings aside until the owner answered, or for another day. */
function letWait(
  tx: Transaction,
  course: string,
  auditId: string,
  rows: readonly DecidedRow[],
  { now, kind }: { readonly now: string; readonly kind: 'ask' | 'later' },
): void {
  tx.run(
    sql`INSERT OR REPLACE INTO waiting (course, "check", substance, kind, decided_at)
        SELECT ${course}, "check", substance, ${kind}, ${now}
        FROM findings WHERE audit_id = ${auditId} AND id IN ${asList(rows.map((row) => row.id))}`,
  );
}

/** Takes earlier decisions on findings back; tells whether any of them was left be. */
function openAgain(tx: Transaction, shell: CurrentShell, rows: readonly DecidedRow[]): boolean {
  const ids = asList(rows.map((row) => row.id));
  tx.run(sql`DELETE FROM plan_steps WHERE shell_id = ${shell.row.id} AND finding_id IN ${ids}`);
  const course = courseOf(shell.row);
  tx.run(
    sql`DELETE FROM waiting WHERE course = ${course} AND EXISTS (SELECT 1 FROM findings f
        WHERE f.audit_id = ${shell.audit?.id ?? ''} AND f.id IN ${ids}
          AND f."check" = waiting."check" AND f.substance = waiting.substance)`,
  );
  const left = new Set(
    tx
      .select({ check: leaveBes.check, substance: leaveBes.substance })
      .from(leaveBes)
      .where(eq(leaveBes.course, course))
      .all()
      .map((one) => `${one.check} ${one.substance}`),
  );
  const wereLeft = rows.filter((row) => left.has(`${row.check} ${row.substance}`));
  for (const { check, substance } of wereLeft)
    tx.delete(leaveBes)
      .where(and(eq(leaveBes.course, course), eq(leaveBes.check, check), eq(leaveBes.substance, substance)))
      .run();
  return wereLeft.length > 0;
}

/** The audits of all shells of a course: what is left be in one is left be in all. */
function auditsOfCourse(tx: Transaction, course: string): string[] {
  const current = tx
    .select({ id: shells.id, code: shells.code, audit: audits.id })
    .from(shells)
    .innerJoin(audits, and(eq(audits.versionId, shells.versionId), eq(audits.isDraft, false)))
    .all();
  return current.filter((row) => courseOf(row) === course).map((row) => row.audit);
}

const stateAfter: Readonly<Record<Decision['decision'], DecisionPatch['state']>> = {
  accept: 'planned',
  'accept-some': 'planned',
  change: 'planned',
  'change-all': 'planned',
  'leave-be': 'left-be',
  reopen: 'open',
  ask: 'asked',
  later: 'later',
};

function patchOf(folder: OpenFolder, shellId: string, { decision, findings }: Decision): DecisionPatch {
  const now = findShell(folder, shellId);
  const planned = new Set(stateAfter[decision] === 'planned' ? findings : []);
  const actions = plannedActions(folder.db, shellId).filter(({ finding }) => planned.has(finding));
  return {
    findings,
    state: stateAfter[decision],
    actions: Object.fromEntries(
      actions.map(({ finding, action, how }) => [finding, how === 'remedy' ? 'accepted' : action]),
    ),
    planSize: now?.plan.size ?? 0,
    undecided: now ? undecidedOf(folder, now) : 0,
    percent: now?.smoothness?.percent ?? 0,
  };
}

/** Empties the plan; what was left be stays so. */
export function clearPlan(folder: OpenFolder, shellId: string): void {
  folder.db.transaction((tx) => {
    tx.delete(planSteps).where(eq(planSteps.shellId, shellId)).run();
    countPlan(tx, shellId);
  });
}

/** Findings that were left be and are not there any more in any shell of the course: the list of them does not rot. */
export function staleLeaveBes(
  folder: OpenFolder,
  shell: CurrentShell,
): readonly { readonly check: string; readonly title: string; readonly decidedAt: string }[] {
  if (!shell.audit) return [];
  const course = courseOf(shell.row);
  const audited = latestAuditsOf(folder, course);
  return folder.db.all<{ check: string; title: string; decidedAt: string }>(
    sql`SELECT l."check" AS "check", l.title AS title, l.decided_at AS decidedAt FROM leave_bes l
        WHERE l.course = ${course} AND NOT EXISTS (
          SELECT 1 FROM findings f JOIN json_each(${JSON.stringify(audited)}) a ON a.value = f.audit_id
          WHERE f."check" = l."check" AND f.substance = l.substance)
        ORDER BY l.decided_at`,
  );
}

/** The latest audits of all shells of a course: what was left be in one term is left be in the others. */
const latestAuditsOf = (folder: OpenFolder, course: string): readonly string[] =>
  folder.db
    .select()
    .from(shells)
    .all()
    .filter((row) => courseOf(row) === course)
    .flatMap(({ versionId }) => latestAuditId(folder, versionId) ?? []);

/** Open findings that wait, and what for. */
export const waitingFindings = (
  folder: OpenFolder,
  shell: CurrentShell,
): readonly { readonly finding: string; readonly kind: 'ask' | 'later' }[] =>
  shell.audit === null
    ? []
    : folder.db.all(
        sql`SELECT f.id AS finding, w.kind AS kind FROM waiting w JOIN findings f
            ON f.audit_id = ${shell.audit.id} AND f."check" = w."check" AND f.substance = w.substance
            WHERE w.course = ${courseOf(shell.row)} ORDER BY f.place`,
      );

/** Why findings were left be, where somebody said it. */
export const leftBeReasons = (folder: OpenFolder, shell: CurrentShell): Readonly<Record<string, string>> =>
  shell.audit === null
    ? {}
    : Object.fromEntries(
        folder.db
          .all<{ finding: string; reason: string }>(
            sql`SELECT f.id AS finding, l.reason AS reason FROM leave_bes l JOIN findings f
                ON f.audit_id = ${shell.audit.id} AND f."check" = l."check" AND f.substance = l.substance
                WHERE l.course = ${courseOf(shell.row)} AND l.reason IS NOT NULL`,
          )
          .map(({ finding, reason }) => [finding, reason]),
      );
