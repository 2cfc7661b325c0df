'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { plural } from '@/core/text/plural';
import type { PlanLine } from '@/services/show/decide/plan-list';
import { send } from '../jobs/use-job';
import { KeptPlans } from './kept-plans';
import { PlanFiles } from './plan-files';
import { WorkTable } from '../parts/work-table';
import type { WorkColumn } from '../parts/work-rows';
import { drawnFrom } from '../stage/drawn-stage';
import styles from '../rehearse/rehearse.module.css';

const columns: readonly WorkColumn<PlanLine>[] = [
  {
    key: 'place',
    title: 'Step',
    width: '60px',
    text: (line) => String(line.place),
    order: (line) => line.place,
  },
  { key: 'what', title: 'What', width: '130px', text: (line) => line.what },
  {
    key: 'count',
    title: 'Things',
    width: '70px',
    text: (line) => String(line.count),
    order: (line) => line.count,
  },
  { key: 'things', title: 'Which', width: 'minmax(160px, 2fr)', text: sayThings },
  { key: 'from', title: 'Asked for by', width: 'minmax(160px, 2fr)', text: (line) => line.from },
];

function sayThings({ things, count }: PlanLine): string {
  const more = count - things.length;
  return more > 0 ? `${things.join(', ')} and ${more} more` : things.join(', ');
}

const keyOf = (line: PlanLine): string => line.id;

/** The plan, step by step: what it does, to what, who asked for it; any of it can be taken out again. */
function PlanList({ id, view: lines, changes }: { id: string; view: readonly PlanLine[]; changes: number }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const takeOut = async (chosen: readonly PlanLine[], clear: () => void) => {
    const ids = chosen.map(keyOf);
    const result = await send(`/api/shells/${id}/plan`, { edit: 'remove', ids });
    if (!result.ok) {
      enqueueSnackbar(result.trouble, { variant: 'error' });
      return;
    }
    enqueueSnackbar(`${plural(ids.length, 'step')} taken out of the plan.`);
    clear();
    router.refresh();
  };
  return (
    <div className={styles.page}>
      <div>
        <h1>
          The plan{' '}
          <span className="soft number">
            {plural(lines.length, 'step')}, {plural(changes, 'change')}
          </span>
        </h1>
        <Link href={`/shells/${id}/rehearse`}>{lines.length ? 'See what it would do' : 'Back'}</Link>
      </div>
      <PlanFiles id={id} hasSteps={lines.length > 0} />
      <KeptPlans shellId={id} hasSteps={lines.length > 0} onChange={router.refresh} />
      {lines.length === 0 ? (
        <p>
          Nothing is planned. Accept what should go on <Link href={`/shells/${id}/comb`}>Comb</Link> or{' '}
          <Link href={`/shells/${id}/decide`}>Decide</Link>, or choose things in the{' '}
          <Link href={`/shells/${id}/bring-in`}>inventory</Link>.
        </p>
      ) : (
        <WorkTable
          label="Steps of the plan"
          rows={lines}
          keyOf={keyOf}
          columns={columns}
          actions={(chosen, clear) => (
            <Button
              size="small"
              variant="outlined"
              disabled={chosen.length === 0}
              onClick={() => void takeOut(chosen, clear)}
            >
              {chosen.length === 0 ? 'Take out' : `Take ${plural(chosen.length, 'step')} out`}
            </Button>
          )}
        />
      )}
    </div>
  );
}

/** It asks for its view by itself. */
export const DrawnPlanList = drawnFrom(PlanList);
