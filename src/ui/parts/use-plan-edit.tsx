'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import type { GestureStep } from '@/core/outline/gesture';
import { plural } from '@/core/text/plural';
import type { AddedStep } from '@/services/do/decide/change-plan';
import { send } from '../jobs/use-job';

export interface PlanEdit {
  readonly isBusy: boolean;
  /** What guards held back of the last step. */
  readonly held: AddedStep['held'];
  forgetHeld(): void;
  /** Adds steps one after another; the words say what is done (“Delete”). Gives the ids of those that were added. */
  add(words: string, steps: readonly GestureStep[]): Promise<readonly string[]>;
  /** Takes steps out of the plan again. */
  remove(ids: readonly string[]): Promise<void>;
  /** Says what was added, with a way back. */
  tell(words: string, added: readonly AddedStep[]): void;
}

/** Editing the plan from a screen: at once, said at the bottom of the page, and undone from there. */
export function usePlanEdit(shellId: string): PlanEdit {
  const router = useRouter();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  const [held, setHeld] = useState<AddedStep['held']>([]);
  const [isBusy, setBusy] = useState(false);
  const plan = (edit: unknown) => send<AddedStep>(`/api/shells/${shellId}/plan`, edit);

  const remove = async (ids: readonly string[]) => {
    const result = await plan({ edit: 'remove', ids });
    if (!result.ok) enqueueSnackbar(result.trouble, { variant: 'error' });
    router.refresh();
  };
  const tell = (words: string, added: readonly AddedStep[]) => {
    setHeld(added.flatMap((one) => one.held));
    const ids = idsOf(added);
    enqueueSnackbar(sayAdded(words, added), {
      action: (key) =>
        ids.length > 0 && (
          <Button
            color="inherit"
            size="small"
            onClick={() => {
              closeSnackbar(key);
              void remove(ids);
            }}
          >
            Undo
          </Button>
        ),
    });
    router.refresh();
  };
  const add = async (words: string, steps: readonly GestureStep[]) => {
    setBusy(true);
    const added: AddedStep[] = [];
    for (const step of steps) {
      const result = await plan({ edit: 'add', step });
      if (result.ok) added.push(result.value);
      else enqueueSnackbar(result.trouble, { variant: 'error' });
    }
    setBusy(false);
    if (added.length > 0) tell(words, added);
    return idsOf(added);
  };
  return { isBusy, held, forgetHeld: () => setHeld([]), add, remove, tell };
}

const idsOf = (added: readonly AddedStep[]): readonly string[] =>
  added.flatMap(({ id }) => (id === null ? [] : [id]));

function sayAdded(words: string, added: readonly AddedStep[]): string {
  const done = added.reduce((sum, one) => sum + one.done, 0);
  const nothing = added.reduce((sum, one) => sum + one.nothing, 0);
  const already = nothing > 0 ? ` ${plural(nothing, 'thing')} already so.` : '';
  if (done === 0) return `Nothing was added to the plan.${already}`;
  return `In the plan: ${words.toLowerCase()} ${plural(done, 'thing')}.${already}`;
}
