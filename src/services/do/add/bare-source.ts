import { eq } from 'drizzle-orm';
import type { Sha256 } from '@/core/refs/refs';
import type { Shell } from '@/core/shell/model';
import { loadBareShell } from '@/store/state/keep-shell';
import { incomings } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** The source that waits beside a shell, without its texts; null where none does. */
export function bareSource({ db, blobs }: OpenFolder, { row }: Pick<CurrentShell, 'row'>): Shell | null {
  const waiting = db.select().from(incomings).where(eq(incomings.shellId, row.id)).get();
  return waiting ? loadBareShell(blobs, waiting.stateBlob as Sha256) : null;
}
