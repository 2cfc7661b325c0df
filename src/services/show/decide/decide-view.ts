import type { Sketch } from '@/core/shell/sketch';
import { combView, type CombView } from '@/services/show/comb/comb-view';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** What the workbench shows: the findings without what proves them, which comes when one is looked at. */
export type DecideView = CombView;

export function decideView(folder: OpenFolder, shell: CurrentShell): DecideView {
  const view = combView(folder, shell);
  return { ...view, sketch: untitled(view.sketch) };
}

/** The upright Coat names nothing; a large shell has twenty thousand titles. */
const untitled = (sketch: Sketch): Sketch => ({
  groups: [],
  items: sketch.items.map((i) => ({ ...i, title: '' })),
  files: sketch.files.map(({ ref }) => ({ ref, title: '' })),
  events: sketch.events.map(({ ref }) => ({ ref, title: '' })),
  setup: sketch.setup.map(({ ref }) => ({ ref, title: '' })),
});
