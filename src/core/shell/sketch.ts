import type { ItemKind, Shell } from './model';

/** The bare outline of a shell: enough to draw it, a line a thing. */
export interface Sketch {
  readonly groups: readonly string[];
  readonly items: readonly SketchItem[];
  readonly files: readonly SketchThing[];
  readonly events: readonly SketchThing[];
  readonly setup: readonly SketchThing[];
}
export interface SketchItem {
  readonly ref: string;
  readonly title: string;
  readonly kind: ItemKind;
  /** Place in `groups`: the top-level module it stands in. */
  readonly group: number;
}
export interface SketchThing {
  readonly ref: string;
  readonly title: string;
}

/** Items in outline order, grouped by top-level module; what stands at the top level by itself joins the group before it. */
export function sketchOf(shell: Shell): Sketch {
  const groups: string[] = [];
  const items: SketchItem[] = [];
  let group = -1;
  for (const item of shell.items) {
    if (item.kind === 'home-page') continue;
    const opens = item.placed && item.parent === null && item.kind === 'module';
    if (opens) group = groups.push(item.title) - 1;
    else if (!item.placed && groups.at(-1) !== 'Outside the outline')
      group = groups.push('Outside the outline') - 1;
    else if (group < 0) group = groups.push('Top of the outline') - 1;
    items.push({ ref: item.ref, title: item.title, kind: item.kind, group });
  }
  const titled = (list: readonly { ref: string; title: string }[]) =>
    list.map(({ ref, title }) => ({ ref, title }));
  return {
    groups,
    items,
    files: shell.files.map((f) => ({ ref: f.path, title: f.path })),
    events: titled(shell.events),
    setup: [
      ...titled(shell.gradeCategories),
      ...titled(shell.gradeColumns),
      ...titled(shell.banks),
      ...titled(shell.homePages),
    ],
  };
}
