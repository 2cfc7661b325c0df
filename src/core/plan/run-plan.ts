import { elementAt } from '@/core/sure';
import { append } from '@/core/collect';
import { diffShells } from '@/core/edits/diff-shells';
import { applyEdits } from '@/core/edits/apply-edits';
import { invertEdits, type Edit } from '@/core/edits/edit';
import { linkGraphOf, type NodeKey } from '@/core/links/graph';
import { countShell } from '@/core/inventory/inventory';
import type { Shell } from '@/core/shell/model';
import { filePath } from '@/core/refs/refs';
import { usualKeyMarks } from '@/core/text/answer-name';
import { arrange } from './arrange';
import { batchesOf } from './batches';
import { causesIn } from './causes';
import { keyNames } from './exposed-keys';
import { titleOfNode } from './deletion/guards';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { resultsOf, type StepResult, type Verdict } from './results';
import { runBatch } from './run-batch';
import { splitEdits, type StepEdits } from './split-edits';
import { actionOf, type AnyTarget, type Step } from './step';

export interface RemovedCounts {
  readonly items: number;
  readonly files: number;
  readonly events: number;
  readonly gradeCategories: number;
  readonly gradeColumns: number;
  readonly banks: number;
}

/** What a plan comes to on a shell. */
export interface PlanRun {
  readonly before: Shell;
  readonly after: Shell;
  /** The steps in the order in which they were applied. */
  readonly steps: readonly Step[];
  /** In the order of `steps`, each with what became of it or of its parts. */
  readonly results: readonly StepResult[];
  /** Every change, with the steps that it goes back to; together they are the way from `before` to `after`. */
  readonly changes: readonly StepEdits[];
  /** Addresses rewritten in texts that are still there afterwards. */
  readonly relinked: number;
  readonly removed: RemovedCounts;
  /** Links that lead somewhere before and nowhere afterwards. */
  readonly broken: readonly { readonly from: string; readonly asked: string }[];
}

export interface RunRules {
  /** Short marks in names that mean answers, as the house rules have them. */
  readonly keyMarks: readonly string[];
}

const usualRules: RunRules = { keyMarks: usualKeyMarks };

/**
 * Runs a whole plan on a shell and tells what became of each step: the one function behind rehearsal and run. Steps are
 * applied in the order of `arrange`, one after another; those that belong together in one go.
 */
export function runPlan(shell: Shell, steps: readonly Step[], rules: RunRules = usualRules): PlanRun {
  const ordered = arrange(steps);
  const context = { base: shell, keys: keyNames(rules.keyMarks) };
  const titles = refsOf(shell);
  const results: StepResult[] = [];
  const changes: StepEdits[] = [];
  const rewritten = new Map<string, number>();
  let now = shell;
  let first = 0;
  for (const batch of batchesOf(ordered)) {
    const run = runBatch(now, batch, context);
    const edits = diffShells(now, run.shell);
    if (batch.length === 1 && edits.length) changes.push({ steps: [first], edits });
    else append(changes, splitEdits(now, run.shell, edits, causesIn(now, batch, first)));
    for (const [node, n] of run.rewritten) rewritten.set(node, (rewritten.get(node) ?? 0) + n);
    const nothing: Verdict = { outcome: 'nothing', reason: actionOf(elementAt(batch, 0).action).nothing };
    batch.forEach((step, n) => {
      const verdicts = run.verdicts[n];
      const verdictOf = ({ ref }: AnyTarget): Verdict => {
        const verdict = verdicts?.get(ref) ?? nothing;
        return verdict.outcome === 'done' && !edits.length ? nothing : verdict;
      };
      append(
        results,
        resultsOf(step, verdictOf, (ref) => titleIn(titles, refsOf(run.shell), ref)),
      );
    });
    now = edits.length ? run.shell : now;
    first += batch.length;
  }
  return {
    before: shell,
    after: now,
    steps: ordered,
    results,
    changes,
    relinked: countAlive(now, rewritten),
    removed: countRemoved(shell, now),
    broken: newlyBroken(shell, now),
  };
}

type Titles = ReturnType<typeof refsOf>;
const titleIn = (before: Titles, after: Titles, ref: string): string =>
  before.typeOf(ref) === null ? after.titleOf(ref) : before.titleOf(ref);

/** All the edits of a run, in order. */
export const editsOf = (run: Pick<PlanRun, 'changes'>): Edit[] => run.changes.flatMap(({ edits }) => edits);

/** One step on its own, with its exact inverse. */
export function apply(
  shell: Shell,
  step: Step,
): { readonly shell: Shell; readonly inverse: readonly Edit[]; readonly results: readonly StepResult[] } {
  const run = runPlan(shell, [step]);
  return { shell: run.after, inverse: invertEdits(editsOf(run)), results: run.results };
}

/** The shell as it was before a run, out of what it is after it. */
export const takeBack = (run: PlanRun): Shell => applyEdits(run.after, invertEdits(editsOf(run)));

function countAlive(shell: Shell, rewritten: ReadonlyMap<string, number>): number {
  if (!rewritten.size) return 0;
  const alive = new Set<string>([
    ...shell.contents.map((c): NodeKey => `content:${c.id}`),
    ...shell.files.map((f): NodeKey => `file:${f.path}`),
  ]);
  return [...rewritten].reduce((sum, [node, n]) => sum + (alive.has(node) ? n : 0), 0);
}

/** How many of each kind are there no more. */
export function countRemoved(before: Shell, after: Shell): RemovedCounts {
  const [was, now] = [countShell(before), countShell(after)];
  return {
    items: was.items - now.items,
    files: was.files - now.files,
    events: was.events - now.events,
    gradeCategories: was.gradeCategories - now.gradeCategories,
    gradeColumns: was.gradeColumns - now.gradeColumns,
    banks: was.banks - now.banks,
  };
}

function newlyBroken(before: Shell, after: Shell): { from: string; asked: string }[] {
  if (before.contents === after.contents && before.files === after.files) return [];
  const graph = linkGraphOf(before);
  const old = new Set(graph.broken.map((b) => `${b.from} ${b.asked}`));
  // A copy of a text with a broken link breaks nothing: there was nothing there before either.
  return linkGraphOf(after)
    .broken.filter((b) => !old.has(`${b.from} ${b.asked}`) && graph.paths.find(filePath(b.asked)) !== null)
    .map((b) => ({ from: titleOfNode(after, b.from), asked: b.asked }));
}
