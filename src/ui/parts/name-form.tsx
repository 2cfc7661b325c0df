'use client';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type FormEvent } from 'react';

interface NameFormProps {
  readonly label: string;
  /** What the button does: Keep, Save. */
  readonly button: string;
  /** Why the last name was not taken; empty where it was. */
  readonly trouble: string;
  /** Says whether the name was taken. */
  readonly onName: (name: string) => Promise<boolean>;
}

/** Keeps something under a name; the field is empty again when it was taken. */
export function NameForm({ label, button, trouble, onName }: NameFormProps) {
  const [name, setName] = useState('');
  const take = async (event: FormEvent) => {
    event.preventDefault();
    if (await onName(name)) setName('');
  };
  return (
    <form onSubmit={(event) => void take(event)}>
      <TextField
        size="small"
        label={label}
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={trouble !== ''}
        helperText={trouble}
      />
      <Button type="submit" variant="outlined" disabled={name.trim() === ''}>
        {button}
      </Button>
    </form>
  );
}
