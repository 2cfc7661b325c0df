'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { ShellLine } from '@/services/show/shells/shell-list';
import { SmallCloth } from '../marks/small-cloth';
import { send } from '../jobs/use-job';

interface RemoveSeveralProps {
  readonly shells: readonly ShellLine[];
  readonly onClose: (isRemoved: boolean) => void;
}

/** Removes several shells from the list, each shown; armed by typing how many they are. */
export function RemoveSeveral({ shells, onClose }: RemoveSeveralProps) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [typed, setTyped] = useState('');
  const [isBusy, setBusy] = useState(false);
  const isArmed = typed.trim() === String(shells.length);
  const words = plural(shells.length, 'shell');
  const remove = async () => {
    setBusy(true);
    const sent = await send('/api/together/remove', { shells: shells.map(({ id }) => id), typed }, 'POST');
    setBusy(false);
    if (!sent.ok) return void enqueueSnackbar(sent.trouble, { variant: 'error' });
    enqueueSnackbar(`${words} removed.`);
    onClose(true);
    router.refresh();
  };
  return (
    <Dialog open onClose={() => onClose(false)} aria-labelledby="remove-several">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (isArmed && !isBusy) void remove();
        }}
      >
        <DialogTitle id="remove-several">Remove {words}</DialogTitle>
        <DialogContent>
          <p style={{ marginTop: 0 }}>
            Their plans, their runs and their restore points go with them, and they can’t come back: bring the
            packages in again if you need them. Nothing on your campus system is touched.
          </p>
          <ul style={{ listStyle: 'none', padding: 0, display: 'flex', flexWrap: 'wrap', gap: 6 }}>
            {shells.map(({ id, code, title }) => (
              <li key={id} title={title}>
                <SmallCloth code={code} title={title} />
              </li>
            ))}
          </ul>
          <TextField
            autoFocus
            fullWidth
            size="small"
            label={`Type ${shells.length} to remove them`}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => onClose(false)}>Keep them</Button>
          <Button type="submit" variant="contained" color="error" disabled={!isArmed || isBusy}>
            Remove {words}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
