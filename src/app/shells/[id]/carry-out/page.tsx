import { ledgerOf } from '@/services/carry-out/ledger';
import { summaryOf } from '@/services/carry-out/run-summary';
import { runsOf } from '@/services/shells/current-shell';
import { RunList, type RunView } from '@/ui/carry-out/run-list';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => {
  const runs = runsOf(context, shell.row.id).map((run): RunView => ({
    id: run.id,
    state: run.state === 'undone' ? 'undone' : 'done',
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
    />
  );
});
