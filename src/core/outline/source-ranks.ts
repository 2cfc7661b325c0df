import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { SourceRanks } from './order-gestures';

/**
 * The source’s own order: that in which the package names the contents of the items, whatever the outline says. A module
 * stands where the first thing in it does.
 */
export function sourceRanks(shell: Shell): SourceRanks {
  const outline = outlineOf(shell);
  const places = new Map(shell.contents.map((content, place) => [content.id, place]));
  const ranks = new Map<string, number>();
  for (const item of shell.items) {
    const place = item.content === null ? undefined : places.get(item.content);
    if (place === undefined) continue;
    for (const one of [item, ...outline.ancestors(item)])
      ranks.set(one.ref, Math.min(place, ranks.get(one.ref) ?? Infinity));
  }
  return ranks;
}
