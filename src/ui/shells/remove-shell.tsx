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
import type { ShellLine } from '@/services/show/shells/shell-list';
import { SmallCloth } from '../marks/small-cloth';
import { send } from '../jobs/use-job';

/** Removes a shell from the list, with everything that only it uses; armed by typing its code. */
export function RemoveShell({ shell, onClose }: { shell: ShellLine; onClose: () => void }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [typed, setTyped] = useState('');
  const [busy, setBusy] = useState(false);
  const name = shell.code || shell.title;
  const isArmed = typed.trim().toLowerCase() === name.toLowerCase();
  const remove = async () => {
    setBusy(true);
    const result = await send(`/api/shells/${shell.id}`, { typed }, 'DELETE');
    setBusy(false);
    if (!result.ok) {
      enqueueSnackbar(result.trouble, { variant: 'error' });
      return;
    }
    enqueueSnackbar(`${name} was removed.`);
    onClose();
    router.refresh();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="remove-title">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (isArmed && !busy) void remove();
        }}
      >
        <DialogTitle id="remove-title">
          Remove <SmallCloth code={shell.code} title={shell.title} />
        </DialogTitle>
        <DialogContent>
          <p style={{ marginTop: 0 }}>
            {shell.title}, {shell.things.toLocaleString('en')} things. Its plan, its runs and their restore
            points go with it, and it can’t come back: bring the package in again if you need it. Nothing on
            your campus system is touched.
          </p>
          <TextField
            autoFocus
            fullWidth
            size="small"
            label={`Type ${name} to remove it`}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Keep it</Button>
          <Button type="submit" variant="contained" color="error" disabled={!isArmed || busy}>
            Remove 1 shell
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
