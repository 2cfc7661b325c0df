import { itemRef } from '@/core/refs/refs';
import { blankItem } from '@/core/shell/blank-item';
import { emptyShell } from '@/core/shell/empty-shell';
import type { Item, Shell } from '@/core/shell/model';
import type { Choice } from './choose';
import { incomingKey, type AddPreview, type IncomingKey } from './incoming';
import { LandingPlaces, type Landing } from './landing';
import { Sight } from './sight';
import { TakenThings } from './taken-things';

/** As much of an item as an outline is drawn from. */
export type OutlineLine = Pick<
  Item,
  'ref' | 'kind' | 'title' | 'placed' | 'parent' | 'shown' | 'staffOnly' | 'content'
>;

export const outlineLine = ({
  ref,
  kind,
  title,
  placed,
  parent,
  shown,
  staffOnly,
  content,
}: Item): OutlineLine => ({ ref, kind, title, placed, parent, shown, staffOnly, content });

/** A shell of nothing but its outline. */
export const shellOfLines = (lines: readonly OutlineLine[]): Shell => ({
  ...emptyShell,
  items: lines.map((line) => ({ ...blankItem, ...line })),
});

/** A line of the outline as it would become. */
export interface LineAfter {
  readonly ref: string;
  readonly kind: Item['kind'];
  readonly title: string;
  readonly depth: number;
  /** Out of sight, by its own switch or by what is around it. */
  readonly hidden: boolean;
  /** The thing of the source that it is, or whose counterpart it is; null where the source has none. */
  readonly key: IncomingKey | null;
  /** What becomes of it: it stays, has just landed, or gets what the source says. */
  readonly is: 'here' | 'landed' | 'replaced';
}

/** The outline of a shell as it would become, from the bare outlines of both sides: quick enough for every tick. */
export function outlineAfter(
  shell: Shell,
  source: Shell,
  preview: Pick<AddPreview, 'things'>,
  choice: Choice,
  { landing, hidden }: { readonly landing: Landing; readonly hidden: boolean },
): readonly LineAfter[] {
  const taken = new TakenThings(source, preview, choice);
  const newRefs = new Map(taken.items.map(({ ref }) => [ref, itemRef(`new ${ref}`)]));
  const places = new LandingPlaces(shell, taken, landing, newRefs);
  const sight = new Sight(shell, source, hidden);
  const keys = new Map<string, IncomingKey>();
  for (const { key, type, counterpart } of preview.things)
    if (type === 'item' && counterpart !== null && !keys.has(counterpart.ref)) keys.set(counterpart.ref, key);
  const landed = taken.items.flatMap((item): Item[] => {
    const ref = newRefs.get(item.ref);
    if (ref === undefined) return [];
    keys.set(ref, incomingKey('item', item.ref));
    const parent = item.placed ? places.parentOf(ref) : null;
    return [{ ...item, ref, parent, shown: sight.switchOf(item, ref, parent) }];
  });
  const isNew = new Set<string>(newRefs.values());
  const depths = new Map<string, number>();
  return places.ordered(shell, landed).map(({ ref, kind, title, parent }): LineAfter => {
    const depth = parent === null ? 0 : (depths.get(parent) ?? 0) + 1;
    depths.set(ref, depth);
    const key = keys.get(ref) ?? null;
    const isReplaced = key !== null && choice.replaced.has(key);
    const settled = isReplaced ? 'replaced' : 'here';
    return {
      ref,
      kind,
      title,
      depth,
      hidden: sight.isOutOfSight(ref),
      key,
      is: isNew.has(ref) ? 'landed' : settled,
    };
  });
}
