import { eq } from 'drizzle-orm';
import type { ListedFinding } from '@/core/checks/finding/finding';
import { smoothnessOf, type Smoothness } from '@/core/checks/finding/smoothness';
import type { Sketch } from '@/core/shell/sketch';
import { leaveBes } from '@/store/schema';
import { listedFindings } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import { sketchOfVersion, type CurrentShell } from '@/services/keep/shells/current-shell';
import { sealedRehearsal } from '@/services/do/rehearse/order-rehearsal';
import type { RehearsalView } from '@/services/do/rehearse/rehearse-job';

/** What the Rehearse stage shows. */
export interface RehearseStageView {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly planSize: number;
  readonly planKey: string;
  readonly combed: boolean;
  /** It stands on a campus host, and is changed there. */
  readonly onHost: boolean;
  readonly sealed: SealedView | null;
  readonly before: {
    readonly sketch: Sketch;
    readonly findings: readonly ListedFinding[];
    readonly smoothness: Smoothness | null;
  };
}
export interface SealedView extends RehearsalView {
  readonly smoothnessAfter: Smoothness;
}

export function rehearseStage(folder: OpenFolder, shell: CurrentShell): RehearseStageView {
  const { row, audit, plan, version } = shell;
  return {
    id: row.id,
    code: row.code,
    title: row.title,
    planSize: plan.size,
    planKey: plan.key,
    combed: audit !== null,
    onHost: row.hostId !== null,
    sealed: sealedView(folder, shell),
    before: {
      sketch: sketchOfVersion(folder, version),
      findings: audit ? listedFindings(folder.db, audit.id, courseOf(row), 'open') : [],
      smoothness: shell.smoothness,
    },
  };
}

function sealedView(folder: OpenFolder, shell: CurrentShell): SealedView | null {
  const sealed = sealedRehearsal(folder, shell);
  if (!sealed) return null;
  const { view } = sealed;
  const course = courseOf(shell.row);
  const left = new Set(
    folder.db
      .select()
      .from(leaveBes)
      .where(eq(leaveBes.course, course))
      .all()
      .map((one) => `${one.check} ${one.substance}`),
  );
  const findings = view.after.findings.filter((f) => !left.has(`${f.check} ${f.substance}`));
  return {
    ...view,
    after: { ...view.after, findings },
    smoothnessAfter: smoothnessOf(view.after.counts, findings),
  };
}
