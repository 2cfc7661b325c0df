import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { HostClient, type HostAccess } from '@/connectors/campus/host-client';
import { shellPageSchema, type ShellCard } from '@/connectors/campus/wire';
import { bad, good, type Result } from '@/core/shell/result';
import type { Db, Transaction } from '@/store/database';
import { hosts, shells } from '@/store/schema';
import type { OpenFolder } from '../open-folder';
import type { CurrentShell } from '../shells/current-shell';

export type HostRow = typeof hosts.$inferSelect;

/** A host as screens show it: never with its secret. */
export interface HostView {
  readonly id: string;
  readonly address: string;
  readonly name: string;
  readonly account: string;
}
const viewOf = ({ id, address, name, account }: HostRow): HostView => ({ id, address, name, account });

const notAnAddress = 'Write the address of the host’s API, such as http://127.0.0.1:4150.';

/** What the sign-in form sends. */
export const signInForm = z.strictObject({
  address: z
    .url({ protocol: /^https?$/, error: notAnAddress })
    .max(500)
    .transform((address) => address.replace(/\/+$/, '')),
  name: z.string().trim().min(1, 'Write the name that you sign in with.').max(200),
  secret: z.string().min(1, 'Write the secret that goes with the name.').max(500),
});
export type SignIn = z.output<typeof signInForm>;

/** A person waits for these: fewer tries and shorter waits than a run has. */
const impatient = { tries: 5, firstWait: 60, longestWait: 600, timeout: 8_000, patience: 3_000 };

/** Signs in to a host, and remembers it and who this is there. Nothing is kept where the host says no. */
export async function signInToHost(folder: OpenFolder, access: SignIn): Promise<Result<HostView>> {
  const account = await new HostClient(access, () => {}, impatient).signIn();
  if (!account.ok) return account;
  const { address, name, secret } = access;
  const known = folder.db
    .select()
    .from(hosts)
    .where(and(eq(hosts.address, address), eq(hosts.name, name)))
    .get();
  const row: HostRow = {
    id: known?.id ?? randomUUID(),
    address,
    name,
    secret,
    account: account.value.name,
    createdAt: known?.createdAt ?? new Date().toISOString(),
  };
  folder.db.insert(hosts).values(row).onConflictDoUpdate({ target: hosts.id, set: row }).run();
  return good(viewOf(row));
}

export const hostsOf = ({ db }: OpenFolder): HostView[] =>
  db.select().from(hosts).orderBy(hosts.createdAt).all().map(viewOf);

export const findHost = (db: Db | Transaction, id: string): HostRow | null =>
  db.select().from(hosts).where(eq(hosts.id, id)).get() ?? null;

export const accessOf = ({ address, name, secret }: HostRow): HostAccess => ({ address, name, secret });

/** A shell that the signed-in person has at the host, and which of ours it is, if it is here already. */
export interface OfferedShell extends ShellCard {
  readonly here: string | null;
}

export async function shellsAtHost(folder: OpenFolder, hostId: string): Promise<Result<OfferedShell[]>> {
  const host = findHost(folder.db, hostId);
  if (!host) return bad('no-host', 'This host is not known any more; sign in again.');
  const client = new HostClient(accessOf(host), () => {}, impatient);
  const offered: OfferedShell[] = [];
  for (let page = 1, pages = 1; page <= pages; page += 1) {
    const read = await client.get(`/shells?page=${page}`, shellPageSchema);
    if (!read.ok) return read;
    pages = read.value.pages;
    for (const card of read.value.shells) offered.push({ ...card, here: hereOf(folder, hostId, card.id) });
  }
  return good(offered);
}

const hereOf = ({ db }: OpenFolder, hostId: string, hostShell: string): string | null =>
  db
    .select({ id: shells.id })
    .from(shells)
    .where(and(eq(shells.hostId, hostId), eq(shells.hostShell, hostShell)))
    .get()?.id ?? null;

/** The host that a shell stands on; null for one that was brought in as a package. */
export function hostOfShell({ db }: OpenFolder, { row }: CurrentShell): HostView | null {
  const host = row.hostId === null ? null : findHost(db, row.hostId);
  return host && viewOf(host);
}
