import { eq } from 'drizzle-orm';
import { bad, good, type Result } from '@/core/shell/result';
import { hosts, shells } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { findHost } from '@/services/keep/hosts/host-records';

/**
 * Forgets a host and the secret that goes with it: nothing of it is left in the data folder. Refused while a shell
 * stands on it, which could be neither read again nor changed any more.
 */
export function forgetHost({ db }: OpenFolder, hostId: string): Result<{ forgotten: string }> {
  const host = findHost(db, hostId);
  if (!host) return bad('no-host', 'This host is forgotten already.');
  const standing = db.select({ code: shells.code }).from(shells).where(eq(shells.hostId, hostId)).all();
  if (standing.length > 0) return bad('host-in-use', sayInUse(standing.map(({ code }) => code)));
  // SQLite leaves the bytes of a deleted row where they are, unless it is told to write over them.
  db.$client.pragma('secure_delete = ON');
  try {
    db.delete(hosts).where(eq(hosts.id, hostId)).run();
  } finally {
    db.$client.pragma('secure_delete = OFF');
  }
  db.$client.pragma('wal_checkpoint(TRUNCATE)');
  return good({ forgotten: host.address });
}

function sayInUse([first = '', ...others]: readonly string[]): string {
  return others.length === 0
    ? `${first} stands on this host; remove it from the list of shells first.`
    : `${first} and ${others.length} more stand on this host; remove them from the list of shells first.`;
}
