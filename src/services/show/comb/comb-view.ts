import { batchFindings, type Batch } from '@/core/checks/run/batches';
import { headlineOf } from '@/core/checks/run/headline';
import { partsOf } from '@/core/checks/finding/parts';
import { allChecks } from '@/core/checks/run/registry';
import type { CheckRow } from '@/core/checks/run/run-checks';
import type { ListedFinding } from '@/core/checks/finding/finding';
import type { Smoothness } from '@/core/checks/finding/smoothness';
import { countThings } from '@/core/inventory/inventory';
import type { Sketch } from '@/core/shell/sketch';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { leftBeReasons, staleLeaveBes, waitingFindings } from '@/services/do/decide/decisions';
import { plannedActions } from '@/services/keep/plan/plan';
import { rulesFor } from '@/services/keep/rules/house-rules';
import { courseOf } from '@/services/keep/rows/course';
import { sketchOfVersion, inventoryOf, type CurrentShell } from '@/services/keep/shells/current-shell';
import { listedFindings } from '@/services/keep/findings/kept-findings';

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
  readonly findings: readonly ListedFinding[];
  readonly leftBe: readonly ListedFinding[];
  /** Why findings were left be, in the words of whoever did it. */
  readonly reasons: ReturnType<typeof leftBeReasons>;
  /** Open findings that wait: for the owner’s answer, or for another day. */
  readonly waiting: ReturnType<typeof waitingFindings>;
  /** Findings that were left be and do not come up any more. */
  readonly staleLeaveBes: ReturnType<typeof staleLeaveBes>;
  readonly batches: readonly Batch[];
  readonly headline: string;
  readonly smoothness: Smoothness | null;
  /** How many findings are not listed, since too many of one check came up. */
  readonly unlisted: number;
  readonly checks: readonly CheckLine[];
  /** Findings that the plan does something about, and what. */
  readonly planned: ReturnType<typeof plannedActions>;
  readonly planSize: number;
}

export function combView(folder: OpenFolder, shell: CurrentShell): CombView {
  const { row, version, audit, plan, smoothness } = shell;
  const course = courseOf(row);
  const listed = (state: 'open' | 'left-be') =>
    audit ? listedFindings(folder.db, audit.id, course, state) : [];
  const open = listed('open');
  const parts = partsOf(open);
  const batches = batchFindings(
    open.filter((finding) => !parts.has(finding)),
    allChecks,
  );
  const titles = new Map(allChecks.map((c) => [c.id, c.title]));
  return {
    id: row.id,
    code: row.code,
    title: row.title,
    things: countThings(inventoryOf(version).counts),
    combed: audit
      ? {
          at: audit.combedAt,
          milliseconds: audit.milliseconds,
          byOtherRules: audit.rulesKey !== rulesFor(folder, row).key,
        }
      : null,
    sketch: sketchOfVersion(folder, version),
    findings: open,
    leftBe: listed('left-be'),
    reasons: leftBeReasons(folder, shell),
    waiting: waitingFindings(folder, shell),
    staleLeaveBes: staleLeaveBes(folder, shell),
    batches,
    headline: headlineOf(batches),
    smoothness,
    unlisted: audit?.tally.unlisted?.findings ?? 0,
    checks: (audit?.checks ?? []).map((r) => ({
      id: r.check,
      title: titles.get(r.check) ?? r.check,
      row: r.outcome,
    })),
    planned: plannedActions(folder.db, row.id),
    planSize: plan.size,
  };
}
