'use client';
import Button from '@mui/material/Button';
import type { GestureStep } from '@/core/outline/gesture';
import type { ContentsLine, ModuleChoice } from '@/services/show/shells/contents-list';
import { MoveChosen } from './move-chosen';
import { HeldBack } from '../parts/held-back';
import { RedateChosen } from '../redate/redate-chosen';
import { usePlanEdit } from '../parts/use-plan-edit';

/** Something that can be done with many things at once: a step of the plan. */
interface ThingAction {
  readonly key: string;
  readonly words: string;
  readonly step: { readonly action: string; readonly params: Readonly<Record<string, unknown>> };
  readonly isFor: (line: ContentsLine) => boolean;
}
const isItem = (line: ContentsLine) => line.type === 'item';
const isFile = (line: ContentsLine) => line.type === 'file';

const thingActions: readonly ThingAction[] = [
  { key: 'show', words: 'Show', step: { action: 'show', params: {} }, isFor: isItem },
  { key: 'hide', words: 'Hide', step: { action: 'hide', params: {} }, isFor: isItem },
  { key: 'aside', words: 'Set aside', step: { action: 'set-aside', params: {} }, isFor: isItem },
  {
    key: 'clear',
    words: 'Clear dates of',
    step: { action: 'clear-dates', params: {} },
    isFor: (line) => isItem(line) && line.day !== '',
  },
  {
    key: 'all',
    words: 'Let students read',
    step: { action: 'file-access', params: { readers: 'all' } },
    isFor: isFile,
  },
  {
    key: 'staff',
    words: 'Let staff alone read',
    step: { action: 'file-access', params: { readers: 'staff' } },
    isFor: isFile,
  },
  { key: 'delete', words: 'Delete', step: { action: 'delete', params: {} }, isFor: () => true },
];

interface ThingActionsProps {
  readonly shellId: string;
  readonly lines: readonly ContentsLine[];
  readonly modules: readonly ModuleChoice[];
  readonly chosen: readonly ContentsLine[];
  readonly onDone: () => void;
}

/** The buttons for what is chosen, each with how many things it touches; what is held back is said at once. */
export function ThingActions({ shellId, lines, modules, chosen, onDone }: ThingActionsProps) {
  const plan = usePlanEdit(shellId);
  const run = async (words: string, steps: readonly GestureStep[]) => {
    const ids = await plan.add(words, steps);
    if (ids.length > 0) onDone();
  };
  const act = ({ step, words }: ThingAction, targets: readonly string[]) =>
    run(words, [{ ...step, targets }]);
  const dated = chosen.filter((line) => line.day !== '').map((line) => line.ref);
  return (
    <>
      <div
        role="group"
        aria-label="What to do with the chosen"
        style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}
      >
        {modules.length > 0 && (
          <MoveChosen
            modules={modules}
            chosen={chosen}
            isBusy={plan.isBusy}
            onMove={(steps) => void run('Move', steps)}
          />
        )}
        {lines.some((line) => line.day !== '') && <RedateChosen shellId={shellId} refs={dated} />}
        {thingActions
          .filter((action) => lines.some(action.isFor))
          .map((action) => {
            const targets = chosen.filter(action.isFor).map((line) => line.ref);
            return (
              <Button
                key={action.key}
                size="small"
                variant={action.key === 'delete' ? 'contained' : 'outlined'}
                disabled={targets.length === 0 || plan.isBusy}
                onClick={() => void act(action, targets)}
              >
                {action.words} {targets.length > 0 && targets.length.toLocaleString('en')}
              </Button>
            );
          })}
      </div>
      <HeldBack held={plan.held} onClose={plan.forgetHeld} />
    </>
  );
}
