import type { Item, Shell } from '@/core/shell/model';

/** The parts of a shell that a reset empties. */
export const resetAreas = [
  'items',
  'outside',
  'files',
  'events',
  'announcements',
  'grade-setup',
  'banks',
  'groups',
  'home-pages',
] as const;
export type ResetArea = (typeof resetAreas)[number];

function areaOfItem(item: Item): ResetArea {
  if (item.kind === 'announcement') return 'announcements';
  if (item.kind === 'home-page') return 'home-pages';
  return item.placed ? 'items' : 'outside';
}

/** The refs of what each area holds. */
export const refsIn = (shell: Shell): Readonly<Record<ResetArea, readonly string[]>> => {
  const items = (area: ResetArea) => shell.items.filter((i) => areaOfItem(i) === area).map((i) => i.ref);
  return {
    items: items('items'),
    outside: items('outside'),
    files: shell.files.map((f) => f.path),
    events: shell.events.map((e) => e.ref),
    announcements: items('announcements'),
    'grade-setup': [...shell.gradeColumns.map((c) => c.ref), ...shell.gradeCategories.map((c) => c.ref)],
    banks: shell.banks.map((b) => b.ref),
    groups: shell.groups.map((g) => g.ref),
    'home-pages': items('home-pages'),
  };
};

/** The area that each thing of a shell is in, by ref. */
export function areasByRef(shell: Shell): ReadonlyMap<string, ResetArea> {
  const areas = new Map<string, ResetArea>();
  const refs = refsIn(shell);
  for (const area of resetAreas) for (const ref of refs[area]) if (!areas.has(ref)) areas.set(ref, area);
  return areas;
}
