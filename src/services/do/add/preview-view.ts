import { intakeGroups, type IntakeGroup } from '@/services/keep/shells/kept-intake';
import { and, desc, eq } from 'drizzle-orm';
import { emptyShell } from '@/core/shell/empty-shell';
import { identityDoubts, type IdentityDoubt } from '@/core/inventory/identity';
import type { Sha256 } from '@/core/refs/refs';
import { lost } from '@/core/shell/unreadable-store';
import type { HeldPreview } from './hold-against-job';
import { loadBareShell } from '@/store/state/keep-shell';
import { incomings, runs } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

export interface EarlierAdding {
  /** The run that added it; null where the shell itself was read from it. */
  readonly runId: string | null;
  readonly at: string;
}
/** A package that waits to be added, held against the shell. */
export interface PreviewView {
  readonly id: string;
  readonly packageName: string;
  readonly title: string;
  readonly intake: readonly IntakeGroup[];
  readonly preview: HeldPreview;
  /** The shell changed since the package was held against it. */
  readonly stale: boolean;
  readonly earlier: EarlierAdding | null;
  /** Codes of other courses that the package goes by. Its term may well be another one: that is what is copied from. */
  readonly doubts: readonly IdentityDoubt[];
  /** Top-level and other modules to land in. */
  readonly modules: readonly { readonly ref: string; readonly title: string }[];
}

export function previewView(folder: OpenFolder, shell: CurrentShell): PreviewView | null {
  const row = folder.db.select().from(incomings).where(eq(incomings.shellId, shell.row.id)).get();
  if (!row) return null;
  const bytes = folder.blobs.read(row.previewBlob as Sha256);
  if (!bytes) throw lost('The preview of what would be added');
  return {
    id: row.id,
    packageName: row.packageName,
    title: row.title,
    intake: intakeGroups(row.intake),
    preview: JSON.parse(bytes.toString('utf8')) as HeldPreview,
    stale: row.versionId !== shell.version.id,
    doubts: identityDoubts({
      code: shell.row.code,
      title: row.title,
      term: { title: '', start: null, end: null },
      frame: { ...emptyShell.frame, title: row.title },
    }),
    earlier: earlierAdding(folder, shell, row.packageHash),
    modules: loadBareShell(folder.blobs, shell.version.stateBlob as Sha256)
      .items.filter((i) => i.placed && i.kind === 'module')
      .map(({ ref, title }) => ({ ref, title })),
  };
}

/** Was this very package, byte for byte, added before and not taken back, or is it what the shell was read from? */
export function earlierAdding(
  folder: OpenFolder,
  shell: CurrentShell,
  packageHash: string,
): EarlierAdding | null {
  const run = folder.db
    .select()
    .from(runs)
    .where(and(eq(runs.shellId, shell.row.id), eq(runs.packageHash, packageHash), eq(runs.state, 'done')))
    .orderBy(desc(runs.finishedAt))
    .limit(1)
    .get();
  if (run) return { runId: run.id, at: run.finishedAt ?? run.startedAt };
  return shell.row.packageHash !== '' && shell.row.packageHash === packageHash
    ? { runId: null, at: shell.row.createdAt }
    : null;
}
