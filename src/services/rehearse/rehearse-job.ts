import { eq } from 'drizzle-orm';
import { z } from 'zod';
import type { Audit } from '@/core/checks/run-checks';
import type { Finding } from '@/core/checks/finding';
import { sealOf } from '@/core/plan/normalise';
import { rehearse, type Rehearsal } from '@/core/plan/rehearse';
import { writeResult, countChanges, type WrittenResult } from '@/core/plan/results';
import type { RemovedCounts } from '@/core/plan/run-plan';
import { stepSchema, type Step } from '@/core/plan/step';
import { takeInventory } from '@/core/shell/inventory';
import type { Shell } from '@/core/shell/model';
import { good } from '@/core/shell/result';
import { sketchOf, type Sketch } from '@/core/shell/sketch';
import { rehearsals } from '@/store/schema';
import { auditShell } from '../comb/audit-shell';
import { recallReadings } from '../comb/kept-readings';
import { rulesFrom, writtenRules } from '../house-rules/written-rules';
import { defineJob } from '../jobs/job-record';
import { blobHash, shellOf } from '../shells/kept-state';

/** What a rehearsal came to, as it is kept for the stage that shows it. */
export interface RehearsalView {
  readonly results: readonly WrittenResult[];
  /** Changes that would be made, each target of each action once. */
  readonly changes: number;
  readonly removed: RemovedCounts;
  readonly relinked: number;
  readonly broken: readonly { readonly from: string; readonly asked: string }[];
  readonly closed: readonly { readonly id: string; readonly check: string; readonly title: string }[];
  readonly caused: readonly Finding[];
  readonly gained: readonly string[];
  readonly lost: readonly string[];
  /** Refs that are gone afterwards, and those whose item changed or moved. */
  readonly gone: readonly string[];
  readonly changed: readonly string[];
  readonly before: { readonly counts: Audit['counts'] };
  readonly after: { readonly audit: Audit; readonly sketch: Sketch };
}

interface Rehearsed {
  readonly seal: string;
  readonly steps: readonly Step[];
  readonly view: RehearsalView;
}

/** Tries a plan on a copy. What comes of it is sealed: exactly those steps, for exactly that version. */
export const rehearseJob = defineJob({
  kind: 'rehearse',
  input: z.strictObject({
    versionId: z.string(),
    planKey: z.string(),
    stateBlob: blobHash,
    steps: z.array(stepSchema),
    rules: writtenRules,
  }),
  supersedes: true,
  run: async ({ versionId, stateBlob, steps, rules }, { blobs, memo, progress }) => {
    const shell = shellOf(blobs, stateBlob);
    recallReadings(memo, shell);
    const read = rulesFrom(rules);
    if (!read.ok) return read;
    progress(0, 3, 'Combing the shell as it is');
    const before = auditShell(shell, read.value);
    progress(1, 3, 'Trying the plan on a copy');
    const rehearsal = rehearse(shell, before, steps, read.value, (after) => {
      progress(2, 3, 'Combing the copy');
      return auditShell(after, read.value);
    });
    const { normalised } = rehearsal;
    return good({
      seal: sealOf(normalised, versionId),
      steps: normalised,
      view: viewOf(rehearsal),
    } satisfies Rehearsed);
  },
  settle: (rehearsed: Rehearsed, { versionId, planKey }, { tx, now, shellId }) => {
    if (shellId === null) return {};
    const { seal, steps, view } = rehearsed;
    tx.delete(rehearsals).where(eq(rehearsals.shellId, shellId)).run();
    tx.insert(rehearsals)
      .values({
        shellId,
        versionId,
        planKey,
        seal,
        steps: JSON.stringify(steps),
        view: JSON.stringify(view),
        rehearsedAt: now,
      })
      .run();
    return { seal };
  },
});

function viewOf({ run, after, closed, caused, gained, lost }: Rehearsal): RehearsalView {
  const [was, is] = [thingsOf(run.before), thingsOf(run.after)];
  const results = run.results.map(writeResult);
  return {
    results,
    changes: countChanges(run.results, 'done'),
    removed: run.removed,
    relinked: run.relinked,
    broken: run.broken,
    closed: closed.map(({ id, check, title }) => ({ id, check, title })),
    caused,
    gained: gained.map((item) => item.title),
    lost: lost.map((item) => item.title),
    gone: [...was.keys()].filter((ref) => !is.has(ref)),
    changed: [...is].filter(([ref, thing]) => was.has(ref) && was.get(ref) !== thing).map(([ref]) => ref),
    before: { counts: takeInventory(run.before).counts },
    after: { audit: after, sketch: sketchOf(run.after) },
  };
}

const thingsOf = (shell: Shell): Map<string, unknown> =>
  new Map<string, unknown>([
    ...shell.items.map((item) => [item.ref, item] as const),
    ...shell.files.map((file) => [file.path, file] as const),
    ...shell.events.map((event) => [event.ref, event] as const),
  ]);
