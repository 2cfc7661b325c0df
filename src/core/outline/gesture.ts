import type { WrittenStep } from '@/core/plan/written-step';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';

/** A step as a screen writes it; who asked for it is known where it is added. */
export type GestureStep = Omit<WrittenStep, 'from'>;
/** What a gesture in the outline comes to: steps as a plan file writes them, done one after another. */
export type Gesture = readonly GestureStep[];
export const noGesture: Gesture = [];

/** What a gesture needs to know of a shell. */
export type OutlineShell = Pick<Shell, 'items'>;

/** The chosen items in outline order, without those that stand inside another chosen one: they go along. */
export function outermost(shell: OutlineShell, refs: ReadonlySet<string>): readonly Item[] {
  const outline = outlineOf(shell);
  return shell.items.filter(
    (item) => refs.has(item.ref) && !outline.ancestors(item).some((around) => refs.has(around.ref)),
  );
}

export const itemOf = (shell: OutlineShell, ref: string): Item | undefined =>
  outlineOf(shell).byRef.get(ref as ItemRef);

/** What stands beside an item, itself included, in order. */
export const siblingsOf = (shell: OutlineShell, item: Item): readonly Item[] =>
  outlineOf(shell).children(item.parent);

/** A ref for something new that the shell does not have: `word-1`, `word-2`, … */
export function newRefs(shell: OutlineShell, word: string, count: number): readonly string[] {
  const known = outlineOf(shell).byRef;
  const refs: string[] = [];
  for (let n = 1; refs.length < count; n += 1) {
    const ref = `${word}-${n}`;
    if (!known.has(ref as ItemRef)) refs.push(ref);
  }
  return refs;
}
