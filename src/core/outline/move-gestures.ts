import type { Item } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import {
  itemOf,
  noGesture,
  outermost,
  siblingsOf,
  type Gesture,
  type GestureStep,
  type OutlineShell,
} from './gesture';

export type Side = 'before' | 'after' | 'inside';

/** The step that brings placed items to a place, and the one that places what stands outside there. */
function bring(items: readonly Item[], into: string | null, before: string | null): Gesture {
  const step = (action: string, some: readonly Item[]): GestureStep[] =>
    some.length === 0 ? [] : [{ action, targets: some.map((item) => item.ref), params: { into, before } }];
  return [
    ...step(
      'move',
      items.filter((item) => item.placed),
    ),
    ...step(
      'place',
      items.filter((item) => !item.placed),
    ),
  ];
}

/** Brings the chosen items before or after a neighbour, or into a module at its end. */
export function moveBeside(
  shell: OutlineShell,
  refs: ReadonlySet<string>,
  neighbour: string,
  side: Side,
): Gesture {
  const goal = itemOf(shell, neighbour);
  const moving = outermost(shell, refs).filter((item) => item.ref !== neighbour);
  if (!goal?.placed || moving.length === 0) return noGesture;
  if (side === 'inside') return goal.kind === 'module' ? bring(moving, goal.ref, null) : noGesture;
  if (side === 'before') return bring(moving, goal.parent, goal.ref);
  const staying = siblingsOf(shell, goal).filter((item) => !moving.includes(item));
  return bring(moving, goal.parent, staying[staying.indexOf(goal) + 1]?.ref ?? null);
}

/** One place up or down among its siblings; the chosen ones stay together. */
export function moveByOne(shell: OutlineShell, refs: ReadonlySet<string>, down: boolean): Gesture {
  const moving = outermost(shell, refs).filter((item) => item.placed);
  const edge = down ? moving.at(-1) : moving[0];
  if (!edge) return noGesture;
  const siblings = siblingsOf(shell, edge);
  const neighbour = siblings[siblings.indexOf(edge) + (down ? 1 : -1)];
  return neighbour ? moveBeside(shell, refs, neighbour.ref, down ? 'after' : 'before') : noGesture;
}

/** Into the module that stands right above the first chosen one. */
export function indent(shell: OutlineShell, refs: ReadonlySet<string>): Gesture {
  const [first] = outermost(shell, refs);
  if (!first?.placed) return noGesture;
  const siblings = siblingsOf(shell, first);
  const above = siblings.slice(0, siblings.indexOf(first)).findLast((item) => !refs.has(item.ref));
  return above?.kind === 'module' ? moveBeside(shell, refs, above.ref, 'inside') : noGesture;
}

/** Out of their module, right behind it; the module stays. */
export function outdent(shell: OutlineShell, refs: ReadonlySet<string>): Gesture {
  const [first] = outermost(shell, refs);
  if (!first?.placed || first.parent === null) return noGesture;
  return moveBeside(shell, refs, first.parent, 'after');
}

/** Takes modules away that hold a single item: the item stands where its module stood. */
export function unwrapSingles(shell: OutlineShell, refs: ReadonlySet<string>): Gesture {
  const outline = outlineOf(shell);
  const singles = shell.items
    .filter((item) => item.kind === 'module' && refs.has(item.ref))
    .flatMap((module) => {
      const inside = outline.children(module.ref);
      return inside.length === 1 ? inside : [];
    });
  if (singles.length === 0) return noGesture;
  return [{ action: 'lift-out', targets: singles.map((item) => item.ref), params: {} }];
}
