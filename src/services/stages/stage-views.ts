import { bringInView } from '../bring-in/bring-in-view';
import { combView } from '../comb/comb-view';
import type { OpenFolder } from '../context';
import { calendarView } from '../decide/calendar-view';
import { decideView } from '../decide/decide-view';
import { outlineView } from '../decide/outline-view';
import { valuesView } from '../decide/values-view';
import { planDrawer } from '../decide/plan-drawer';
import { planList } from '../decide/plan-list';
import { restorePoints } from '../carry-out/restore-points';
import { workOrderView } from '../carry-out/work-order';
import { redateStart } from '../redate/redate-plan';
import { resetStart } from '../reset/reset-plan';
import { thingsToExport } from '../prove/things-to-export';
import { eyeView } from '../prove/eye-view';
import { proofView } from '../prove/proof-view';
import { rehearseStage } from '../rehearse/rehearse-view';
import { contentsOf, contentsQuery } from '../shells/contents-list';
import type { CurrentShell } from '../shells/current-shell';
import type { Stage } from './stage-order';

type View = (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) => unknown;

/** What each screen shows that a large shell makes large, or long to work out. They are worked out on a thread of their own. */
export const stageViews = {
  'bring-in': bringInView,
  calendar: calendarView,
  comb: combView,
  contents: (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) =>
    contentsOf(folder, shell, contentsQuery(query)),
  decide: decideView,
  drawer: planDrawer,
  outline: outlineView,
  part: thingsToExport,
  plan: planList,
  prove: proofView,
  're-date': redateStart,
  rehearse: rehearseStage,
  reset: resetStart,
  'restore-points': restorePoints,
  student: eyeView,
  values: valuesView,
  'work-order': workOrderView,
} as const satisfies Readonly<Record<Stage, View>>;

export type StageView<Of extends Stage> = ReturnType<(typeof stageViews)[Of]>;
