import { randomUUID } from 'node:crypto';
import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import type { ActionName } from '@/core/plan/actions/registry';
import type { Step } from '@/core/plan/step';
import { bad, good, type Result } from '@/core/shell/result';
import type { Transaction } from '@/store/database';
import { audits, leaveBes, planSteps, shells } from '@/store/schema';
import { findingRows, tallyAgain, type KeptOther } from '../comb/kept-findings';
import type { Context } from '../context';
import { courseOf } from '../shells/course';
import { findShell, type CurrentShell } from '../shells/current-shell';
import { undecidedOf } from '../shells/frame-view';
import { countPlan, nextPlace } from './plan';

const ids = z
  .array(z.string().regex(/^[0-9a-f]{12}$/))
  .min(1)
  .max(100_000);

/** What a person can decide on findings, one or many at once. */
export const decisionSchema = z.discriminatedUnion('decision', [
  z.strictObject({ decision: z.literal('accept'), findings: ids }),
  z.strictObject({ decision: z.literal('leave-be'), findings: ids }),
  /** Take a decision back: the finding is open again. */
  z.strictObject({ decision: z.literal('reopen'), findings: ids }),
  /** Another remedy than the proposed one: its place among those that the finding offers. */
  z.strictObject({ decision: z.literal('change'), findings: ids.max(1), other: z.int().min(0) }),
]);
export type Decision = z.output<typeof decisionSchema>;

/** What became of the decided findings, and the counts that it changed: the page brings itself up to date by it. */
export interface DecisionPatch {
  readonly findings: readonly string[];
  readonly state: 'open' | 'planned' | 'left-be';
  /** What the plan does about them, where it does. */
  readonly actions: Readonly<Record<string, ActionName>>;
  readonly planSize: number;
  /** Open findings that nothing was decided about. */
  readonly undecided: number;
  readonly percent: number;
}

type FindingRow = ReturnType<typeof findingRows>[number];

export function decide(context: Context, shell: CurrentShell, decision: Decision): Result<DecisionPatch> {
  const rows = shell.audit ? findingRows(context.db, shell.audit.id, decision.findings) : [];
  if (rows.length !== decision.findings.length)
    return bad(
      'finding-gone',
      'Some of these findings are not there any more, since the shell was combed again; look at the list once more.',
    );
  const steps = stepsOf(rows, decision);
  if (!steps.ok) return steps;
  const course = courseOf(shell.row);
  context.db.transaction((tx) => {
    const now = new Date().toISOString();
    const wereLeft = openAgain(tx, shell, rows);
    if (decision.decision === 'leave-be') leave(tx, course, rows, now);
    else addSteps(tx, shell.row.id, steps.value, now);
    if (wereLeft || decision.decision === 'leave-be') tallyAgain(tx, auditsOfCourse(tx, course), course);
    countPlan(tx, shell.row.id);
  });
  return good(patchOf(context, shell.row.id, decision, steps.value));
}

interface PlannedStep {
  readonly findingId: string;
  readonly how: 'remedy' | 'other';
  readonly step: Step;
}

function stepsOf(rows: readonly FindingRow[], decision: Decision): Result<readonly PlannedStep[]> {
  switch (decision.decision) {
    case 'accept': {
      const without = rows.find((row) => row.step === null);
      if (without)
        return bad(
          'no-remedy',
          `“${titleOf(without)}” has no remedy to accept; choose what should happen to it.`,
        );
      return good(
        rows.map((row) => ({ findingId: row.id, how: 'remedy', step: JSON.parse(row.step ?? '') as Step })),
      );
    }
    case 'change': {
      const [row] = rows;
      const other = row ? (JSON.parse(row.others) as KeptOther[])[decision.other] : undefined;
      if (!row || !other) return bad('no-such-remedy', 'This finding has no such remedy; look at it again.');
      return good([{ findingId: row.id, how: 'other', step: other.step }]);
    }
    case 'leave-be':
    case 'reopen':
      return good([]);
  }
}

const titleOf = (row: FindingRow): string => (JSON.parse(row.listed) as { title: string }).title;

function addSteps(tx: Transaction, shellId: string, steps: readonly PlannedStep[], now: string): void {
  let place = steps.length ? nextPlace(tx, shellId) : 0;
  const values = steps.map(({ findingId, how, step }) => ({
    id: randomUUID(),
    shellId,
    place: (place += 1),
    findingId,
    how,
    action: step.action,
    step: JSON.stringify(step),
    addedAt: now,
  }));
  for (let at = 0; at < values.length; at += 500)
    tx.insert(planSteps)
      .values(values.slice(at, at + 500))
      .run();
}

function leave(tx: Transaction, course: string, rows: readonly FindingRow[], now: string): void {
  for (const row of rows)
    tx.insert(leaveBes)
      .values({ course, check: row.check, substance: row.substance, title: titleOf(row), decidedAt: now })
      .onConflictDoNothing()
      .run();
}

/** Takes earlier decisions on findings back; tells whether any of them was left be. */
function openAgain(tx: Transaction, shell: CurrentShell, rows: readonly FindingRow[]): boolean {
  const refs = rows.map((row) => row.id);
  for (let at = 0; at < refs.length; at += 500)
    tx.delete(planSteps)
      .where(and(eq(planSteps.shellId, shell.row.id), inArray(planSteps.findingId, refs.slice(at, at + 500))))
      .run();
  const course = courseOf(shell.row);
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
    .innerJoin(audits, eq(audits.versionId, shells.versionId))
    .all();
  return current.filter((row) => courseOf(row) === course).map((row) => row.audit);
}

const stateAfter: Readonly<Record<Decision['decision'], DecisionPatch['state']>> = {
  accept: 'planned',
  change: 'planned',
  'leave-be': 'left-be',
  reopen: 'open',
};

function patchOf(
  context: Context,
  shellId: string,
  { decision, findings }: Decision,
  steps: readonly PlannedStep[],
): DecisionPatch {
  const now = findShell(context, shellId);
  return {
    findings,
    state: stateAfter[decision],
    actions: Object.fromEntries(steps.map(({ findingId, step }) => [findingId, step.action])),
    planSize: now?.plan.size ?? 0,
    undecided: now ? undecidedOf(context, now) : 0,
    percent: now?.smoothness?.percent ?? 0,
  };
}

/** Empties the plan; what was left be stays so. */
export function clearPlan(context: Context, shellId: string): void {
  context.db.transaction((tx) => {
    tx.delete(planSteps).where(eq(planSteps.shellId, shellId)).run();
    countPlan(tx, shellId);
  });
}

/** Findings that were left be and are not there any more in any shell of the course: the list of them does not rot. */
export function staleLeaveBes(
  context: Context,
  shell: CurrentShell,
): readonly { readonly check: string; readonly title: string; readonly decidedAt: string }[] {
  if (!shell.audit) return [];
  return context.db.$client
    .prepare(
      'SELECT l."check" AS "check", l.title AS title, l.decided_at AS decidedAt FROM leave_bes l WHERE l.course = ? AND NOT EXISTS ' +
        '(SELECT 1 FROM findings f WHERE f.audit_id = ? AND f."check" = l."check" AND f.substance = l.substance) ORDER BY l.decided_at',
    )
    .all(courseOf(shell.row), shell.audit.id) as { check: string; title: string; decidedAt: string }[];
}
