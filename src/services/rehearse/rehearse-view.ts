import type { Finding } from '@/core/checks/finding';
import { smoothnessOf, type Smoothness } from '@/core/checks/smoothness';
import type { Sketch } from '@/core/shell/sketch';
import type { Context } from '../context';
import type { RehearsalView } from '../jobs/job-kinds';
import { sketchOfVersion, type CurrentShell } from '../shells/current-shell';
import { countChanges } from '@/core/plan/run-plan';
import { sealedRehearsal } from './order-rehearsal';

/** What the Rehearse stage shows. */
export interface RehearseStageView {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly planSize: number;
  readonly planKey: string;
  readonly combed: boolean;
  readonly sealed: SealedView | null;
  readonly before: {
    readonly sketch: Sketch;
    readonly findings: readonly Finding[];
    readonly smoothness: Smoothness | null;
  };
}
export interface SealedView extends RehearsalView {
  readonly smoothnessAfter: Smoothness;
  /** Changes that would be made; links that follow along are counted apart. */
  readonly changes: number;
}

export function rehearseStage(context: Context, shell: CurrentShell): RehearseStageView {
  const view = sealedRehearsal(context, shell);
  const left = new Set(shell.leftBe.map((f) => `${f.check} ${f.substance}`));
  const openAfter = view?.after.audit.findings.filter((f) => !left.has(`${f.check} ${f.substance}`)) ?? [];
  return {
    id: shell.row.id,
    code: shell.row.code,
    title: shell.row.title,
    planSize: shell.plan.size,
    planKey: shell.plan.key,
    combed: shell.kept !== null,
    sealed: view
      ? {
          ...view,
          after: { ...view.after, audit: { ...view.after.audit, findings: openAfter } },
          smoothnessAfter: smoothnessOf(view.after.audit.counts, openAfter),
          changes: countChanges(view.results, 'done'),
        }
      : null,
    before: { sketch: sketchOfVersion(shell.version), findings: shell.open, smoothness: shell.smoothness },
  };
}
