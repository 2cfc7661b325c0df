import { entryOf, putEntry } from '@/core/entries';
import { z } from 'zod';
import { allChecks } from '@/core/checks/run/registry';
import type { Audit } from '@/core/checks/run/run-checks';
import { append } from '@/core/collect';
import { compareAudits } from '@/core/rehearse/rehearse';
import type { StepResult } from '@/core/plan/results';
import type { PlanRun, RemovedCounts } from '@/core/plan/run-plan';
import { findingJson, findingSchema } from '@/formats/report/audit-json';
import { shortStep } from './short-step';

const count = z.int();
/** What `clean` prints and writes as summary.json (docs/schemas). */
export const cleanSchema = z.strictObject({
  schema: z.literal('currycomb.clean/1'),
  accepted: z.array(z.strictObject({ id: z.string(), check: z.string() })),
  steps: z.array(
    z.strictObject({
      action: z.string(),
      targets: z.array(z.string()),
      params: z.record(z.string(), z.unknown()),
      outcome: z.enum(['done', 'blocked', 'nothing']),
      reason: z.string().optional(),
    }),
  ),
  removed: z.strictObject({
    items: count,
    files: count,
    events: count,
    gradeCategories: count,
    gradeColumns: count,
    banks: count,
  }),
  relinked: count,
  before: z.record(z.string(), count),
  after: z.record(z.string(), count),
  caused: z.array(findingSchema),
});
export type CleanSummary = z.output<typeof cleanSchema>;

/** What is taken down while a cleaning goes on. */
export interface Ledger {
  readonly accepted: { id: string; check: string }[];
  readonly results: StepResult[];
  readonly removed: { -readonly [K in keyof RemovedCounts]: number };
  relinked: number;
}

export const emptyLedger = (): Ledger => ({
  accepted: [],
  results: [],
  removed: { items: 0, files: 0, events: 0, gradeCategories: 0, gradeColumns: 0, banks: 0 },
  relinked: 0,
});

/** Takes down what one round did. */
export function takeDown(ledger: Ledger, run: PlanRun): void {
  // Only what is held back still counts as held back.
  const done = ledger.results.filter((r) => r.outcome === 'done');
  ledger.results.length = 0;
  append(ledger.results, done);
  append(ledger.results, run.results);
  ledger.relinked += run.relinked;
  for (const key of Object.keys(ledger.removed) as (keyof RemovedCounts)[])
    ledger.removed[key] += run.removed[key];
}

export function summarise(ledger: Ledger, before: Audit, after: Audit): CleanSummary {
  return {
    schema: 'currycomb.clean/1',
    accepted: ledger.accepted,
    steps: ledger.results.map((r) => ({
      ...shortStep(r.step),
      outcome: r.outcome,
      ...(r.reason === undefined ? {} : { reason: r.reason }),
    })),
    removed: { ...ledger.removed },
    relinked: ledger.relinked,
    before: countByCheck(before),
    after: countByCheck(after),
    caused: compareAudits(before, after).caused.map(findingJson),
  };
}

function countByCheck(audit: Audit): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const check of allChecks) putEntry(counts, check.id, 0);
  for (const finding of audit.findings)
    putEntry(counts, finding.check, (entryOf(counts, finding.check) ?? 0) + 1);
  return counts;
}
