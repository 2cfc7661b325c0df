'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { keepChosen } from './kept-choice';

/** Takes what is chosen along to the re-dating of the shell. */
export function RedateChosen({
  shellId,
  refs,
  size = 'small',
}: {
  shellId: string;
  refs: readonly string[];
  size?: 'small' | 'medium';
}) {
  const router = useRouter();
  return (
    <Button
      size={size}
      variant="outlined"
      disabled={refs.length === 0}
      onClick={() => {
        keepChosen(shellId, refs);
        router.push(`/shells/${shellId}/decide/re-date?only=chosen`);
      }}
    >
      Re-date {refs.length > 0 && refs.length.toLocaleString('en')} …
    </Button>
  );
}
