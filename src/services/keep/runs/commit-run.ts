import { eq } from 'drizzle-orm';
import { runs } from '@/store/schema';
import type { Desk } from '@/services/keep/jobs/job-record';
import { keepVersion, turnTo, type VersionAbout } from '@/services/keep/shells/keep-version';
import type { KeptState } from '@/services/keep/shells/kept-state';
import { showFacts } from '@/services/keep/shells/show-facts';

/**
 * The one way in which a shell comes to another state: the new version is written and made the current one where the
 * expected one still is, all in one transaction with the run that led to it. Running, adding and undoing end here.
 */
export function commitVersion(
  { tx }: Desk,
  shellId: string,
  expectedVersion: string,
  state: KeptState,
  about: VersionAbout,
): string {
  const versionId = keepVersion(tx, shellId, state, about);
  turnTo(tx, shellId, expectedVersion, versionId);
  showFacts(tx, shellId, state);
  return versionId;
}

export function commitRun(
  desk: Desk,
  run: {
    readonly id: string;
    readonly shellId: string;
    readonly expectedVersion: string;
    readonly editsBlob: string;
    readonly summary: unknown;
  },
  state: KeptState,
  about: VersionAbout,
): string {
  const afterVersion = commitVersion(desk, run.shellId, run.expectedVersion, state, about);
  desk.tx
    .update(runs)
    .set({
      state: 'done',
      afterVersion,
      editsBlob: run.editsBlob,
      summary: JSON.stringify(run.summary),
      finishedAt: desk.now,
    })
    .where(eq(runs.id, run.id))
    .run();
  return afterVersion;
}
