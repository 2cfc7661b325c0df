import { runs as runsOf } from '@/core/__tests__/runs';
import fc from 'fast-check';
import { applyEdits } from '@/core/edits/apply-edits';
import { diffShells } from '@/core/edits/diff-shells';
import { invertEdits } from '@/core/edits/edit';
import { troublesOf } from '@/core/shell/invariants';
import type { Shell } from '@/core/shell/model';
import { shells, writtenPlans } from './__tests__/random-shells';
import { stepsOf } from './__tests__/written-plans';
import { normalise } from './normalise';
import { editsOf, runPlan, takeBack, type PlanRun } from './run-plan';
import { workOrderOf } from './work-order';
import { makeStep, writeStep } from './written-step';
import { actionNames } from './actions/registry';
import { stepSchema } from './step';
import { arrange } from './arrange';
import { batchesOf } from './batches';

const rules = { keyMarks: ['AK', 'KEY'] };

/** Pairs of a shell and a plan; steps that can’t be made for that shell are left out, since nobody could plan them. */
const plans = shells.chain((shell) =>
  writtenPlans(shell).map((written) => ({
    shell,
    steps: stepsOf(
      shell,
      written.filter((one) => makeStep(shell, one).ok),
    ),
  })),
);
// With fewer some action comes to nothing in all of them, and is not tried.
const runs = 2000;

test('plans of every action keep their contract', () => {
  const used = new Set<string>();
  fc.assert(
    fc.property(plans, fc.nat(20), ({ shell, steps }, cut) => {
      const run = runPlan(shell, steps, rules);
      for (const { outcome, step } of run.results) if (outcome === 'done') used.add(step.action);
      isTakenBackExactly(shell, run);
      isSound(shell, run);
      endsTheSameNormalised(shell, run);
      endsTheSameInHalves(shell, run, cut);
      isToldInWords(shell, run);
    }),
    { numRuns: runs },
  );
  // No action is left out because nothing ever came of it.
  expect([...used].sort()).toEqual([...actionNames].sort());
});

/** Each target has a line in a work order: what to do and what to look for, a sentence each. */
function isToldInWords(shell: Shell, run: PlanRun): void {
  for (const { lines } of workOrderOf(shell, run.steps))
    for (const { what, lookFor } of lines)
      for (const sentence of [what, lookFor])
        expect(sentence).toMatch(/^(?!.*(?:undefined|\[object))[\p{Lu}“].+\.$/su);
}

/** Applied and undone, a plan gives the first shell back, equal in every part, and so do its edits after they were kept. */
function isTakenBackExactly(shell: Shell, run: PlanRun): void {
  expect(takeBack(run)).toEqual(shell);
  expect(applyEdits(shell, JSON.parse(JSON.stringify(editsOf(run))))).toEqual(run.after);
}

/** Whatever is planned, the shell stays sound, no link breaks unless a step says so, and every target is told of. */
function isSound(shell: Shell, run: PlanRun): void {
  expect(troublesOf(run.after)).toEqual(troublesOf(shell));
  const mayBreak = run.steps.some(
    (s) => s.action === 'delete' && s.targets.some((t) => t.sets.links === 'leave-broken'),
  );
  if (!mayBreak) expect(run.broken).toEqual([]);
  const work = (s: Shell) => s.items.filter((i) => (i.studentWork ?? 0) > 0).length;
  expect(work(run.after)).toBe(work(shell));
  expect(told(run)).toEqual(asked(run));
}

/** Steps normalised and not normalised end in the same shell, and every normalised step does something. */
function endsTheSameNormalised(shell: Shell, run: PlanRun): void {
  const normalised = normalise(shell, run, rules);
  const again = runPlan(shell, normalised, rules);
  expect(diffShells(again.after, run.after)).toEqual([]);
  // Where nothing can be left out the steps stay as they are, with what is told of them.
  if (normalised === run.steps) expect(again.results).toEqual(run.results);
  else expect(again.results.filter((r) => r.outcome !== 'done')).toEqual([]);
}

/** Two halves of a plan, run one after another, equal the whole; what is done in one go is not cut. */
function endsTheSameInHalves(shell: Shell, run: PlanRun, cut: number): void {
  const operations = batchesOf(normalise(shell, run, rules));
  const at = cut % (operations.length + 1);
  const first = runPlan(shell, operations.slice(0, at).flat(), rules);
  const second = runPlan(first.after, operations.slice(at).flat(), rules);
  expect(diffShells(second.after, run.after)).toEqual([]);
}

const asked = (run: PlanRun) => run.steps.flatMap((s) => s.targets.map((t) => `${s.action} ${t.ref}`)).sort();
const told = (run: PlanRun) =>
  run.results.flatMap(({ step }) => step.targets.map((t) => `${step.action} ${t.ref}`)).sort();

test('a step is the same after it was kept and after it was written and made again', () => {
  fc.assert(
    fc.property(plans, ({ shell, steps }) => {
      for (const step of arrange(steps)) {
        expect(stepSchema.parse(JSON.parse(JSON.stringify(step)))).toEqual(step);
        const again = makeStep(shell, writeStep(step));
        expect(again).toEqual({ ok: true, value: step });
      }
    }),
    { numRuns: runsOf(300, 100) },
  );
});

test('the changes of a run that go back to one step can be taken back in any order that fits', () => {
  fc.assert(
    fc.property(plans, ({ shell, steps }) => {
      const run = runPlan(shell, steps, rules);
      const backwards = [...run.changes].reverse().flatMap(({ edits }) => invertEdits(edits));
      expect(applyEdits(run.after, backwards)).toEqual(shell);
      for (const { steps: causes } of run.changes)
        for (const cause of causes) expect(run.steps[cause]).toBeDefined();
    }),
    { numRuns: runsOf(300, 100) },
  );
});
