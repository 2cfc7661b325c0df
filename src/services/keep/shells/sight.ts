import type { Item } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';

/** What students get of an item, in a word. */
export function sightOf(outline: Outline, item: Item): string {
  if (item.shown === false || item.staffOnly) return 'Hidden';
  const above = outline.ancestors(item).find((a) => a.shown === false || a.staffOnly);
  if (above) return `Shadowed by “${above.title}”`;
  return item.opens || item.closes ? 'Timed' : 'Shown';
}
