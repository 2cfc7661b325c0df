import { outlineOf } from '@/core/shell/outline';
import type { Item, Shell } from '@/core/shell/model';
import { fitsPattern } from '@/core/text/title-pattern';

/** The stores of a shell for staff, as the house rules name them. */
export interface StaffStores {
  /** Is it such a module, or inside one? */
  readonly holds: (item: Item) => boolean;
  /** The shell without them: what all checks but one look at. */
  readonly rest: Shell;
}

/**
 * Takes the modules that are named as stores of staff out of a shell, with everything inside: items, the contents that
 * only they show, and files that stand in them as items. What they use of the rest stays, and links stay readable.
 */
export function staffStoresOf(shell: Shell, patterns: readonly string[]): StaffStores {
  const inside = new Set<Item>();
  const outline = outlineOf(shell);
  for (const item of shell.items) {
    if (item.kind !== 'module' || inside.has(item) || !fitsPattern(item.title, patterns)) continue;
    inside.add(item);
    for (const below of outline.descendants(item.ref)) inside.add(below);
  }
  if (!inside.size) return { holds: () => false, rest: shell };
  const items = shell.items.filter((i) => !inside.has(i));
  const elsewhere = new Set(items.map((i) => i.content));
  const gone = new Set([...inside].map((i) => i.content).filter((id) => id !== null && !elsewhere.has(id)));
  const rest: Shell = {
    ...shell,
    items,
    contents: shell.contents.filter((c) => !gone.has(c.id)),
    files: shell.files.filter((f) => !gone.has(f.content)),
  };
  return { holds: (item) => inside.has(item), rest };
}
