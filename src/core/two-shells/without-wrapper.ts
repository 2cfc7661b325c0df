import { outlineOf } from '@/core/shell/outline';
import type { Item, Shell } from '@/core/shell/model';

/** The one module that holds all of a shell’s outline; null where the outline has more at its top, or the module shows something. */
export function wrapperOf(shell: Shell): Item | null {
  const outline = outlineOf(shell);
  const [only, ...others] = outline.children(null);
  if (only?.kind !== 'module' || only.content !== null || others.length > 0) return null;
  const isDivided = outline.children(only.ref).some(({ kind }) => kind === 'module');
  return isDivided ? only : null;
}

/**
 * Two shells as they are compared: where only one of them has its whole outline in one module, that module is looked
 * through. Exports wrap an outline so, and a wrapper on one side would have every module stand elsewhere.
 */
export function withoutWrapper(other: Shell, here: Shell): readonly [Shell, Shell] {
  const [otherWrapper, wrapper] = [wrapperOf(other), wrapperOf(here)];
  if ((otherWrapper === null) === (wrapper === null)) return [other, here];
  return [lifted(other, otherWrapper), lifted(here, wrapper)];
}

function lifted(shell: Shell, wrapper: Item | null): Shell {
  if (wrapper === null) return shell;
  const items = shell.items
    .filter((item) => item !== wrapper)
    .map((item) => (item.parent === wrapper.ref ? { ...item, parent: null } : item));
  return { ...shell, items };
}
