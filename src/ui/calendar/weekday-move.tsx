'use client';
import { weekdays } from '@/core/dates/local-date';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import type { RedateAsked } from '@/services/do/drafts/redate-ask';
import type { RedatePreview } from '@/services/do/decide/redate-plan';
import { send } from '../jobs/use-job';
import type { PlanEdit } from '../parts/use-plan-edit';

interface WeekdayMoveProps {
  readonly shellId: string;
  readonly refs: readonly string[];
  readonly plan: PlanEdit;
  readonly onDone: () => void;
}

/** Brings what is chosen to another weekday of the same week, whole series with their rule. */
export function WeekdayMove({ shellId, refs, plan, onDone }: WeekdayMoveProps) {
  const { enqueueSnackbar } = useSnackbar();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [isBusy, setBusy] = useState(false);
  const move = async (weekday: number) => {
    setAnchor(null);
    setBusy(true);
    const ask: RedateAsked = {
      mode: 'shift',
      days: 0,
      map: weekdays.map((_, n): [number, number] => [n + 1, weekday]),
      only: [...refs],
      take: true,
    };
    const result = await send<RedatePreview>(`/api/shells/${shellId}/redate`, ask);
    setBusy(false);
    if (!result.ok) {
      enqueueSnackbar(result.trouble, { variant: 'error' });
      return;
    }
    plan.tell(`move to ${weekdays[weekday - 1] ?? ''}`, result.value.taken ?? []);
    onDone();
  };
  return (
    <>
      <Button
        variant="outlined"
        disabled={refs.length === 0 || isBusy}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Weekday {refs.length > 0 && `of ${refs.length.toLocaleString('en')}`} …
      </Button>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        slotProps={{ list: { 'aria-label': 'Weekdays' } }}
      >
        {weekdays.map((name, n) => (
          <MenuItem key={name} onClick={() => void move(n + 1)}>
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
