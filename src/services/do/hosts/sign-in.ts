import { withoutEnd } from '@/core/text/without-end';
import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import type { ShellCard } from '@/connectors/campus/wire';
import { bad, good, type Result } from '@/core/shell/result';
import { hosts, shells } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { fetchedOf } from '@/services/keep/desks/stage-answer';
import { accessOf, findHost, viewOf, type HostRow, type HostView } from '@/services/keep/hosts/host-records';

const notAnAddress = 'Write the address of the host’s API, such as http://127.0.0.1:4150.';

/** What the sign-in form sends. */
export const signInForm = z.strictObject({
  address: z
    .url({ protocol: /^https?$/, error: notAnAddress })
    .max(500)
    .transform((address) => withoutEnd(address, '/')),
  name: z.string().trim().min(1, 'Write the name that you sign in with.').max(200),
  secret: z.string().min(1, 'Write the secret that goes with the name.').max(500),
});
export type SignIn = z.output<typeof signInForm>;

/** Signs in to a host, and remembers it and who this is there. Nothing is kept where the host says no. */
export async function signInToHost(
  folder: Pick<Context, 'db' | 'stages'>,
  access: SignIn,
  signal: AbortSignal | null = null,
): Promise<Result<HostView>> {
  const account = fetchedOf(await folder.stages.errand('sign-in', access, signal));
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

/** A shell that the signed-in person has at the host, and which of ours it is, if it is here already. */
export interface OfferedShell extends ShellCard {
  readonly here: string | null;
}

export async function shellsAtHost(
  folder: Pick<Context, 'db' | 'stages'>,
  hostId: string,
  signal: AbortSignal | null = null,
): Promise<Result<OfferedShell[]>> {
  const host = findHost(folder.db, hostId);
  if (!host) return bad('no-host', 'This host is not known any more; sign in again.');
  const cards = fetchedOf(await folder.stages.errand('host-shells', accessOf(host), signal));
  if (!cards.ok) return cards;
  const here = shellsHere(folder, hostId);
  return good(cards.value.map((card) => ({ ...card, here: here.get(card.id) ?? null })));
}

/** The shells of a host that are here already: our id by the host's. */
const shellsHere = ({ db }: Pick<OpenFolder, 'db'>, hostId: string): ReadonlyMap<string, string> =>
  new Map(
    db
      .select({ id: shells.id, hostShell: shells.hostShell })
      .from(shells)
      .where(eq(shells.hostId, hostId))
      .all()
      .flatMap(({ id, hostShell }) => (hostShell === null ? [] : [[hostShell, id] as const])),
  );
