'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { ShellLine } from '@/services/shells/shell-list';
import type { RuleSet } from '@/services/house-rules/rule-sets';
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
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const jobs = useJobsTogether();
  const [isRemoving, setRemoving] = useState(false);
  const ids = chosen.map(({ id }) => id);
  const query = `shells=${ids.join(',')}`;
  const none = chosen.length === 0;
  const isLaidBy = !none && chosen.every(({ laidByAt }) => laidByAt !== null);
  const comb = async () => {
    const ordered = await send<{ jobIds: string[] }>('/api/together/comb', { shells: ids });
    if (!ordered.ok) return void enqueueSnackbar(ordered.trouble, { variant: 'error' });
    const ended = await jobs.follow(ordered.value.jobIds);
    const troubles = new Set(ended?.troubles.map(({ trouble }) => trouble));
    for (const trouble of troubles) enqueueSnackbar(trouble, { variant: 'error' });
    onDone();
    router.refresh();
  };
  const layBy = async (laidBy: boolean) => {
    const sent = await send('/api/together/lay-by', { shells: ids, laidBy });
    if (!sent.ok) return void enqueueSnackbar(sent.trouble, { variant: 'error' });
    const shells = plural(ids.length, 'shell');
    enqueueSnackbar(laidBy ? `${shells} laid by.` : `${shells} taken up again.`);
    onDone();
    router.refresh();
  };
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
        <Button disabled={none} href={`/api/together/summary?as=html&${query}`} target="_blank">
          Summary
        </Button>
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
