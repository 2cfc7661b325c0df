'use client';
import Button from '@mui/material/Button';
import { useColorScheme } from '@mui/material/styles';
import { useSyncExternalStore } from 'react';

const next = { light: 'dark', dark: 'system', system: 'light' } as const;
const words = { light: 'Light', dark: 'Dark', system: 'As the system' } as const;

/** Turns between light, dark and what the system says. */
export function SchemeSwitch() {
  const { mode, setMode } = useColorScheme();
  // The choice is known in the browser only; the first picture must equal the server's.
  const inBrowser = useSyncExternalStore(
    () => () => undefined,
    () => true,
    () => false,
  );
  const now = inBrowser ? (mode ?? 'system') : 'system';
  return (
    <Button
      size="small"
      color="inherit"
      onClick={() => setMode(next[now])}
      aria-label={`Colours: ${words[now]}. Change to ${words[next[now]]}`}
    >
      {words[now]}
    </Button>
  );
}
