import { entryOf } from '@/core/entries';
import type { GestureStep } from '@/core/outline/gesture';
import { add } from '@/core/plan/actions/add';
import { liftOut } from '@/core/plan/actions/lift-out';
import { merge } from '@/core/plan/actions/merge';
import { move } from '@/core/plan/actions/move';
import { sort } from '@/core/plan/actions/sort';
import type { Item, Shell } from '@/core/shell/model';
import { putItem } from '@/core/plan/outline-changes';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/shell/refs';

/**
 * A step shown at once, before the server has tried it: by the same pure functions, on the part of the shell that is
 * here. Null for a step that needs more of the shell than that; the server’s answer is waited for then.
 */
export function previewStep(shell: Shell, step: GestureStep): Shell | null {
  const { action, targets } = step;
  switch (action) {
    case 'hide':
    case 'show':
      return withChanged(shell, targets, () => ({ shown: action === 'show' }));
    case 'rename': {
      const titles = step.params['titles'] as Readonly<Record<string, string>>;
      return withChanged(shell, targets, (item) => ({ title: entryOf(titles, item.ref) ?? item.title }));
    }
    case 'clear-dates':
      return withChanged(shell, targets, () => ({ opens: null, closes: null, due: null }));
    case 'set-points': {
      const points = step.params['points'] as Readonly<Record<string, number | null>>;
      return withChanged(shell, targets, (item) => ({ points: entryOf(points, item.ref) ?? null }));
    }
    case 're-date': {
      const dates = step.params['dates'] as Readonly<Record<string, Partial<Item>>>;
      return withChanged(shell, targets, (item) => entryOf(dates, item.ref) ?? {});
    }
    case 'add':
      return add.apply(shell, targetsOf(add, step, shell)).shell;
    case 'move':
      return move.apply(shell, targetsOf(move, step, shell)).shell;
    case 'place':
      return placed(shell, targetsOf(move, step, shell));
    case 'sort':
      return sort.apply(shell, targetsOf(sort, step, shell)).shell;
    case 'lift-out':
      return liftOut.apply(shell, targetsOf(liftOut, step, shell)).shell;
    case 'merge':
      return merge.apply(shell, targetsOf(merge, step, shell)).shell;
    default:
      return null;
  }
}

interface Written<Params, Sets> {
  readonly setsOf: (params: Params, ref: string, shell: Shell) => Sets | null;
}

/** The targets of a step as its action takes them; what it expects is the server’s to ask. */
function targetsOf<Params, Sets>(action: Written<Params, Sets>, step: GestureStep, shell: Shell) {
  return step.targets.flatMap((ref) => {
    const sets = action.setsOf(step.params as Params, ref, shell);
    return sets === null ? [] : [{ ref, expects: null, sets }];
  });
}

function placed(
  shell: Shell,
  targets: readonly { readonly ref: string; readonly sets: { into: string | null; before: string | null } }[],
): Shell {
  return targets.reduce((now, { ref, sets }) => {
    const item = outlineOf(now).byRef.get(ref as ItemRef);
    return item ? putItem(now, item, sets) : now;
  }, shell);
}

function withChanged(shell: Shell, targets: readonly string[], change: (item: Item) => Partial<Item>): Shell {
  const wanted = new Set(targets);
  return {
    ...shell,
    items: shell.items.map((item) => (wanted.has(item.ref) ? { ...item, ...change(item) } : item)),
  };
}
