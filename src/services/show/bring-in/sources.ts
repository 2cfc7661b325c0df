import { desc, eq, ne } from 'drizzle-orm';
import { incomings, shells } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** A shell of the list that things can be taken from. */
export interface SourceShell {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly term: string;
  readonly isOnHost: boolean;
}

/** Every other shell of the list, the newest first. */
export const sourcesFor = ({ db }: OpenFolder, { row }: CurrentShell): readonly SourceShell[] =>
  db
    .select({
      id: shells.id,
      code: shells.code,
      title: shells.title,
      term: shells.termTitle,
      hostId: shells.hostId,
    })
    .from(shells)
    .where(ne(shells.id, row.id))
    .orderBy(desc(shells.createdAt))
    .all()
    .map(({ hostId, ...shell }) => ({ ...shell, isOnHost: hostId !== null }));

/** Whether a source waits beside a shell. */
export const hasWaitingSource = ({ db }: OpenFolder, { row }: CurrentShell): boolean =>
  db.select({ id: incomings.id }).from(incomings).where(eq(incomings.shellId, row.id)).get() !== undefined;
