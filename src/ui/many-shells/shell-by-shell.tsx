'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useSnackbar, type SnackbarKey } from '../theme/message-bar';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { DecidedIn } from '@/services/do/many-shells/decide-together';
import type { FoundIn, SameFinding, SameFindings } from '@/services/do/many-shells/same-findings';
import { send } from '../jobs/use-job';
import styles from './together.module.css';

/** What somebody wants to decide about all of them. */
export type Wish = 'accept' | 'leave-be' | 'later';
const wishWords: Readonly<Record<Wish, string>> = {
  accept: 'Accept',
  'leave-be': 'Leave be',
  later: 'Later',
};

interface ShellByShellProps {
  readonly view: SameFindings;
  readonly chosen: readonly SameFinding[];
  readonly wish: Wish;
  readonly onClose: (isDone: boolean) => void;
}

/** Says what a decision is about in each shell before it is taken; it can be taken back at once. */
export function ShellByShell({ view, chosen, wish, onClose }: ShellByShellProps) {
  const [reason, setReason] = useState('');
  const found = chosen.flatMap((same) => same.in);
  const byShell = view.shells
    .map(({ id, name }) => ({ id, name, found: found.filter(({ shell }) => shell === id) }))
    .filter((one) => one.found.length > 0);
  const shells = byShell.map(({ id }) => id);
  const { decide, isBusy } = useWish({ shells, chosen, wish, reason, onDone: () => onClose(true) });
  const words = `${wishWords[wish]} ${plural(found.length, 'finding')} in ${plural(shells.length, 'shell')}`;
  return (
    <Dialog open onClose={() => onClose(false)} aria-labelledby="shell-by-shell" maxWidth="md" fullWidth>
      <DialogTitle id="shell-by-shell">{words}</DialogTitle>
      <DialogContent>
        <ul className={styles.where} tabIndex={0} aria-label="Shell by shell">
          {byShell.map(({ id, name, found: here }) => (
            <FoundInShell key={id} name={name} found={here} />
          ))}
        </ul>
        {wish === 'leave-be' && (
          <TextField
            autoFocus
            fullWidth
            size="small"
            sx={{ mt: 2 }}
            label="Because (optional)"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={() => onClose(false)}>Not now</Button>
        <Button variant="contained" disabled={isBusy} onClick={() => void decide()}>
          {words}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface Wished {
  readonly shells: readonly string[];
  readonly chosen: readonly SameFinding[];
  readonly wish: Wish;
  /** Why something is left be; empty where nobody says. */
  readonly reason: string;
  readonly onDone: () => void;
}

/** Sends a decision about findings of several shells, says what came of it, and takes it back where that is asked for. */
function useWish({ shells, chosen, wish, reason, onDone }: Wished) {
  const router = useRouter();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  const [isBusy, setBusy] = useState(false);
  const findings = chosen.map(({ check, substance }) => ({ check, substance }));
  const sendWish = (decision: Wish | 'reopen') =>
    send<readonly DecidedIn[]>('/api/together/decide', {
      shells,
      decision,
      findings,
      ...(decision === 'leave-be' && reason.trim() !== '' ? { reason } : {}),
    });
  const takeBack = async () => {
    const sent = await sendWish('reopen');
    if (!sent.ok) enqueueSnackbar(sent.trouble, { variant: 'error' });
    router.refresh();
  };
  const undoButton = (key: SnackbarKey) => (
    <Button
      color="inherit"
      size="small"
      onClick={() => {
        closeSnackbar(key);
        void takeBack();
      }}
    >
      Undo
    </Button>
  );
  const decide = async () => {
    setBusy(true);
    const sent = await sendWish(wish);
    setBusy(false);
    if (!sent.ok) return void enqueueSnackbar(sent.trouble, { variant: 'error' });
    for (const { name, trouble } of sent.value)
      if (trouble !== null) enqueueSnackbar(`${name}: ${trouble}`, { variant: 'error' });
    const count = sent.value.reduce((sum, one) => sum + one.findings, 0);
    const done = `${wishWords[wish]}: ${plural(count, 'finding')} in ${plural(shells.length, 'shell')}.`;
    enqueueSnackbar(done, { action: undoButton });
    onDone();
    router.refresh();
  };
  return { decide, isBusy };
}

function FoundInShell({ name, found }: { name: string; found: readonly FoundIn[] }) {
  return (
    <li>
      <strong>{name}</strong>
      {found.slice(0, mostNamed).map((each) => (
        <span key={each.finding}>{sayFound(each)}</span>
      ))}
      {found.length > mostNamed && <span className="soft">and {found.length - mostNamed} more</span>}
    </li>
  );
}

/** So many findings of one shell are shown by name. */
const mostNamed = 6;
const sayFound = ({ title, path }: FoundIn): string =>
  path.length ? `${title} · ${path.join(' › ')}` : title;
