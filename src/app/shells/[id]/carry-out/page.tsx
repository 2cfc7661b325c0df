import { metOf, notesOf, openRunView } from '@/services/show/carry-out/open-run-view';
import { ledgerOf } from '@/services/keep/runs/ledger';
import { refusalOf } from '@/services/keep/runs/refused-run';
import { summaryOf } from '@/services/keep/runs/run-summary';
import { workOrderCounts } from '@/services/show/carry-out/work-order';
import { runsOf } from '@/services/keep/shells/current-shell';
import { RunList, type RunView } from '@/ui/carry-out/run-list';
import { shellPage } from '../../shell-page';

/** So many of the things that a run met are listed. */
const mostNotes = 300;

export default shellPage((shell, context) => {
  const runs = runsOf(context, shell.row.id).map((run): RunView => ({
    id: run.id,
    kind: run.kind,
    state: run.state === 'undone' ? 'undone' : 'done',
    met: run.place === 'host' ? metOf(context, run.id) : {},
    notes: run.place === 'host' ? notesOf(context, run.id, mostNotes) : [],
    finishedAt: run.finishedAt ?? run.startedAt,
    packageName: run.packageName,
    summary: summaryOf(run),
    ledger: ledgerOf(context, run.id),
    isLast: run.afterVersion === shell.version.id,
  }));
  return (
    <RunList
      id={shell.row.id}
      code={shell.row.code}
      title={shell.row.title}
      runs={runs}
      planSize={shell.plan.size}
      onHost={shell.row.hostId !== null}
      refused={refusalOf(context, shell)}
      open={openRunView(context, shell.row.id)}
      workOrder={workOrderCounts(context, shell.row.id)}
    />
  );
});
