import { eq } from 'drizzle-orm';
import type { HostAccess } from '@/connectors/campus/host-client';
import type { Db, Transaction } from '@/store/database';
import { hosts } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

export type HostRow = typeof hosts.$inferSelect;

/** A host as screens show it: never with its secret. */
export interface HostView {
  readonly id: string;
  readonly address: string;
  readonly name: string;
  readonly account: string;
}
export const viewOf = ({ id, address, name, account }: HostRow): HostView => ({ id, address, name, account });

export const hostsOf = ({ db }: OpenFolder): HostView[] =>
  db.select().from(hosts).orderBy(hosts.createdAt).all().map(viewOf);

export const findHost = (db: Db | Transaction, id: string): HostRow | null =>
  db.select().from(hosts).where(eq(hosts.id, id)).get() ?? null;

export const accessOf = ({ address, name, secret }: HostRow): HostAccess => ({ address, name, secret });

/** The host that a shell stands on; null for one that was brought in as a package. */
export function hostOfShell({ db }: OpenFolder, { row }: CurrentShell): HostView | null {
  const host = row.hostId === null ? null : findHost(db, row.hostId);
  return host && viewOf(host);
}
