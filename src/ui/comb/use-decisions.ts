'use client';
import { entryOf } from '@/core/entries';
import { useSnackbar } from '../theme/message-bar';
import { useCallback, useState } from 'react';
import type { CombView } from '@/services/show/comb/comb-view';
import type { DecisionPatch } from '@/services/do/decide/decisions';
import { useFramePatch } from '@/ui/stages/frame-counts';
import { useLine } from '../jobs/use-line';

export type FindingState = DecisionPatch['state'];

export interface Decisions {
  /** Whether an answer of the server is still to come. */
  readonly busy: boolean;
  readonly planSize: number;
  stateOf(finding: string): FindingState;
  /** What the plan does about a finding, or why it was left be; null where there is nothing to say. */
  actionOf(finding: string): string | null;
  accept(findings: readonly string[]): void;
  /** Takes a finding’s remedy for some of its things. */
  acceptSome(finding: string, only: readonly string[]): void;
  leaveBe(findings: readonly string[], reason?: string): void;
  /** The owner must say. */
  ask(findings: readonly string[]): void;
  later(findings: readonly string[]): void;
  reopen(findings: readonly string[]): void;
  /** Takes another remedy: its place among those that the finding offers. */
  change(finding: string, other: number): void;
  /** Takes the same other remedy for many. */
  changeAll(findings: readonly string[], action: string): void;
}

interface Decided {
  readonly state: FindingState;
  readonly action: string | null;
}
/** What was decided since the page came in. */
interface Overlay {
  readonly decided: ReadonlyMap<string, Decided>;
  /** Null until the server said it. */
  readonly planSize: number | null;
}

/** What to send, and what it makes of the findings: shown at once, taken back where the server says no. */
interface Deciding {
  readonly body: {
    readonly decision: string;
    readonly findings: readonly string[];
    readonly other?: number;
    readonly action?: string;
    readonly only?: readonly string[];
    readonly reason?: string;
  };
  readonly becomes: Decided;
}

/** Decides at once on the page and then on the server; trouble is said at the bottom of the page and takes it back. */
export function useDecisions(view: CombView): Decisions {
  const { enqueueSnackbar } = useSnackbar();
  const patchFrame = useFramePatch();
  const [pending, setPending] = useState(0);
  const sendInLine = useLine();
  const [overlay, setOverlay] = useState<Overlay | null>(null);
  const [viewBefore, setViewBefore] = useState(view);
  if (view !== viewBefore) {
    setViewBefore(view);
    // A page that was read anew holds what was decided; what the server has not answered yet may not be in it.
    if (pending === 0) setOverlay(null);
  }
  const decide = useCallback(
    async ({ body, becomes }: Deciding) => {
      const before = new Map(body.findings.map((id) => [id, decidedIn(overlay, view, id)]));
      const everyOne = new Map(body.findings.map((id) => [id, becomes]));
      setPending((n) => n + 1);
      setOverlay((now) => withDecided(now, everyOne));
      const result = await sendInLine<DecisionPatch>(`/api/shells/${view.id}/decisions`, body);
      setPending((n) => n - 1);
      if (!result.ok) {
        setOverlay((now) => withDecided(now, before));
        enqueueSnackbar(result.trouble, { variant: 'error' });
        return;
      }
      const { findings, state, actions, planSize } = result.value;
      const said = state === 'left-be' ? becomes.action : null;
      const after = new Map(findings.map((id) => [id, { state, action: entryOf(actions, id) ?? said }]));
      setOverlay((now) => withDecided(now, after, planSize));
      patchFrame(result.value);
    },
    [view, overlay, enqueueSnackbar, patchFrame, sendInLine],
  );
  const stateOf = useCallback((id: string) => decidedIn(overlay, view, id).state, [overlay, view]);
  return {
    busy: pending > 0,
    planSize: overlay?.planSize ?? view.planSize,
    stateOf,
    actionOf: (id) => decidedIn(overlay, view, id).action,
    accept: (findings) =>
      void decide({
        body: { decision: 'accept', findings },
        becomes: { state: 'planned', action: 'accepted' },
      }),
    acceptSome: (finding, only) =>
      void decide({
        body: { decision: 'accept-some', findings: [finding], only },
        becomes: is('planned'),
      }),
    leaveBe: (findings, reason) =>
      void decide({
        body: { decision: 'leave-be', findings, ...(reason ? { reason } : {}) },
        becomes: { state: 'left-be', action: reason ?? null },
      }),
    ask: (findings) => void decide({ body: { decision: 'ask', findings }, becomes: is('asked') }),
    later: (findings) => void decide({ body: { decision: 'later', findings }, becomes: is('later') }),
    reopen: (findings) => void decide({ body: { decision: 'reopen', findings }, becomes: is('open') }),
    change: (finding, other) =>
      void decide({ body: { decision: 'change', findings: [finding], other }, becomes: is('planned') }),
    changeAll: (findings, action) =>
      void decide({ body: { decision: 'change-all', findings, action }, becomes: is('planned') }),
  };
}

/** A finding in a state of which there is no more to say. */
const is = (state: Decided['state']): Decided => ({ state, action: null });

function withDecided(now: Overlay | null, more: ReadonlyMap<string, Decided>, planSize?: number): Overlay {
  return {
    decided: new Map([...(now?.decided ?? []), ...more]),
    planSize: planSize ?? now?.planSize ?? null,
  };
}

/** What is decided about a finding: since the page came in, else as the page came in. */
function decidedIn(overlay: Overlay | null, view: CombView, id: string): Decided {
  const decided = overlay?.decided.get(id);
  if (decided) return decided;
  const state = stateIn(view, id);
  const said = state === 'left-be' ? entryOf(view.reasons, id) : indexOf(view).planned.get(id);
  return { state, action: said ?? null };
}

const waitingStates = { ask: 'asked', later: 'later' } as const;

interface ViewIndex {
  readonly planned: ReadonlyMap<string, string>;
  readonly leftBe: ReadonlySet<string>;
  readonly waiting: ReadonlyMap<string, 'asked' | 'later'>;
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
    waiting: new Map(view.waiting.map(({ finding, kind }) => [finding, waitingStates[kind]])),
  };
  indexes.set(view, index);
  return index;
}

function stateIn(view: CombView, id: string): FindingState {
  const { planned, leftBe, waiting } = indexOf(view);
  if (planned.has(id)) return 'planned';
  if (leftBe.has(id)) return 'left-be';
  return waiting.get(id) ?? 'open';
}
