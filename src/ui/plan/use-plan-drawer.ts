'use client';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useCallback, useEffect, useState } from 'react';
import type { EditedPlan } from '@/services/do/decide/change-plan';
import type { DrawerStep, PlanDrawerView } from '@/services/show/decide/plan-drawer';
import { useFramePatch } from '@/ui/stages/frame-counts';
import { send } from '../jobs/use-job';

export interface PlanDrawerState {
  /** Null until it is here. */
  readonly view: PlanDrawerView | null;
  readonly trouble: string | null;
  takeOut(steps: readonly DrawerStep[]): Promise<void>;
  /** Leaves one thing of a step alone. */
  spare(step: DrawerStep, ref: string): Promise<void>;
  /** Brings a step one place up or down in the plan. */
  shift(step: DrawerStep, by: 1 | -1): Promise<void>;
  reload(): void;
}

/** The plan as the drawer shows it, read anew after every edit. */
export function usePlanDrawer(shellId: string): PlanDrawerState {
  const router = useRouter();
  const patch = useFramePatch();
  const { enqueueSnackbar } = useSnackbar();
  const [view, setView] = useState<PlanDrawerView | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [turn, setTurn] = useState(0);
  const reload = useCallback(() => setTurn((n) => n + 1), []);
  useEffect(() => {
    let isCurrent = true;
    void send<PlanDrawerView>(`/api/shells/${shellId}/stages/drawer`, undefined, 'GET').then((result) => {
      if (!isCurrent) return;
      setTrouble(result.ok ? null : result.trouble);
      if (result.ok) setView(result.value);
    });
    return () => {
      isCurrent = false;
    };
  }, [shellId, turn]);

  const edit = async (body: unknown) => {
    const result = await send<EditedPlan>(`/api/shells/${shellId}/plan`, body);
    if (result.ok) patch({ planSize: result.value.planSize });
    else enqueueSnackbar(result.trouble, { variant: 'error' });
    reload();
    router.refresh();
  };
  return {
    view,
    trouble,
    reload,
    takeOut: (steps) => {
      const ids = steps.map(({ id }) => id);
      // What is taken out is gone at once: a second click must not meet it again.
      setView((now) => now && withoutSteps(now, new Set(ids)));
      return edit({ edit: 'remove', ids });
    },
    spare: (step, ref) => edit({ edit: 'without', id: step.id, refs: [ref] }),
    shift: async (step, by) => {
      const order = view?.groups.flatMap(({ steps }) => steps).sort((a, b) => a.place - b.place) ?? [];
      const ids = order.map(({ id }) => id);
      const at = ids.indexOf(step.id);
      const other = ids[at + by];
      if (at < 0 || other === undefined) return;
      ids[at + by] = step.id;
      ids[at] = other;
      await edit({ edit: 'order', ids });
    },
  };
}

function withoutSteps(view: PlanDrawerView, ids: ReadonlySet<string>): PlanDrawerView {
  const groups = view.groups
    .map((group) => ({ ...group, steps: group.steps.filter(({ id }) => !ids.has(id)) }))
    .filter((group) => group.steps.length > 0);
  return { ...view, groups, steps: view.steps - ids.size };
}
