import fc from 'fast-check';
import { runs as runsOf } from '@/core/__tests__/runs';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { shells } from './__tests__/random-shells';
import { hand, stepsOf } from './__tests__/written-plans';
import { contradictionsIn } from './contradictions';
import { normalise } from './normalise';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { runPlan } from './run-plan';
import { actionOf, type AnyTarget, type Step } from './step';
import { makeStep, type WrittenStep } from './written-step';

function shell() {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'w1' });
  composer.module('Week 2', { ref: 'w2' });
  for (const ref of ['a', 'b']) composer.page(ref, '<p>text</p>', { ref, parent: 'w1', path: `${ref}.html` });
  return composer.shell();
}
/** Steps that were each made for the shell as it stands. */
const atOnce = (...steps: WrittenStep[]): Step[] => stepsOf(shell(), steps);
/** Steps that were each made for the shell as the ones before leave it, as the plan drawer has them made. */
function inTurn(...written: WrittenStep[]): Step[] {
  const steps: Step[] = [];
  for (const one of written) {
    const step = makeStep(runPlan(shell(), steps).after, one);
    if (!step.ok) throw new Error(step.trouble.message);
    steps.push(step.value);
  }
  return steps;
}
const rename = (to: string, ref = 'a') => hand('rename', [ref], { titles: { [ref]: to } });

test.each<[string, Step[], ReturnType<typeof contradictionsIn>]>([
  [
    'hidden and shown',
    inTurn(hand('hide', ['a', 'b']), hand('show', ['b'])),
    [{ earlier: 0, later: 1, counts: 'later', refs: ['b'], deletes: false }],
  ],
  [
    'moved to two places',
    inTurn(hand('move', ['a'], { into: 'w2' }), hand('hide', ['a']), hand('move', ['a'], { into: null })),
    [{ earlier: 0, later: 2, counts: 'later', refs: ['a'], deletes: false }],
  ],
  [
    'two titles on the same state: the first is done, the second is not',
    atOnce(rename('One'), rename('Two')),
    [{ earlier: 0, later: 1, counts: 'earlier', refs: ['a'], deletes: false }],
  ],
  [
    'two titles one after the other',
    inTurn(rename('One'), rename('Two')),
    [{ earlier: 0, later: 1, counts: 'later', refs: ['a'], deletes: false }],
  ],
  [
    'renamed and deleted, whichever comes first',
    atOnce(hand('delete', ['a']), rename('Other')),
    [{ earlier: 1, later: 0, counts: 'later', refs: ['a'], deletes: true }],
  ],
])('%s', (_, steps, expected) => {
  expect(contradictionsIn(steps, runPlan(shell(), steps))).toEqual(expected);
});

test('what says the same twice, or something else, is no contradiction', () => {
  const same = hand('move', ['a'], { into: 'w2' });
  const steps = atOnce(same, same, hand('hide', ['a']), hand('hide', ['b']));
  expect(contradictionsIn(steps, runPlan(shell(), steps))).toEqual([]);
});

/** Plans whose steps say different things of few things, each made for the shell as it stands or in its turn. */
const disputed = shells.chain((random) => {
  // Few things, so that several steps are about the same.
  const refs = random.items.slice(0, 3).map(({ ref }) => ref);
  const modules = random.items.filter(({ kind }) => kind === 'module').map(({ ref }) => ref);
  const one: fc.Arbitrary<WrittenStep> = fc
    .record({ ref: fc.constantFrom(...refs, 'none'), n: fc.nat(2), kind: fc.nat(6), into: fc.nat(3) })
    .map(({ ref, n, kind, into }) => {
      const places = [null, ...modules];
      const all: readonly WrittenStep[] = [
        rename(`Title ${n}`, ref),
        hand('hide', [ref]),
        hand('show', [ref]),
        hand('move', [ref], { into: places[into % places.length] }),
        hand('set-points', [ref], { points: { [ref]: n } }),
        hand('delete', [ref], { unlink: true }),
        hand('re-date', [ref], { dates: { [ref]: { due: `2027-02-0${n + 1}T12:00:00` } } }),
      ];
      return all[kind] ?? hand('hide', [ref]);
    });
  return fc
    .record({ written: fc.array(one, { minLength: 2, maxLength: 8 }), isInTurn: fc.boolean() })
    .map((plan) => ({ random, ...plan }));
});

function madeFor(random: Shell, written: readonly WrittenStep[], isInTurn: boolean): Step[] {
  const steps: Step[] = [];
  for (const one of written) {
    const state = isInTurn ? runPlan(random, steps).after : random;
    const step = makeStep(state, one);
    if (step.ok) steps.push(step.value);
  }
  return steps;
}

test('the step that is said to count is the one that rehearsal and run carry out', () => {
  const seen = { earlier: 0, later: 0, deletes: 0 };
  fc.assert(
    fc.property(disputed, ({ random, written, isInTurn }) => {
      const steps = madeFor(random, written, isInTurn);
      const run = runPlan(random, steps);
      const normalised = normalise(random, run, { keyMarks: [] });
      // What is rehearsed is what is carried out.
      expect(runPlan(random, normalised).after).toEqual(run.after);
      const found = contradictionsIn(steps, run);
      for (const one of found) {
        seen[one.deletes ? 'deletes' : one.counts] += 1;
        for (const ref of one.refs) expectToCount(run.after, steps, one, ref, found);
      }
    }),
    { numRuns: runsOf(2_000, 250) },
  );
  expect(Object.values(seen).every((count) => count > 5)).toBe(true);
});

/** Of all steps that decide one thing, the one that counts in its last contradiction is what the shell shows afterwards. */
function expectToCount(
  after: Shell,
  steps: readonly Step[],
  { earlier, later, counts, deletes }: ReturnType<typeof contradictionsIn>[number],
  ref: string,
  found: ReturnType<typeof contradictionsIn>,
): void {
  if (deletes) {
    expect(refsOf(after).typeOf(ref)).toBeNull();
    return;
  }
  const counting = steps[counts === 'earlier' ? earlier : later]!;
  const action = actionOf(counting.action);
  const isLast = found.every(
    (other) =>
      !other.refs.includes(ref) ||
      (!other.deletes && other.later <= later) ||
      actionOf(steps[other.later]!.action).decides !== action.decides,
  );
  const isDeleted = refsOf(after).typeOf(ref) === null;
  if (!isLast || isDeleted || action.decides === 'place') return;
  const target = (counting.targets as readonly AnyTarget[]).find((one) => one.ref === ref)!;
  expect(action.isSet(action.now(after, ref, target.sets), target.sets, after, ref)).toBe(true);
}
