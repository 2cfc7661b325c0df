import { runs as runsOf } from '@/core/__tests__/runs';
import fc from 'fast-check';
import { applyEdits } from '@/core/edits/apply-edits';
import { joinEdits } from '@/core/edits/single-edits';
import { shells, writtenPlans } from './__tests__/random-shells';
import { stepsOf } from './__tests__/written-plans';
import { makeStep } from './written-step';
import { runPlan } from './run-plan';
import { scriptOf, undoScript, type ScriptLine } from './script';

const plans = shells.chain((shell) =>
  writtenPlans(shell).map((written) => ({
    shell,
    steps: stepsOf(
      shell,
      written.filter((one) => makeStep(shell, one).ok),
    ),
  })),
);
const editsOfLines = (lines: readonly ScriptLine[]) => lines.map(({ edit }) => edit);

test('a script leads to what was rehearsed, change by change, and its way back to the first shell', () => {
  fc.assert(
    fc.property(plans, ({ shell, steps }) => {
      const run = runPlan(shell, steps);
      const script = scriptOf(run);
      let now = shell;
      for (const edit of editsOfLines(script)) now = applyEdits(now, [edit]);
      expect(now).toEqual(run.after);
      for (const edit of editsOfLines(undoScript(script))) now = applyEdits(now, [edit]);
      expect(now).toEqual(shell);
    }),
    { numRuns: runsOf(400, 100) },
  );
});

test('joined, the changes of a script lead to the same shell', () => {
  fc.assert(
    fc.property(plans, ({ shell, steps }) => {
      const run = runPlan(shell, steps);
      const edits = editsOfLines(scriptOf(run));
      expect(applyEdits(shell, joinEdits(edits))).toEqual(run.after);
    }),
    { numRuns: runsOf(400, 100) },
  );
});

test('every line names one thing and a step of the run; what is inside goes before what is around it', () => {
  fc.assert(
    fc.property(plans, ({ shell, steps }) => {
      const run = runPlan(shell, steps);
      const gone = new Set<string>();
      for (const { edit, steps: causes } of scriptOf(run)) {
        for (const cause of causes) expect(run.steps[cause]).toBeDefined();
        if (edit.op === 'insert' || edit.op === 'remove') expect(edit.things).toHaveLength(1);
        if (edit.op !== 'remove' || edit.list !== 'items') continue;
        for (const { thing } of edit.things) {
          gone.add(thing.ref);
          expect(thing.parent === null || !gone.has(thing.parent)).toBe(true);
        }
      }
    }),
    { numRuns: runsOf(400, 100) },
  );
});
