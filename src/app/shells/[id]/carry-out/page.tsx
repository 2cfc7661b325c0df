import { metOf, notesOf, openRunView } from '@/services/carry-out/host/open-run-view';
import { ledgerOf } from '@/services/carry-out/ledger';
import { refusalOf } from '@/services/carry-out/refused-run';
import { summaryOf } from '@/services/carry-out/run-summary';
import { workOrderCounts } from '@/services/carry-out/work-order';
import { runsOf } from '@/services/shells/current-shell';
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
