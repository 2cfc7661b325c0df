'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { ShellLine } from '@/services/show/shells/shell-list';
import type { RuleSet } from '@/services/do/rules/rule-sets';
import { send } from '../jobs/use-job';
import { AssignRules } from './assign-rules';
import { RemoveSeveral } from './remove-several';
import { TogetherProgress } from './together-progress';
import { useJobsTogether } from './use-jobs-together';

interface ChosenActionsProps {
  readonly sets: readonly RuleSet[];
  readonly chosen: readonly ShellLine[];
  /** Lets the choice go. */
  readonly onDone: () => void;
}

/** What can be done with several shells of the list at once. */
export function ChosenActions({ sets, chosen, onDone }: ChosenActionsProps) {
  const [isRemoving, setRemoving] = useState(false);
  const ids = chosen.map(({ id }) => id);
  const { jobs, comb, layBy } = useTogether(ids, onDone);
  const query = `shells=${ids.join(',')}`;
  const none = chosen.length === 0;
  const isLaidBy = !none && chosen.every(({ laidByAt }) => laidByAt !== null);
  return (
    <>
      <div
        role="group"
        aria-label="With the chosen shells"
        style={{ display: 'flex', gap: 8, flexWrap: 'wrap', marginBottom: 12 }}
      >
        <Button variant="outlined" disabled={none || jobs.progress !== null} onClick={() => void comb()}>
          {jobs.progress ? 'Combing …' : `Comb ${plural(chosen.length, 'shell')}`}
        </Button>
        <Button disabled={chosen.length < 2} href={`/together/decide?${query}`}>
          Decide together
        </Button>
        <Button disabled={none} href={`/together/load?${query}`}>
          Load by week
        </Button>
        <SummaryForm ids={ids} />
        {sets.length > 1 && <AssignRules ids={ids} sets={sets} onDone={onDone} />}
        <Button disabled={none} onClick={() => void layBy(!isLaidBy)}>
          {isLaidBy ? 'Take up again' : 'Lay by'}
        </Button>
        <Button disabled={none} onClick={() => setRemoving(true)}>
          Remove {none ? '' : chosen.length}
        </Button>
      </div>
      {jobs.progress && <TogetherProgress progress={jobs.progress} doing="Combing" onCancel={jobs.cancel} />}
      {isRemoving && (
        <RemoveSeveral
          shells={chosen}
          onClose={(isRemoved) => {
            setRemoving(false);
            if (isRemoved) onDone();
          }}
        />
      )}
    </>
  );
}

/** Opens one table about several shells. */
function SummaryForm({ ids }: { ids: readonly string[] }) {
  return (
    <form method="post" action="/api/together/summary" target="_blank">
      <input type="hidden" name="as" value="html" />
      <input type="hidden" name="shells" value={ids.join(',')} />
      <Button type="submit" disabled={ids.length === 0}>
        Summary
      </Button>
    </form>
  );
}

/** Combing several shells and laying them by; what goes wrong is said. */
function useTogether(ids: readonly string[], onDone: () => void) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const jobs = useJobsTogether();
  const sayTrouble = (trouble: string) => void enqueueSnackbar(trouble, { variant: 'error' });
  const finish = () => {
    onDone();
    router.refresh();
  };
  const comb = async () => {
    const ordered = await send<{ jobIds: string[] }>('/api/together/comb', { shells: ids });
    if (!ordered.ok) return sayTrouble(ordered.trouble);
    const ended = await jobs.follow(ordered.value.jobIds);
    new Set(ended?.troubles.map(({ trouble }) => trouble)).forEach(sayTrouble);
    finish();
  };
  const layBy = async (laidBy: boolean) => {
    const sent = await send('/api/together/lay-by', { shells: ids, laidBy });
    if (!sent.ok) return sayTrouble(sent.trouble);
    const shells = plural(ids.length, 'shell');
    enqueueSnackbar(laidBy ? `${shells} laid by.` : `${shells} taken up again.`);
    finish();
  };
  return { jobs, comb, layBy };
}
