'use client';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { useMemo, useRef, useState } from 'react';
import type { Gesture } from '@/core/outline/gesture';
import type { Shell } from '@/core/shell/model';
import type { AddedStep } from '@/services/decide/edit-plan';
import type { OutlineView } from '@/services/decide/outline-view';
import { useFramePatch } from '../frame/frame-counts';
import { send } from '../jobs/use-job';
import { shellOfView } from './outline-model';
import { previewStep } from './preview-step';

interface Done {
  readonly words: string;
  /** The outline before it. */
  readonly before: Shell;
  readonly ids: readonly string[];
}

export interface OutlineState {
  readonly shell: Shell;
  readonly findings: OutlineView['findings'];
  /** What can be taken back, the last one first. */
  readonly last: string | null;
  readonly held: AddedStep['held'];
  forgetHeld(): void;
  /** Does a gesture: shown at once, then tried by the server on the whole shell. */
  run(words: string, gesture: Gesture): void;
  /** Takes the last gesture back. */
  undo(): void;
}

/** The outline that is edited: each gesture is shown at once, goes into the plan, and can be taken back. */
export function useOutline(view: OutlineView): OutlineState {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const patchFrame = useFramePatch();
  const first = useMemo(() => shellOfView(view), [view]);
  const [edited, setEdited] = useState<{
    view: OutlineView;
    shell: Shell;
    findings: OutlineView['findings'];
  } | null>(null);
  const shell = edited?.view === view ? edited.shell : first;
  const findings = edited?.view === view ? edited.findings : view.findings;
  const [done, setDone] = useState<readonly Done[]>([]);
  const [held, setHeld] = useState<AddedStep['held']>([]);
  // Gestures reach the server one after another, so that each stands on the one before.
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const show = (next: Shell) => setEdited({ view, shell: next, findings });
  const address = `/api/shells/${view.id}`;

  const askAgain = async () => {
    const result = await send<OutlineView>(`${address}/outline`, undefined, 'GET');
    if (result.ok) setEdited({ view, shell: shellOfView(result.value), findings: result.value.findings });
  };
  const keep = async (gesture: Gesture): Promise<readonly AddedStep[]> => {
    const added: AddedStep[] = [];
    for (const step of gesture) {
      const result = await send<AddedStep>(`${address}/plan`, { edit: 'add', step });
      if (!result.ok) {
        enqueueSnackbar(result.trouble, { variant: 'error' });
        break;
      }
      added.push(result.value);
      patchFrame({ planSize: result.value.planSize });
    }
    return added;
  };

  const run = (words: string, gesture: Gesture) => {
    if (gesture.length === 0) return;
    const before = shell;
    const preview = previewGesture(before, gesture);
    if (preview) show(preview);
    const kept = line.current.then(() => keep(gesture));
    line.current = kept;
    void kept.then(async (added) => {
      const ids = added.flatMap(({ id }) => (id === null ? [] : [id]));
      const isWhole = added.length === gesture.length && added.every((one) => one.held.length === 0);
      setHeld(added.flatMap((one) => one.held));
      if (ids.length > 0) setDone((now) => [{ words, before, ids }, ...now]);
      if (preview === null || !isWhole) await askAgain();
    });
  };
  const undo = () => {
    const [latest, ...others] = done;
    if (!latest) return;
    setDone(others);
    show(latest.before);
    setHeld([]);
    line.current = line.current.then(async () => {
      const result = await send<{ planSize: number }>(`${address}/plan`, { edit: 'remove', ids: latest.ids });
      if (result.ok) patchFrame({ planSize: result.value.planSize });
      else enqueueSnackbar(result.trouble, { variant: 'error' });
      if (!result.ok) router.refresh();
    });
  };
  return {
    shell,
    findings,
    last: done[0]?.words ?? null,
    held,
    forgetHeld: () => setHeld([]),
    run,
    undo,
  };
}

function previewGesture(shell: Shell, gesture: Gesture): Shell | null {
  let now: Shell | null = shell;
  for (const step of gesture) now = now === null ? null : previewStep(now, step);
  return now;
}
