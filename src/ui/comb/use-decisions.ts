'use client';
import { useSnackbar } from 'notistack';
import { useCallback, useState } from 'react';
import type { CombView } from '@/services/comb/comb-view';
import type { DecisionPatch } from '@/services/decide/decisions';
import { useFramePatch } from '../frame/frame-counts';
import { send } from '../jobs/use-job';

export type FindingState = DecisionPatch['state'];

export interface Decisions {
  readonly busy: boolean;
  readonly planSize: number;
  stateOf(finding: string): FindingState;
  /** What the plan does about a finding; null where it does nothing. */
  actionOf(finding: string): string | null;
  accept(findings: readonly string[]): Promise<boolean>;
  leaveBe(findings: readonly string[]): Promise<boolean>;
  reopen(findings: readonly string[]): Promise<boolean>;
  /** Takes another remedy: its place among those that the finding offers. */
  change(finding: string, other: number): Promise<boolean>;
}

interface Decided {
  readonly state: FindingState;
  readonly action: string | null;
}
/** What was decided since the page came in; it is dropped with the page that it belongs to. */
interface Overlay {
  readonly view: CombView;
  readonly decided: ReadonlyMap<string, Decided>;
  readonly planSize: number;
}

/** Sends decisions and brings the page up to date by the answer alone; trouble is said at the bottom of the page. */
export function useDecisions(view: CombView): Decisions {
  const { enqueueSnackbar } = useSnackbar();
  const patchFrame = useFramePatch();
  const [busy, setBusy] = useState(false);
  const [kept, setKept] = useState<Overlay | null>(null);
  const overlay = kept?.view === view ? kept : null;
  const decide = useCallback(
    async (body: unknown) => {
      setBusy(true);
      const result = await send<DecisionPatch>(`/api/shells/${view.id}/decisions`, body);
      setBusy(false);
      if (!result.ok) {
        enqueueSnackbar(result.trouble, { variant: 'error' });
        return false;
      }
      const { findings, state, actions, planSize } = result.value;
      setKept((now) => {
        const decided = new Map(now?.view === view ? now.decided : []);
        for (const id of findings) decided.set(id, { state, action: actions[id] ?? null });
        return { view, decided, planSize };
      });
      patchFrame(result.value);
      return true;
    },
    [view, enqueueSnackbar, patchFrame],
  );
  const stateOf = useCallback(
    (id: string) => overlay?.decided.get(id)?.state ?? stateIn(view, id),
    [overlay, view],
  );
  return {
    busy,
    planSize: overlay?.planSize ?? view.planSize,
    stateOf,
    actionOf: (id) => {
      const decided = overlay?.decided.get(id);
      return decided ? decided.action : (indexOf(view).planned.get(id) ?? null);
    },
    accept: (findings) => decide({ decision: 'accept', findings }),
    leaveBe: (findings) => decide({ decision: 'leave-be', findings }),
    reopen: (findings) => decide({ decision: 'reopen', findings }),
    change: (finding, other) => decide({ decision: 'change', findings: [finding], other }),
  };
}

interface ViewIndex {
  readonly planned: ReadonlyMap<string, string>;
  readonly leftBe: ReadonlySet<string>;
}
const indexes = new WeakMap<CombView, ViewIndex>();

function indexOf(view: CombView): ViewIndex {
  const known = indexes.get(view);
  if (known) return known;
  const index: ViewIndex = {
    planned: new Map(
      view.planned.map(({ finding, action, how }) => [finding, how === 'remedy' ? 'accepted' : action]),
    ),
    leftBe: new Set(view.leftBe.map((f) => f.id)),
  };
  indexes.set(view, index);
  return index;
}

function stateIn(view: CombView, id: string): FindingState {
  const { planned, leftBe } = indexOf(view);
  if (planned.has(id)) return 'planned';
  return leftBe.has(id) ? 'left-be' : 'open';
}
