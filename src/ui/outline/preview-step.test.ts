import fc from 'fast-check';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import type { Gesture } from '@/core/outline/gesture';
import { mergeModules, wrapInModule } from '@/core/outline/module-gestures';
import { indent, moveBeside, moveByOne, outdent, unwrapSingles } from '@/core/outline/move-gestures';
import { numberAnew, sortSiblings } from '@/core/outline/order-gestures';
import { makeSteps } from '@/core/plan/make-steps';
import { runPlan } from '@/core/plan/run-plan';
import { blankItem } from '@/core/shell/blank-item';
import { emptyShell } from '@/core/shell/empty-shell';
import type { Item, Shell } from '@/core/shell/model';
import { itemRef } from '@/core/refs/refs';
import { outlineRows } from './outline-model';
import { previewStep } from '@/core/plan/preview-step';

const rules = defaultHouseRules(allChecks);

/** Trees of some thirty items; each stands in one of the modules before it, or at the top. */
const shells: fc.Arbitrary<Shell> = fc
  .array(fc.record({ isModule: fc.boolean(), parent: fc.nat(9), n: fc.nat(20) }), {
    minLength: 3,
    maxLength: 30,
  })
  .map((parts) => {
    let shell: Shell = emptyShell;
    parts.forEach(({ isModule, parent, n }, k) => {
      const modules: (Item | null)[] = [null, ...shell.items.filter((item) => item.kind === 'module')];
      const around = modules[parent % modules.length] ?? null;
      const item: Item = {
        ...blankItem,
        ref: itemRef(`i${k}`),
        kind: isModule ? 'module' : 'page',
        title: `${isModule ? 'Week' : 'Page'} ${n}`,
        placed: true,
        parent: around?.ref ?? null,
      };
      shell = inOrder({ ...shell, items: [...shell.items, item] });
    });
    return shell;
  });

/** Items as an outline lists them: what stands in a module behind it. */
function inOrder(shell: Shell): Shell {
  const visit = (parent: Item['parent']): Item[] =>
    shell.items.filter((item) => item.parent === parent).flatMap((item) => [item, ...visit(item.ref)]);
  return { ...shell, items: visit(null) };
}

const gestures: readonly ((shell: Shell, refs: ReadonlySet<string>, other: string) => Gesture)[] = [
  (shell, refs, other) => moveBeside(shell, refs, other, 'before'),
  (shell, refs, other) => moveBeside(shell, refs, other, 'after'),
  (shell, refs, other) => moveBeside(shell, refs, other, 'inside'),
  (shell, refs) => moveByOne(shell, refs, true),
  (shell, refs) => moveByOne(shell, refs, false),
  (shell, refs) => indent(shell, refs),
  (shell, refs) => outdent(shell, refs),
  (shell, refs) => sortSiblings(shell, refs, 'number'),
  (shell, refs) => wrapInModule(shell, refs, 'Together'),
  (shell, refs) => mergeModules(shell, refs),
  (shell, refs) => unwrapSingles(shell, refs),
  (shell, refs) => numberAnew(shell, refs),
  (_, refs) => (refs.size ? [{ action: 'hide', targets: [...refs], params: {} }] : []),
];

test('what is shown at once is what the plan does: 1,000 gestures on outlines of any shape', () => {
  fc.assert(
    fc.property(
      shells,
      fc.nat(gestures.length - 1),
      fc.array(fc.nat(29), { minLength: 1, maxLength: 5 }),
      fc.nat(29),
      (shell, which, chosen, goal) => {
        const at = (n: number) => shell.items[n % shell.items.length]!.ref as string;
        const gesture = gestures[which]!(shell, new Set(chosen.map(at)), at(goal));
        const shown = gesture.reduce<Shell | null>((now, step) => now && previewStep(now, step), shell);
        const steps = makeSteps(
          shell,
          gesture.map((step) => ({ ...step, from: 'hand' })),
        );
        if (!steps.ok) throw new Error(steps.trouble.message);
        const run = runPlan(shell, steps.value, rules);
        if (run.results.some((result) => result.outcome === 'blocked')) return;
        const lines = (s: Shell) => s.items.map((i) => [i.ref, i.kind, i.title, i.parent, i.shown]);
        expect(lines(shown!)).toEqual(lines(run.after));
      },
    ),
    { numRuns: 1000 },
  );
});

test('what students get is told in four forms, each with its reason', () => {
  const items: Item[] = [
    { ...blankItem, ref: itemRef('m'), kind: 'module', title: 'Left over', placed: true, shown: false },
    { ...blankItem, ref: itemRef('p'), title: 'Page', placed: true, parent: itemRef('m') },
    { ...blankItem, ref: itemRef('t'), title: 'Timed', placed: true, opens: '2027-01-12T08:00:00' as never },
    { ...blankItem, ref: itemRef('s'), title: 'Shown', placed: true },
  ];
  const rows = outlineRows({ items }, new Set());
  expect(rows.map((row) => [row.sight, row.level])).toEqual([
    ['Hidden', 1],
    ['Shadowed', 2],
    ['Timed', 1],
    ['Shown', 1],
  ]);
  expect(rows[1]?.because).toContain('“Left over”');
  expect(rows[2]?.because).toContain('12 January 2027');
  expect(outlineRows({ items }, new Set(['m'])).map((row) => row.item.ref)).toEqual(['m', 't', 's']);
});
