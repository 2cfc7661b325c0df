import { compareRun } from '@/services/prove/comparison';
import { progressOf } from '@/services/prove/progress';
import { inventoryOf, runsOf } from '@/services/shells/current-shell';
import { ProofStage } from '@/ui/prove/proof-stage';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => {
  const last = runsOf(context, shell.row.id).find((run) => run.state === 'done');
  const { counts } = inventoryOf(shell.version);
  return (
    <ProofStage
      id={shell.row.id}
      combed={shell.audit !== null}
      percent={shell.smoothness?.percent ?? null}
      open={shell.audit?.tally.total ?? 0}
      hasRun={last !== undefined}
      hasGrades={counts.gradeCategories + counts.gradeColumns > 0}
      hasEvents={counts.events > 0}
      comparison={last ? compareRun(context, shell, last) : null}
      progress={progressOf(context, shell)}
    />
  );
});
