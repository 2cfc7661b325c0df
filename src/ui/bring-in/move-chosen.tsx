'use client';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { GestureStep } from '@/core/outline/gesture';
import type { ContentsLine, ModuleChoice } from '@/services/shells/contents-list';
import styles from './inventory.module.css';

interface MoveChosenProps {
  readonly modules: readonly ModuleChoice[];
  readonly chosen: readonly ContentsLine[];
  readonly isBusy: boolean;
  readonly onMove: (steps: readonly GestureStep[]) => void;
}

/** Moves the chosen items to the end of a named module, or to the end of the outline; what stands outside is placed. */
export function MoveChosen({ modules, chosen, isBusy, onMove }: MoveChosenProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [goal, setGoal] = useState<ModuleChoice | null>(null);
  const items = chosen.filter((line) => line.type === 'item');
  const steps = goal === null ? [] : stepsInto(goal.ref, items);
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        disabled={items.length === 0 || isBusy}
        aria-haspopup="dialog"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Move {items.length > 0 && items.length.toLocaleString('en')} …
      </Button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Where to', className: styles.moveForm } }}
      >
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (steps.length === 0) return;
            setAnchor(null);
            onMove(steps);
          }}
        >
          <Autocomplete
            size="small"
            options={modules}
            getOptionLabel={({ title }) => title}
            getOptionKey={({ ref }) => ref ?? ''}
            isOptionEqualToValue={(one, other) => one.ref === other.ref}
            value={goal}
            onChange={(_, choice) => setGoal(choice)}
            autoHighlight
            openOnFocus
            renderInput={(params) => <TextField {...params} label="Into which module" autoFocus />}
          />
          <Button type="submit" variant="contained" disabled={steps.length === 0}>
            Move {items.length.toLocaleString('en')}
          </Button>
        </form>
      </Popover>
    </>
  );
}

/** A move for what stands in the outline, a placing for what stands outside it. */
function stepsInto(into: string | null, items: readonly ContentsLine[]): readonly GestureStep[] {
  const step = (action: string, isPlaced: boolean): GestureStep[] => {
    const targets = items.filter((line) => line.isPlaced === isPlaced).map((line) => line.ref);
    return targets.length === 0 ? [] : [{ action, targets, params: { into, before: null } }];
  };
  return [...step('move', true), ...step('place', false)];
}
