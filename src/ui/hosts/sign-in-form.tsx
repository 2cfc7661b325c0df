'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type FormEvent } from 'react';
import type { HostView } from '@/services/keep/hosts/host-records';
import { send } from '../jobs/use-job';
import styles from './hosts.module.css';

interface SignInFormProps {
  readonly proposed: string;
  readonly isFirst: boolean;
  readonly onSignedIn: (host: HostView) => void;
}

const fields = [
  { key: 'address', label: 'Address of the host’s API', type: 'url', autoComplete: 'url' },
  { key: 'name', label: 'Name', type: 'text', autoComplete: 'username' },
  { key: 'secret', label: 'Secret', type: 'password', autoComplete: 'current-password' },
] as const;

/** Where a campus host is, and who asks. */
export function SignInForm({ proposed, isFirst, onSignedIn }: SignInFormProps) {
  const [values, setValues] = useState({ address: proposed, name: '', secret: '' });
  const [trouble, setTrouble] = useState('');
  const [isAsking, setAsking] = useState(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setAsking(true);
    setTrouble('');
    const answer = await send<HostView>('/api/hosts', values);
    setAsking(false);
    if (answer.ok) {
      setValues((before) => ({ ...before, secret: '' }));
      onSignedIn(answer.value);
    } else setTrouble(answer.trouble.replace(/^(address|name|secret): /, ''));
  };
  return (
    <form className={styles.card} aria-labelledby="sign-in" onSubmit={(event) => void submit(event)}>
      <h2 id="sign-in">{isFirst ? 'Sign in to the host' : 'Sign in to another host'}</h2>
      <p className="soft" style={{ margin: 0 }}>
        The secret is kept in Currycomb’s data folder on this computer, so that a long run can sign in again;
        it is sent to this host only.
      </p>
      <div className={styles.fields}>
        {fields.map(({ key, label, type, autoComplete }) => (
          <TextField
            key={key}
            size="small"
            name={key}
            type={type}
            label={label}
            autoComplete={autoComplete}
            value={values[key]}
            onChange={(event) => setValues((before) => ({ ...before, [key]: event.target.value }))}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        ))}
        <Button type="submit" variant={isFirst ? 'contained' : 'outlined'} disabled={isAsking}>
          {isAsking ? 'Signing in …' : 'Sign in'}
        </Button>
      </div>
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
    </form>
  );
}
