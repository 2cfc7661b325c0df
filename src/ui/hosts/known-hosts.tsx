'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { HostView } from '@/services/keep/hosts/host-records';
import { send } from '../jobs/use-job';
import { useSnackbar } from '../theme/message-bar';
import styles from './hosts.module.css';

interface KnownHostsProps {
  readonly hosts: readonly HostView[];
  readonly chosen: HostView | null;
  readonly onChoose: (host: HostView) => void;
  readonly onForgotten: (host: HostView) => void;
}

/** Hosts that somebody signed in to before: chosen, or forgotten with their secret. */
export function KnownHosts({ hosts, chosen, onChoose, onForgotten }: KnownHostsProps) {
  const { enqueueSnackbar } = useSnackbar();
  const [trouble, setTrouble] = useState('');
  const forget = async (host: HostView) => {
    const result = await send(`/api/hosts/${host.id}`, {}, 'DELETE');
    setTrouble(result.ok ? '' : result.trouble);
    if (!result.ok) return;
    onForgotten(host);
    enqueueSnackbar(`${host.address} and its secret are forgotten.`);
  };
  return (
    <section className={styles.card} aria-labelledby="known-hosts">
      <h2 id="known-hosts">Signed in before</h2>
      <ul className={styles.known}>
        {hosts.map((host) => (
          <li key={host.id}>
            <Button
              variant={host.id === chosen?.id ? 'contained' : 'outlined'}
              aria-pressed={host.id === chosen?.id}
              onClick={() => onChoose(host)}
            >
              {host.address} as {host.account}
            </Button>
            <Button
              size="small"
              aria-label={`Forget ${host.address} as ${host.account}`}
              onClick={() => void forget(host)}
            >
              Forget
            </Button>
          </li>
        ))}
      </ul>
      {trouble && (
        <Alert severity="warning" role="alert">
          {trouble}
        </Alert>
      )}
    </section>
  );
}
