import equal from 'fast-deep-equal';
import type { Shell } from '@/core/shell/model';
import { newlyExposed, type KeyNames } from './exposed-keys';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import type { Verdict } from './results';
import { actionOf, applyAction, type AnyAction, type AnyTarget, type Step } from './step';

/** What a batch of steps of one action came to. */
export interface BatchRun {
  readonly shell: Shell;
  /** What became of each step’s targets: a map for each step, in order. */
  readonly verdicts: readonly ReadonlyMap<string, Verdict>[];
  readonly rewritten: ReadonlyMap<string, number>;
}

export interface BatchContext {
  /** The shell that the plan began from: tells what is stale from what another step of the plan changed. */
  readonly base: Shell;
  readonly keys: KeyNames;
}

/** Does steps of one action, whose targets are all different but for deletions, in one go. */
export function runBatch(shell: Shell, steps: readonly Step[], context: BatchContext): BatchRun {
  const [first] = steps;
  if (!first) return { shell, verdicts: [], rewritten: new Map() };
  const action = actionOf(first.action);
  const verdicts = steps.map(() => new Map<string, Verdict>());
  const ready = new Map<string, { target: AnyTarget; step: number }>();
  steps.forEach((step, n) => {
    for (const target of step.targets as readonly AnyTarget[]) {
      const early = ready.has(target.ref)
        ? ({ outcome: 'nothing', reason: action.nothing } as const)
        : verdictBefore(shell, action, target, context.base);
      if (early) verdicts[n]?.set(target.ref, early);
      else ready.set(target.ref, { target, step: n });
    }
  });
  const targets = [...ready.values()].map(({ target }) => target);
  const { after, blocked, rewritten } = applyWithoutKeys(shell, action, targets, context.keys);
  const isChanged = after !== shell;
  for (const { target, step } of ready.values()) {
    const reason = blocked.get(target.ref);
    verdicts[step]?.set(target.ref, verdictAfter(reason, isChanged, action));
  }
  return { shell: after, verdicts, rewritten };
}

function verdictAfter(reason: string | undefined, isChanged: boolean, action: AnyAction): Verdict {
  if (reason !== undefined) return { outcome: 'blocked', reason };
  return isChanged ? { outcome: 'done' } : { outcome: 'nothing', reason: action.nothing };
}

/** What can be said of a target before the step is tried; null where it is to be tried. */
function verdictBefore(shell: Shell, action: AnyAction, target: AnyTarget, base: Shell): Verdict | null {
  const type = refsOf(shell).typeOf(target.ref);
  if (action.creates) return type === null ? null : { outcome: 'blocked', reason: action.only };
  if (type === null) return verdictOfMissing(action, target, base);
  if (!action.on.includes(type)) return { outcome: 'blocked', reason: action.only };
  const now = action.now(shell, target.ref, target.sets);
  if (now === null) return { outcome: 'blocked', reason: action.only };
  if (action.isSet(now, target.sets, shell, target.ref))
    return { outcome: 'nothing', reason: action.nothing };
  if (equal(now, target.expects)) return null;
  const wasAsExpected = equal(action.now(base, target.ref, target.sets), target.expects);
  return {
    outcome: 'blocked',
    reason: wasAsExpected
      ? 'another step of this plan changes it, too; take one of the two out of the plan'
      : 'it is not any more what it was when this step was made; look at it again and make the step anew',
  };
}

function verdictOfMissing(action: AnyAction, target: AnyTarget, base: Shell): Verdict {
  if (action.phase === 'delete') return { outcome: 'nothing', reason: action.nothing };
  const wasThere = refsOf(base).typeOf(target.ref) !== null;
  return {
    outcome: 'blocked',
    reason: wasThere
      ? 'another step of this plan takes it away; take one of the two out of the plan'
      : 'it is not in this shell any more; comb it again',
  };
}

interface WithoutKeys {
  readonly after: Shell;
  readonly blocked: Map<string, string>;
  readonly rewritten: ReadonlyMap<string, number>;
}

/** Does the action to the targets but for those by which students would come to see answers. */
function applyWithoutKeys(
  shell: Shell,
  action: AnyAction,
  targets: readonly AnyTarget[],
  keys: KeyNames,
): WithoutKeys {
  const blocked = new Map<string, string>();
  let left = targets;
  for (;;) {
    if (!left.length) return { after: shell, blocked, rewritten: new Map() };
    const applied = applyAction(shell, action.name, left);
    const exposed = action.mayShow ? newlyExposed(shell, applied.shell, keys) : [];
    const held = new Map(
      exposed.flatMap(({ item, around }) =>
        left
          .filter((target) => around.has(target.ref) && !applied.blocked.has(target.ref))
          .map((target) => [
            target.ref,
            `students would see “${item.title}”, whose name says that it holds answers; rename it first if it is meant for them`,
          ]),
      ),
    );
    if (!held.size) {
      for (const [ref, reason] of applied.blocked) blocked.set(ref, reason);
      const rewritten = applied.rewritten ?? new Map<string, number>();
      return { after: applied.shell, blocked, rewritten };
    }
    for (const [ref, reason] of held) blocked.set(ref, reason);
    left = left.filter((target) => !held.has(target.ref));
  }
}
