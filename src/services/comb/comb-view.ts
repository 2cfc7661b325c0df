import { batchFindings, type Batch } from '@/core/checks/batches';
import { headlineOf } from '@/core/checks/headline';
import { allChecks } from '@/core/checks/registry';
import type { CheckRow } from '@/core/checks/run-checks';
import type { Finding } from '@/core/checks/finding';
import type { Smoothness } from '@/core/checks/smoothness';
import { countThings } from '@/core/shell/inventory';
import type { Sketch } from '@/core/shell/sketch';
import { sketchOfVersion, inventoryOf, type CurrentShell } from '../shells/current-shell';

export interface CheckLine {
  readonly id: string;
  readonly title: string;
  readonly row: CheckRow['outcome'];
}
/** What the Comb and Decide stages show. */
export interface CombView {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly things: number;
  readonly combed: {
    readonly at: string;
    readonly milliseconds: number;
    readonly byOtherRules: boolean;
  } | null;
  readonly sketch: Sketch;
  readonly findings: readonly Finding[];
  readonly leftBe: readonly Finding[];
  readonly batches: readonly Batch[];
  readonly headline: string;
  readonly smoothness: Smoothness | null;
  readonly checks: readonly CheckLine[];
  /** Findings whose remedy is in the plan, and those with a step chosen by hand. */
  readonly accepted: readonly string[];
  readonly changed: readonly { readonly finding: string; readonly action: string }[];
  readonly planSize: number;
}

export function combView(shell: CurrentShell, rulesKey = ''): CombView {
  const { row, version, kept, open, leftBe, plan, smoothness } = shell;
  const batches = batchFindings(
    open.filter((f) => f.coveredBy === null),
    allChecks,
  );
  const titles = new Map(allChecks.map((c) => [c.id, c.title]));
  return {
    id: row.id,
    code: row.code,
    title: row.title,
    things: countThings(inventoryOf(version).counts),
    combed: kept
      ? { at: kept.combedAt, milliseconds: kept.milliseconds, byOtherRules: kept.rulesKey !== rulesKey }
      : null,
    sketch: sketchOfVersion(version),
    findings: open,
    leftBe,
    batches,
    headline: headlineOf(batches),
    smoothness,
    checks: (kept?.audit.checks ?? []).map((r) => ({
      id: r.check,
      title: titles.get(r.check) ?? r.check,
      row: r.outcome,
    })),
    accepted: plan.accepted,
    changed: plan.handSteps.map(({ step }) => ({ finding: step.from, action: step.action })),
    planSize: plan.size,
  };
}
