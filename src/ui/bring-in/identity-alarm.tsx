import Alert from '@mui/material/Alert';
import type { ReactNode } from 'react';

/** Says loudly that this may be another course's or term's: working in the wrong shell is the costliest mistake. */
export function IdentityAlarm({ question, children }: { question: string; children: ReactNode }) {
  return (
    <Alert
      severity="error"
      role="alert"
      data-testid="doubts"
      sx={{
        mt: 1,
        bgcolor: 'var(--alarm)',
        color: 'var(--on-alarm)',
        '& .MuiAlert-icon': { color: 'inherit' },
      }}
    >
      <strong>{question}</strong> {children}
    </Alert>
  );
}
