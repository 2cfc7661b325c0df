import { ledgerOf, summaryOf } from '@/services/carry-out/order-run';
import { runsOf } from '@/services/shells/current-shell';
import { RunList } from '@/ui/carry-out/run-list';
import { shellOfPage, type ShellPageProps } from '../../shell-page';

export default async function CarryOutPage({ params }: ShellPageProps) {
  const { context, shell } = await shellOfPage(params);
  const runs = runsOf(context, shell.row.id).map((run) => ({
    id: run.id,
    state: run.state,
    finishedAt: run.finishedAt,
    packageName: run.packageName,
    summary: summaryOf(run),
    ledger: ledgerOf(context, run.id),
    undoable: run.state === 'done' && run.afterVersion === shell.version.id,
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
}
