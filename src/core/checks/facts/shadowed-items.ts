import { contentOfNode } from '@/core/links/graph';
import type { GradeColumnRef } from '@/core/refs/refs';
import type { Item } from '@/core/shell/model';
import { pointsOf } from '@/core/shell/points';
import type { Outline } from '@/core/shell/outline';
import type { StaffStores } from './staff-stores';
import type { OpenDoors } from './open-doors';

/** The shown items inside a hidden container, and those among them that matter: graded, or linked from what students see. */
export interface ShadowedGroup {
  readonly container: Item;
  readonly items: readonly Item[];
  readonly serious: readonly { readonly item: Item; readonly graded: boolean }[];
}

export function shadowedIn(
  { rest: shell, holds }: StaffStores,
  outline: Outline,
  doors: OpenDoors,
  activities: ReadonlyMap<GradeColumnRef, readonly Item[]>,
): ShadowedGroup[] {
  const linked = new Set<Item>();
  for (const { edge } of doors.links) {
    const content = contentOfNode(edge.to);
    if (content) for (const place of doors.placesOf(content)) linked.add(place);
  }
  const graded = new Set([...activities.values()].flat());
  const groups: ShadowedGroup[] = [];
  for (const container of shell.items) {
    if (!(container.shown === false || container.staffOnly) || !container.placed) continue;
    const around = outline.ancestors(container);
    if (around.some((a) => a.shown === false || a.staffOnly)) continue;
    const items = outline
      .descendants(container.ref)
      .filter((i) => i.shown !== false && !i.staffOnly && !holds(i));
    if (!items.length) continue;
    const serious = items.flatMap((item) => {
      const counts =
        graded.has(item) ||
        ((pointsOf(shell, item) ?? 0) > 0 && (item.kind === 'assignment' || item.kind === 'quiz'));
      return counts || linked.has(item) ? [{ item, graded: counts }] : [];
    });
    groups.push({ container, items, serious });
  }
  return groups;
}
