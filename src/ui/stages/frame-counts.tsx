'use client';
import { createContext, use, useCallback, useMemo, useState, type ReactNode } from 'react';
import type { DecisionPatch } from '@/services/do/decide/decisions';
import type { FrameView } from './stages';

/** The counts that changed; what is not told stays. */
type Counts = Pick<DecisionPatch, 'planSize'> & Partial<Pick<DecisionPatch, 'undecided' | 'percent'>>;
type Patch = (patch: Counts) => void;
const PatchContext = createContext<Patch>(() => undefined);
const ViewContext = createContext<FrameView | null>(null);

/** Keeps the frame's counts in step with what is decided on the page inside it, without asking the server again. */
export function FrameCounts({ view, children }: { view: FrameView; children: ReactNode }) {
  const [kept, setKept] = useState<{ view: FrameView; next: FrameView } | null>(null);
  const patch = useCallback<Patch>(
    ({ planSize, undecided, percent }) => {
      setKept((now) => {
        const base = now?.view === view ? now.next : view;
        const states = {
          ...base.states,
          ...(undecided === undefined ? {} : { decide: `${undecided} open` }),
          rehearse: planSize === 0 ? '–' : 'not yet',
          ...(percent === undefined ? {} : { prove: `${percent} % smooth` }),
        };
        return { view, next: { ...base, planSize, states } };
      });
    },
    [view],
  );
  const now = useMemo(() => (kept?.view === view ? kept.next : view), [kept, view]);
  return (
    <PatchContext value={patch}>
      <ViewContext value={now}>{children}</ViewContext>
    </PatchContext>
  );
}

/** Brings the frame up to what was decided. */
export const useFramePatch = (): Patch => use(PatchContext);

/** The frame's counts as they are now. */
export function useFrameView(first: FrameView): FrameView {
  return use(ViewContext) ?? first;
}
