'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { SameFinding, SameFindings } from '@/services/do/many-shells/same-findings';
import { ShellByShell, type Wish } from './shell-by-shell';

interface TogetherButtonsProps {
  readonly view: SameFindings;
  readonly chosen: readonly SameFinding[];
  readonly clear: () => void;
  readonly isShared: boolean;
  /** Null where there is nothing that several shells have. */
  readonly onShared: ((isShared: boolean) => void) | null;
}

/** What can be decided about the chosen findings in all shells; it is shown shell by shell first. */
export function TogetherButtons({ view, chosen, clear, isShared, onShared }: TogetherButtonsProps) {
  const [wish, setWish] = useState<Wish | null>(null);
  const withRemedy = chosen.every(({ action }) => action !== null);
  const none = chosen.length === 0;
  return (
    <>
      {onShared && (
        <Button size="small" onClick={() => onShared(!isShared)}>
          {isShared ? 'Show those of one shell, too' : 'Only those of several'}
        </Button>
      )}
      <Button variant="contained" disabled={none || !withRemedy} onClick={() => setWish('accept')}>
        Accept
      </Button>
      <Button variant="outlined" disabled={none} onClick={() => setWish('leave-be')}>
        Leave be
      </Button>
      <Button disabled={none} onClick={() => setWish('later')}>
        Later
      </Button>
      {wish && (
        <ShellByShell
          view={view}
          chosen={chosen}
          wish={wish}
          onClose={(isDone) => {
            setWish(null);
            if (isDone) clear();
          }}
        />
      )}
    </>
  );
}
