import { bringInView } from '../bring-in/bring-in-view';
import { combView } from '../comb/comb-view';
import type { OpenFolder } from '../context';
import { calendarView } from '../decide/calendar-view';
import { decideView } from '../decide/decide-view';
import { outlineView } from '../decide/outline-view';
import { valuesView } from '../decide/values-view';
import { eyeView } from '../prove/eye-view';
import { proofView } from '../prove/proof-view';
import { rehearseStage } from '../rehearse/rehearse-view';
import { contentsOf, contentsQuery } from '../shells/contents-list';
import type { CurrentShell } from '../shells/current-shell';
import type { Stage } from './stage-order';

type View = (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) => unknown;

/** What each screen shows that a large shell makes large. They are worked out on a thread of their own. */
export const stageViews = {
  'bring-in': bringInView,
  calendar: calendarView,
  comb: combView,
  contents: (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) =>
    contentsOf(folder, shell, contentsQuery(query)),
  decide: decideView,
  outline: outlineView,
  prove: proofView,
  rehearse: rehearseStage,
  student: eyeView,
  values: valuesView,
} as const satisfies Readonly<Record<Stage, View>>;

export type StageView<Of extends Stage> = ReturnType<(typeof stageViews)[Of]>;
