import { bringInView } from '@/services/show/bring-in/bring-in-view';
import { bringOverDates } from '@/services/show/bring-in/bring-over-dates';
import { bringOverView } from '@/services/show/bring-in/bring-over-view';
import { combView } from '@/services/show/comb/comb-view';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { calendarView } from '@/services/show/decide/calendar-view';
import { decideView } from '@/services/show/decide/decide-view';
import { evidenceOf } from '@/services/show/decide/evidence';
import { outlineView } from '@/services/show/decide/outline-view';
import { valuesView } from '@/services/show/decide/values-view';
import { planDrawer } from '@/services/show/decide/plan-drawer';
import { planFile } from '@/services/do/decide/plan-file';
import { planList } from '@/services/show/decide/plan-list';
import { ledgerView } from '@/services/show/carry-out/ledger-view';
import { restorePoints } from '@/services/do/carry-out/restore-points';
import { workOrderView } from '@/services/show/carry-out/work-order';
import { redateStart } from '@/services/show/decide/redate-start';
import { resetStart } from '@/services/show/decide/reset-start';
import { thingsToExport } from '@/services/show/prove/things-to-export';
import { eyeView } from '@/services/show/prove/eye-view';
import { proofView } from '@/services/show/prove/proof-view';
import { drawnReport } from '@/services/show/reports/drawn-report';
import { rehearseStage } from '@/services/show/rehearse/rehearse-view';
import { contentsOf, contentsQuery } from '@/services/show/shells/contents-list';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { lookAt, lookSchema } from '@/services/show/shells/thing-look';
import type { Stage } from '@/services/keep/desks/stage-order';

type View = (folder: OpenFolder, shell: CurrentShell, query: URLSearchParams) => unknown;

/** What screens show that a large shell makes large, or long to work out; null where there is no such thing. They are worked out on a thread of their own. */
export const stageViews = {
  'bring-in': bringInView,
  'bring-over': bringOverView,
  'bring-over-dates': bringOverDates,
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
