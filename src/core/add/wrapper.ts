import { numberLabel } from '@/core/text/number-label';
import { titleKey } from '@/core/text/normalise';
import { outlineOf } from '@/core/shell/outline';
import type { Item, Shell } from '@/core/shell/model';

/**
 * The one module that a shell’s whole outline stands in; null where there is none. Exports wrap an outline so. A module
 * that counts, or whose title the other shell has, too, is a module like any other.
 */
export function wrapperOf(shell: Shell, other: Shell): Item | null {
  const outline = outlineOf(shell);
  const [only, ...others] = outline.children(null);
  if (only?.kind !== 'module' || others.length > 0 || numberLabel(only.title) !== null) return null;
  const isFilled = ({ kind, ref }: Item) => kind === 'module' && outline.children(ref).length > 0;
  if (!outline.children(only.ref).some(isFilled)) return null;
  const title = titleKey(only.title);
  return other.items.some((item) => titleKey(item.title) === title) ? null : only;
}

/** Two shells as they are compared: a module around everything on one side is looked through. */
export function withoutWrappers(other: Shell, here: Shell): readonly [Shell, Shell] {
  return [lifted(other, wrapperOf(other, here)), lifted(here, wrapperOf(here, other))];
}

function lifted(shell: Shell, wrapper: Item | null): Shell {
  if (wrapper === null) return shell;
  const items = shell.items
    .filter((item) => item !== wrapper)
    .map((item) => (item.parent === wrapper.ref ? { ...item, parent: null } : item));
  return { ...shell, items };
}
