'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import { jobEnded } from '../jobs/job-ended';
import { send } from '../jobs/use-job';

/** Brings the shells of the demo in, all at once, and shows them when they are here. */
export function BringInDemo() {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [isUnderWay, setUnderWay] = useState(false);
  const bringIn = async () => {
    setUnderWay(true);
    const ordered = await send<{ jobIds: readonly string[] }>('/api/demo');
    if (ordered.ok) {
      for (const id of ordered.value.jobIds) {
        const trouble = await jobEnded(id);
        if (trouble !== null) enqueueSnackbar(trouble, { variant: 'error' });
      }
      router.refresh();
    } else enqueueSnackbar(ordered.trouble, { variant: 'error' });
    setUnderWay(false);
  };
  return (
    <Button variant="outlined" disabled={isUnderWay} onClick={() => void bringIn()}>
      {isUnderWay ? 'Bringing in the demo shells …' : 'Bring in the demo shells'}
    </Button>
  );
}

/** Takes the shells of the demo away together; they can be brought in again. */
export function RemoveDemo({ count }: { count: number }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const remove = async () => {
    const removed = await send<{ removed: number }>('/api/demo', undefined, 'DELETE');
    if (removed.ok) {
      enqueueSnackbar(`${plural(removed.value.removed, 'demo shell')} taken away.`, {
        action: <BringInDemo />,
      });
      router.refresh();
    } else enqueueSnackbar(removed.trouble, { variant: 'error' });
  };
  return (
    <Button color="inherit" onClick={() => void remove()}>
      Take {plural(count, 'demo shell')} away
    </Button>
  );
}
