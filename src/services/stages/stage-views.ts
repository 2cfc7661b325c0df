import { bringInView } from '../bring-in/bring-in-view';
import { combView } from '../comb/comb-view';
import type { OpenFolder } from '../open-folder';
import { calendarView } from '../decide/calendar-view';
import { decideView } from '../decide/decide-view';
import { evidenceOf } from '../decide/evidence';
import { outlineView } from '../decide/outline-view';
import { valuesView } from '../decide/values-view';
import { planDrawer } from '../decide/plan-drawer';
import { planFile } from '../decide/plan-file';
import { planList } from '../decide/plan-list';
import { ledgerView } from '../carry-out/ledger-view';
import { restorePoints } from '../carry-out/restore-points';
import { workOrderView } from '../carry-out/work-order';
import { redateStart } from '../redate/redate-start';
import { resetStart } from '../reset/reset-start';
import { thingsToExport } from '../prove/things-to-export';
import { eyeView } from '../prove/eye-view';
import { proofView } from '../prove/proof-view';
import { drawnReport } from '../prove/reports/drawn-report';
import { rehearseStage } from '../rehearse/rehearse-view';
import { contentsOf, contentsQuery } from '../shells/contents-list';
import type { CurrentShell } from '../shells/current-shell';
import { lookAt, lookSchema } from '../shells/thing-look';
import type { Stage } from './stage-order';

type View = (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) => unknown;

/** What screens show that a large shell makes large, or long to work out; null where there is no such thing. They are worked out on a thread of their own. */
export const stageViews = {
  'bring-in': bringInView,
  calendar: calendarView,
  comb: combView,
  contents: (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) =>
    contentsOf(folder, shell, contentsQuery(query)),
  decide: decideView,
  drawer: planDrawer,
  evidence: (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) =>
    evidenceOf(folder, shell, query.get('finding') ?? ''),
  ledger: ledgerView,
  look: (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) => {
    const asked = lookSchema.safeParse(Object.fromEntries(query));
    return asked.success ? lookAt(folder, shell, asked.data) : null;
  },
  outline: outlineView,
  part: thingsToExport,
  plan: planList,
  'plan-file': planFile,
  prove: proofView,
  're-date': redateStart,
  rehearse: rehearseStage,
  report: drawnReport,
  reset: resetStart,
  'restore-points': restorePoints,
  student: eyeView,
  values: valuesView,
  'work-order': workOrderView,
} as const satisfies Readonly<Record<Stage, View>>;

export type StageView<Of extends Stage> = ReturnType<(typeof stageViews)[Of]>;
