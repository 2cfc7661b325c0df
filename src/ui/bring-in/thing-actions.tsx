'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { AddedStep } from '@/services/decide/edit-plan';
import type { ContentsLine } from '@/services/shells/contents-list';
import { send } from '../jobs/use-job';

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
  readonly chosen: readonly ContentsLine[];
  readonly onDone: () => void;
}

/** The buttons for what is chosen, each with how many things it touches; what is held back is said at once. */
export function ThingActions({ shellId, lines, chosen, onDone }: ThingActionsProps) {
  const router = useRouter();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  const [held, setHeld] = useState<AddedStep['held']>([]);
  const [isBusy, setBusy] = useState(false);
  const plan = (edit: unknown) => send<AddedStep>(`/api/shells/${shellId}/plan`, edit);

  const undo = async (stepId: string) => {
    const result = await plan({ edit: 'remove', ids: [stepId] });
    if (!result.ok) enqueueSnackbar(result.trouble, { variant: 'error' });
    router.refresh();
  };
  const act = async ({ step, words }: ThingAction, targets: readonly string[]) => {
    setBusy(true);
    const result = await plan({ edit: 'add', step: { ...step, targets } });
    setBusy(false);
    if (!result.ok) {
      enqueueSnackbar(result.trouble, { variant: 'error' });
      return;
    }
    const { id, done, nothing } = result.value;
    setHeld(result.value.held);
    enqueueSnackbar(sayAdded(words, done, nothing), {
      action: (key) =>
        id !== null && (
          <Button
            color="inherit"
            size="small"
            onClick={() => {
              closeSnackbar(key);
              void undo(id);
            }}
          >
            Undo
          </Button>
        ),
    });
    if (id !== null) onDone();
    router.refresh();
  };

  return (
    <>
      <div
        role="group"
        aria-label="What to do with the chosen"
        style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}
      >
        {thingActions
          .filter((action) => lines.some(action.isFor))
          .map((action) => {
            const targets = chosen.filter(action.isFor).map((line) => line.ref);
            return (
              <Button
                key={action.key}
                size="small"
                variant={action.key === 'delete' ? 'contained' : 'outlined'}
                disabled={targets.length === 0 || isBusy}
                onClick={() => void act(action, targets)}
              >
                {action.words} {targets.length > 0 && targets.length.toLocaleString('en')}
              </Button>
            );
          })}
      </div>
      {held.length > 0 && <HeldBack held={held} onClose={() => setHeld([])} />}
    </>
  );
}

/** What guards keep out of the plan, each with its reason and the way out. */
function HeldBack({ held, onClose }: { held: AddedStep['held']; onClose: () => void }) {
  return (
    <Alert severity="warning" onClose={onClose} sx={{ width: '100%' }}>
      Held back, and not in the plan:
      <ul style={{ margin: '4px 0 0', paddingLeft: 18, maxHeight: 160, overflow: 'auto' }}>
        {held.map(({ reason, titles }) => (
          <li key={reason}>
            {titles.length > 1 && `${sayTitles(titles)}: `}
            {reason}
          </li>
        ))}
      </ul>
    </Alert>
  );
}

function sayTitles(titles: readonly string[]): string {
  const first = titles.slice(0, 3).map((title) => `“${title}”`);
  return titles.length > 3 ? `${first.join(', ')} and ${titles.length - 3} more` : first.join(', ');
}

function sayAdded(words: string, done: number, nothing: number): string {
  const already = nothing > 0 ? ` ${plural(nothing, 'thing')} already so.` : '';
  if (done === 0) return `Nothing was added to the plan.${already}`;
  return `In the plan: ${words.toLowerCase()} ${plural(done, 'thing')}.${already}`;
}
