'use client';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import type { GestureStep } from '@/core/outline/gesture';
import {
  placeByNumber,
  placeFiles,
  placeFilesByNumber,
  type LooseFile,
} from '@/core/outline/place-by-number';
import { blankItem } from '@/core/shell/blank-item';
import type { Item } from '@/core/shell/model';
import { itemRef } from '@/core/refs/refs';
import type { ContentsLine, ModuleChoice } from '@/services/show/shells/contents-list';
import styles from './inventory.module.css';

interface MoveChosenProps {
  readonly modules: readonly ModuleChoice[];
  readonly chosen: readonly ContentsLine[];
  readonly isBusy: boolean;
  readonly onMove: (steps: readonly GestureStep[]) => void;
}

/** Moves the chosen items into a named module, or each by its number or name; files get items that show them. */
export function MoveChosen({ modules, chosen, isBusy, onMove }: MoveChosenProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const items = chosen.filter((line) => line.type === 'item' || line.type === 'file');
  const move = (steps: readonly GestureStep[]) => {
    setAnchor(null);
    onMove(steps);
  };
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
        <MoveForm modules={modules} items={items} onMove={move} />
      </Popover>
    </>
  );
}

interface MoveFormProps {
  readonly modules: readonly ModuleChoice[];
  readonly items: readonly ContentsLine[];
  readonly onMove: (steps: readonly GestureStep[]) => void;
}

/** Worked out only while it is open: thousands may be chosen. */
function MoveForm({ modules, items, onMove }: MoveFormProps) {
  const [goal, setGoal] = useState<ModuleChoice | null>(null);
  const byNumber = useMemo(() => stepsByNumber(modules, items), [modules, items]);
  const numbered = byNumber.reduce((sum, step) => sum + step.targets.length, 0);
  return (
    <>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (goal !== null) onMove(stepsInto(goal.ref, items));
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
          renderInput={(params) => <TextField {...params} label="Into which module" autoFocus />}
        />
        <Button type="submit" variant="contained" disabled={goal === null}>
          Move {items.length.toLocaleString('en')}
        </Button>
      </form>
      <Button disabled={numbered === 0} onClick={() => onMove(byNumber)}>
        By number or name, each into its module: {numbered.toLocaleString('en')}
      </Button>
    </>
  );
}

/** Files as things to be placed, each with a ref of its own for its item. */
const looseFiles = (lines: readonly ContentsLine[]): readonly LooseFile[] =>
  lines
    .filter((line) => line.type === 'file')
    .map(({ ref }) => ({ path: ref, ref: `file-${crypto.randomUUID().slice(0, 8)}` }));

/** Each into the module that counts, or is named, as its title does. */
function stepsByNumber(
  modules: readonly ModuleChoice[],
  lines: readonly ContentsLine[],
): readonly GestureStep[] {
  const shell = {
    items: [
      ...modules.flatMap(({ ref, name }): Item[] =>
        ref === null ? [] : [{ ...blankItem, ref: itemRef(ref), kind: 'module', placed: true, title: name }],
      ),
      ...lines
        .filter((line) => line.type === 'item')
        .map((line): Item => ({
          ...blankItem,
          ref: itemRef(line.ref),
          placed: line.isPlaced,
          title: line.title,
        })),
    ],
  };
  const refs = new Set(lines.filter((line) => line.type === 'item').map((line) => line.ref));
  return [
    ...(refs.size > 0 ? placeByNumber(shell, refs) : []),
    ...placeFilesByNumber(shell, looseFiles(lines)),
  ];
}

/** A move for what stands in the outline, a placing for what stands outside it. */
function stepsInto(into: string | null, items: readonly ContentsLine[]): readonly GestureStep[] {
  const step = (action: string, isPlaced: boolean): GestureStep[] => {
    const targets = items
      .filter((line) => line.type === 'item' && line.isPlaced === isPlaced)
      .map((line) => line.ref);
    return targets.length === 0 ? [] : [{ action, targets, params: { into, before: null } }];
  };
  return [...step('move', true), ...step('place', false), ...placeFiles(looseFiles(items), into)];
}
