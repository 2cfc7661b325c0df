'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { plural } from '@/core/text/plural';
import { changeTitles, type Change, type ChangeKind } from '@/core/two-shells/change';
import type { ComparedShell, CompareView } from '@/services/show/prove/compare-view';
import { JobProgress } from '../../jobs/job-progress';
import { useJob } from '../../jobs/use-job';
import { usePlanEdit } from '../../parts/use-plan-edit';
import { WorkTable } from '../../parts/work-table';
import type { WorkColumn } from '../../parts/work-rows';

interface ChangeTableProps {
  readonly view: CompareView;
  readonly shell: ComparedShell;
  readonly kind: ChangeKind;
}

const typeWords: Readonly<Record<Change['type'], string>> = {
  item: 'item',
  file: 'file',
  event: 'event',
  gradeCategory: 'grade category',
  gradeColumn: 'grade column',
  bank: 'question bank',
};

const columns: readonly WorkColumn<Change>[] = [
  { key: 'title', title: 'Title', width: 'minmax(180px, 2fr)', text: ({ title }) => title },
  { key: 'type', title: 'What it is', width: '120px', text: ({ type }) => typeWords[type] },
  { key: 'path', title: 'Where', width: 'minmax(120px, 1.2fr)', text: ({ path }) => path.join(' › ') },
  { key: 'says', title: 'What differs', width: 'minmax(200px, 3fr)', text: ({ says }) => says.join('; ') },
];

/** The changes of one kind against one other shell, and what can be done about them. */
export function ChangeTable({ view, shell, kind }: ChangeTableProps) {
  const rows = useMemo(
    () => shell.comparison.changes.filter((change) => change.kind === kind),
    [shell.comparison, kind],
  );
  const shift = oneShift(rows);
  return (
    <section aria-labelledby="changes">
      <h2 id="changes">
        {changeTitles[kind]}, compared with {shell.name}
      </h2>
      {kind === 're-dated' && shift !== null && (
        <p className="soft" style={{ margin: '2px 0 6px' }}>
          All of them by {plural(Math.abs(shift), 'day')} {shift < 0 ? 'earlier' : 'later'}.
        </p>
      )}
      {rows.length === 0 ? (
        <p style={{ margin: '6px 0' }}>Nothing of this sort.</p>
      ) : (
        <WorkTable
          label={changeTitles[kind]}
          rows={rows}
          keyOf={keyOf}
          columns={kind === 'gone' ? columns.slice(0, 3) : columns}
          actions={() => <ChangeActions view={view} shell={shell} kind={kind} />}
        />
      )}
    </section>
  );
}

const keyOf = ({ type, ref }: Change): string => `${type} ${ref}`;

/** The number of days by which all of them moved; null where they moved in several ways. */
function oneShift(rows: readonly Change[]): number | null {
  const shifts = new Set(rows.map(({ days }) => days));
  const [only = null] = shifts;
  return shifts.size === 1 ? only : null;
}

function ChangeActions({ view, shell, kind }: ChangeTableProps) {
  if (kind === 'reordered') return <TakeOrder view={view} shell={shell} />;
  if (kind === 'gone' && !view.onHost) return <TakeMissing view={view} shell={shell} />;
  return null;
}

/** Sorts each module as the other shell has it: steps in the plan, rehearsed and undone like any other. */
function TakeOrder({ view, shell }: Omit<ChangeTableProps, 'kind'>) {
  const plan = usePlanEdit(view.id);
  const sorts = shell.comparison.orders.map((targets) => ({ action: 'sort', targets, params: {} }) as const);
  return (
    <Button
      variant="contained"
      disabled={plan.isBusy || shell.isStale}
      onClick={() => void plan.add('Sort', sorts)}
    >
      Take its order
    </Button>
  );
}

/** Holds the other shell against this one, where what is missing can be ticked and added. */
function TakeMissing({ view, shell }: Omit<ChangeTableProps, 'kind'>) {
  const router = useRouter();
  const job = useJob(() => router.push(`/shells/${view.id}/bring-in/add`), {
    shellId: view.id,
    kind: 'hold-against',
  });
  return (
    <>
      <JobProgress job={job} label="Holding it against this shell" />
      <Button
        variant="contained"
        onClick={() => void job.start(`/api/shells/${view.id}/incoming/shell`, { with: shell.id })}
      >
        Choose what to bring over
      </Button>
    </>
  );
}
