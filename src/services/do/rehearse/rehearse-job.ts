import { eq } from 'drizzle-orm';
import { z } from 'zod';
import type { Audit } from '@/core/checks/run/run-checks';
import { drawn, type DrawnFinding, type Finding } from '@/core/checks/finding/finding';
import type { HouseRules } from '@/core/checks/rules/house-rules';
import { sealOf } from '@/core/plan/normalise';
import { comebacksOf, type Comebacks } from '@/core/plan/comebacks';
import { gradeWeights, notReaching, type CategoryWeight, type NotReaching } from '@/core/plan/grades-after';
import { outlineDifference, type OutlineLine } from '@/core/plan/outline-difference';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { blockedRefs, waysOut, type WayOut } from '@/core/plan/ways-out';
import { rehearse, type AuditBefore, type Rehearsal } from '@/core/rehearse/rehearse';
import { writeResult, countChanges, type WrittenResult } from '@/core/plan/results';
import type { PlanRun, RemovedCounts, RunRules } from '@/core/plan/run-plan';
import { stepSchema } from '@/core/plan/step';
import { takeInventory } from '@/core/inventory/inventory';
import type { Shell } from '@/core/shell/model';
import { good } from '@/core/shell/result';
import { sketchOf, type Sketch } from '@/core/shell/sketch';
import { rehearsals } from '@/store/schema';
import { auditShell } from '@/services/do/packages/audit-shell';
import { recallReadings } from '@/services/keep/findings/kept-readings';
import { rulesFrom, writtenRules } from '@/services/keep/rules/written-rules';
import { defineJob } from '@/services/keep/jobs/job-record';
import { knownAnswers, type KnownAnswers } from '@/services/keep/probe/known-answers';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';

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
  readonly blocked: readonly BlockedThing[];
  readonly comebacks: ComebackView;
  readonly weights: readonly CategoryWeight[];
  /** Graded work that would not reach the records system afterwards, and how much of it would not today. */
  readonly notReaching: readonly NotReaching[];
  readonly notReachingNow: number;
  /** The outline before and after as far as they differ, line by line. */
  readonly outline: readonly OutlineLine[];
  readonly before: { readonly counts: Audit['counts'] };
  readonly after: {
    readonly counts: Audit['counts'];
    readonly findings: readonly FindingAfter[];
    readonly sketch: Sketch;
  };
}

/** A finding of the copy: what draws it, and what tells whether it was left be. */
export type FindingAfter = DrawnFinding & Pick<Finding, 'substance'>;

/** Something that a guard holds back, with what can be done instead. */
export interface BlockedThing {
  readonly action: string;
  readonly ref: string;
  readonly title: string;
  readonly reason: string;
  readonly ways: readonly WayOut[];
}

/** How many things come back in which way, and the titles of the first of them. */
export type ComebackView = Readonly<
  Record<keyof Comebacks, { readonly count: number; readonly titles: readonly string[] }>
>;

/** What came of a rehearsal; what may be large is written out by the thread that worked it out. */
interface Rehearsed {
  readonly seal: string;
  /** The normalised steps as JSON. */
  readonly steps: string;
  /** The `RehearsalView` as JSON. */
  readonly view: string;
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
    answers: knownAnswers,
  }),
  supersedes: true,
  run: async ({ versionId, stateBlob, steps, rules, answers }, { blobs, memo, progress }) => {
    const shell = shellOf(blobs, stateBlob);
    recallReadings(memo, shell);
    const read = rulesFrom(rules);
    if (!read.ok) return read;
    progress(0, 3, 'Combing the shell as it is');
    const before = auditBefore(shell, read.value, answers);
    progress(1, 3, 'Trying the plan on a copy');
    const rehearsal = rehearse(shell, before, steps, read.value, (after) => {
      progress(2, 3, 'Combing the copy');
      return auditShell(after, read.value, undefined, answers);
    });
    const { normalised } = rehearsal;
    return good({
      seal: sealOf(normalised, versionId),
      steps: JSON.stringify(normalised),
      view: JSON.stringify(viewOf(rehearsal, read.value)),
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
        steps,
        view,
        rehearsedAt: now,
      })
      .run();
    return { seal };
  },
});

/**
 * The audit of the shell as it is, without what proves its findings: nobody looks at that here, and for forty thousand of
 * them it takes as much memory as the shell. In a function of its own, so that nothing holds on to the whole of it.
 */
function auditBefore(shell: Shell, rules: HouseRules, answers: KnownAnswers): AuditBefore<DrawnFinding> {
  const { counts, findings } = auditShell(shell, rules, undefined, answers);
  return { counts, findings: findings.map(drawn) };
}

/** So many titles of a sort are kept for the page; the others are counted. */
const mostTitles = 200;
/** So many blocked things are looked at for ways out, and for so long, in milliseconds. */
const mostBlocked = 40;
const waysBudget = 400;

function comebackView(run: PlanRun): ComebackView {
  const { returns, asNew, forGood } = comebacksOf(run.before, run.after);
  const told = (things: Comebacks['returns']) => ({
    count: things.length,
    titles: things.slice(0, mostTitles).map(({ title }) => title),
  });
  return { returns: told(returns), asNew: told(asNew), forGood: told(forGood) };
}

function blockedThings(run: PlanRun, rules: RunRules): BlockedThing[] {
  const until = performance.now() + waysBudget;
  const titles = refsOf(run.after);
  return run.results
    .filter(({ outcome }) => outcome === 'blocked')
    .flatMap((result) => blockedRefs(result).map((ref) => ({ result, ref })))
    .map(({ result, ref }, n) => ({
      action: result.step.action,
      ref,
      title: titles.titleOf(ref),
      reason: result.reason ?? '',
      ways: n < mostBlocked && performance.now() < until ? waysOut(run.after, result, ref, rules) : [],
    }));
}

function viewOf(
  { run, after, closed, caused, gained, lost }: Rehearsal<DrawnFinding>,
  rules: HouseRules,
): RehearsalView {
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
    blocked: blockedThings(run, rules),
    comebacks: comebackView(run),
    weights: gradeWeights(run.before, run.after),
    notReaching: notReaching(run.after, rules.catchAllCategories).slice(0, mostTitles),
    notReachingNow: notReaching(run.before, rules.catchAllCategories).length,
    outline: outlineDifference(run.before, run.after),
    before: { counts: takeInventory(run.before).counts },
    after: {
      counts: after.counts,
      findings: after.findings.map((finding) => ({ ...drawn(finding), substance: finding.substance })),
      sketch: sketchOf(run.after),
    },
  };
}

const thingsOf = (shell: Shell): Map<string, unknown> =>
  new Map<string, unknown>([
    ...shell.items.map((item) => [item.ref, item] as const),
    ...shell.files.map((file) => [file.path, file] as const),
    ...shell.events.map((event) => [event.ref, event] as const),
  ]);
