import { and, desc, eq } from 'drizzle-orm';
import type { Finding } from '@/core/checks/finding';
import type { Audit } from '@/core/checks/run-checks';
import { smoothnessOf, type Smoothness } from '@/core/checks/smoothness';
import type { Step } from '@/core/plan/step';
import { fingerprint } from '@/core/shell/digest';
import type { Inventory } from '@/core/shell/inventory';
import type { IntakeNote } from '@/core/shell/result';
import type { Sketch } from '@/core/shell/sketch';
import { accepted, audits, handSteps, leaveBes, runs, shells, versions } from '@/store/schema';
import type { Context } from '../context';

export type ShellRow = typeof shells.$inferSelect;
export type VersionRow = typeof versions.$inferSelect;

export interface KeptAudit {
  readonly id: string;
  readonly audit: Audit;
  readonly milliseconds: number;
  readonly combedAt: string;
  /** The house rules that it was made by. */
  readonly rulesKey: string;
}
export interface KeptPlan {
  readonly accepted: readonly string[];
  readonly handSteps: readonly { readonly id: string; readonly step: Step }[];
  /** How many changes it makes: each target of each step counts once. */
  readonly size: number;
  /** Names the plan and the state it is for: a rehearsal seals exactly this. */
  readonly key: string;
}

/** A shell as it stands now: the row, its version, the audit of that version, what was decided. */
export interface CurrentShell {
  readonly row: ShellRow;
  readonly version: VersionRow;
  readonly kept: KeptAudit | null;
  /** Findings that nobody left be. */
  readonly open: readonly Finding[];
  readonly leftBe: readonly Finding[];
  readonly plan: KeptPlan;
  readonly smoothness: Smoothness | null;
}

/** Decisions outlive the term: they are kept under the course's code. */
export const courseOf = (row: Pick<ShellRow, 'code' | 'id'>): string =>
  row.code.trim().toLowerCase() || row.id;

export function findShell(context: Context, id: string): CurrentShell | null {
  const row = context.db.select().from(shells).where(eq(shells.id, id)).get();
  return row ? describe(context, row) : null;
}

export function allShells(context: Context): CurrentShell[] {
  return context.db
    .select()
    .from(shells)
    .orderBy(shells.code, shells.createdAt)
    .all()
    .map((row) => describe(context, row));
}

function describe(context: Context, row: ShellRow): CurrentShell {
  const { db } = context;
  const version = db.select().from(versions).where(eq(versions.id, row.versionId)).get();
  if (!version) throw new Error(`shell ${row.id} has no version`);
  const kept = latestAudit(context, row.versionId);
  const left = new Set(
    db
      .select()
      .from(leaveBes)
      .where(eq(leaveBes.course, courseOf(row)))
      .all()
      .map((l) => `${l.check} ${l.substance}`),
  );
  const isLeft = (f: Finding) => left.has(`${f.check} ${f.substance}`);
  const findings = kept?.audit.findings ?? [];
  const open = findings.filter((f) => !isLeft(f));
  return {
    row,
    version,
    kept,
    open,
    leftBe: findings.filter(isLeft),
    plan: planOf(context, row, open),
    smoothness: kept ? smoothnessOf(kept.audit.counts, open) : null,
  };
}

function latestAudit(context: Context, versionId: string): KeptAudit | null {
  const row = context.db
    .select()
    .from(audits)
    .where(eq(audits.versionId, versionId))
    .orderBy(desc(audits.combedAt))
    .limit(1)
    .get();
  return row ? readAudit(row) : null;
}

export const readAudit = (row: typeof audits.$inferSelect): KeptAudit => ({
  id: row.id,
  audit: JSON.parse(row.audit) as Audit,
  milliseconds: row.milliseconds,
  combedAt: row.combedAt,
  rulesKey: row.rulesKey,
});

function planOf(context: Context, row: ShellRow, open: readonly Finding[]): KeptPlan {
  const known = new Map(open.map((f) => [f.id, f]));
  const ids = context.db
    .select()
    .from(accepted)
    .where(eq(accepted.shellId, row.id))
    .all()
    .map((a) => a.findingId)
    .filter((id) => known.get(id)?.remedy)
    .sort();
  const steps = context.db
    .select()
    .from(handSteps)
    .where(eq(handSteps.shellId, row.id))
    .orderBy(handSteps.position)
    .all()
    .map((s) => ({ id: s.id, step: JSON.parse(s.step) as Step }));
  const touched = new Set(
    ids.flatMap((id) => known.get(id)!.remedy!.targets.map((t) => `${known.get(id)!.remedy!.action} ${t}`)),
  );
  for (const { step } of steps) for (const t of step.targets) touched.add(`${step.action} ${t}`);
  return {
    accepted: ids,
    handSteps: steps,
    size: touched.size,
    key: fingerprint(row.versionId, ...ids, JSON.stringify(steps.map((s) => s.step))),
  };
}

export const inventoryOf = (version: VersionRow): Inventory => JSON.parse(version.inventory) as Inventory;
export const sketchOfVersion = (version: VersionRow): Sketch => JSON.parse(version.sketch) as Sketch;
export const intakeOf = (version: VersionRow): IntakeNote[] => JSON.parse(version.intake) as IntakeNote[];

export type RunRow = typeof runs.$inferSelect;
export const runsOf = (context: Context, shellId: string): RunRow[] =>
  context.db.select().from(runs).where(eq(runs.shellId, shellId)).orderBy(desc(runs.startedAt)).all();
export const findRun = (context: Context, shellId: string, runId: string): RunRow | null =>
  context.db
    .select()
    .from(runs)
    .where(and(eq(runs.shellId, shellId), eq(runs.id, runId)))
    .get() ?? null;
