'use client';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useMemo, useState } from 'react';
import type { Gesture } from '@/core/outline/gesture';
import type { Shell } from '@/core/shell/model';
import type { AddedStep } from '@/services/do/decide/change-plan';
import type { OutlineView } from '@/services/show/decide/outline-view';
import { useFramePatch } from '@/ui/stages/frame-counts';
import { send } from '../jobs/use-job';
import { useLine } from '../jobs/use-line';
import { AskWhenIdle } from './ask-when-idle';
import { shellOfView } from './outline-model';
import { previewStep } from '@/core/plan/preview-step';

interface Done {
  readonly words: string;
  /** The outline before it. */
  readonly before: Shell;
  /** The steps that it became; known when the server has them. */
  readonly ids: Promise<readonly string[]>;
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
  const show = (next: Shell) => setEdited({ view, shell: next, findings });

  const asking = useMemo(() => {
    const ask = async () => {
      const result = await send<OutlineView>(`/api/shells/${view.id}/stages/outline`, undefined, 'GET');
      return result.ok ? result.value : null;
    };
    return new AskWhenIdle(ask, (now) =>
      setEdited({ view, shell: shellOfView(now), findings: now.findings }),
    );
  }, [view]);
  const { keep, takeOut } = useOutlinePlan(view.id);

  const run = (words: string, gesture: Gesture) => {
    if (gesture.length === 0) return;
    const before = shell;
    const preview = previewGesture(before, gesture);
    if (preview) show(preview);
    const kept = keep(gesture).then((added) => {
      const isWhole = added.length === gesture.length && added.every((one) => one.held.length === 0);
      setHeld(added.flatMap((one) => one.held));
      if (preview === null || !isWhole) asking.wish();
      return added.flatMap(({ id }) => (id === null ? [] : [id]));
    });
    const ids = asking.during(kept);
    setDone((now) => [{ words, before, ids }, ...now]);
  };
  const undo = () => {
    const [latest, ...others] = done;
    if (!latest) return;
    setDone(others);
    show(latest.before);
    setHeld([]);
    void asking.during(latest.ids.then(takeOut));
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

/** The plan behind the outline: gestures go into it and out again. */
function useOutlinePlan(shellId: string) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const patchFrame = useFramePatch();
  // Gestures reach the server one after another, so that each stands on the one before.
  const sendInLine = useLine();
  const address = `/api/shells/${shellId}/plan`;
  const keep = async (gesture: Gesture): Promise<readonly AddedStep[]> => {
    const sent = gesture.map((step) => sendInLine<AddedStep>(address, { edit: 'add', step }));
    const added: AddedStep[] = [];
    for (const result of await Promise.all(sent)) {
      if (result.ok) added.push(result.value);
      else enqueueSnackbar(result.trouble, { variant: 'error' });
    }
    const last = added.at(-1);
    if (last) patchFrame({ planSize: last.planSize });
    return added;
  };

  const takeOut = async (ids: readonly string[]) => {
    if (ids.length === 0) return;
    const result = await sendInLine<{ planSize: number }>(address, { edit: 'remove', ids });
    if (result.ok) patchFrame({ planSize: result.value.planSize });
    else {
      enqueueSnackbar(result.trouble, { variant: 'error' });
      router.refresh();
    }
  };
  return { keep, takeOut };
}

function previewGesture(shell: Shell, gesture: Gesture): Shell | null {
  let now: Shell | null = shell;
  for (const step of gesture) now = now === null ? null : previewStep(now, step);
  return now;
}
