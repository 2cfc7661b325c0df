import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { good } from '@/core/shell/result';
import { shells } from '@/store/schema';
import { combWhatIsWritten } from '@/services/do/comb/comb-what-is-written';
import { writtenRules } from '@/services/keep/rules/written-rules';
import { defineJob } from '@/services/keep/jobs/job-record';
import { keepVersion, turnTo } from '@/services/keep/shells/keep-version';
import { noIntake } from '@/services/keep/shells/kept-intake';
import { keepState, type KeptState } from '@/services/keep/shells/kept-state';
import { insertShell } from '@/services/keep/shells/new-shell';
import { showFacts } from '@/services/keep/shells/show-facts';
import { connect, type HostDoor } from '@/services/keep/hosts/connect';
import { accessOf, findHost } from '@/services/keep/hosts/host-records';
import { namesOf } from '@/services/keep/hosts/host-names';

/** Reads a shell from a campus host: a new one, or again one that is here. */
export const pullJob = defineJob({
  kind: 'pull',
  input: z.strictObject({
    hostId: z.string(),
    hostShell: z.string(),
    /** The shell that it is here, and the version that is current; null for a new one. */
    here: z.strictObject({ shellId: z.string(), versionId: z.string() }).nullable(),
    combBy: writtenRules.nullable(),
  }),
  leavesBlobs: true,
  run: async (_, tools) => {
    const door = (await tools.note({ is: 'door' })) as HostDoor;
    const read = await connect(door, tools, () => {}).read();
    if (!read.ok) return read;
    tools.progress(1, 1, 'Keeping the shell');
    return good(keepState(tools.blobs, read.value.shell));
  },
  note: (_, { hostId, hostShell, here }, { tx }): HostDoor => {
    const host = findHost(tx, hostId);
    if (!host) throw new Error('this host is not known any more');
    return { access: accessOf(host), hostShell, names: here ? namesOf(tx, here.shellId) : [] };
  },
  settle: (state: KeptState, { hostId, hostShell, here, combBy }, desk) => {
    const { tx, now } = desk;
    const shellId = here?.shellId ?? randomUUID();
    if (!here)
      insertShell(tx, state, { id: shellId, role: 'course lead', hostId, hostShell, createdAt: now });
    const label = here ? 'Read again from the host' : 'As it was read from the host';
    const about = { kind: 'read', label, parentId: here?.versionId ?? null, met: noIntake, now } as const;
    const versionId = keepVersion(tx, shellId, state, about);
    turnTo(tx, shellId, here?.versionId ?? '', versionId);
    showFacts(tx, shellId, state);
    tx.update(shells).set({ asOf: state.asOf }).where(eq(shells.id, shellId)).run();
    if (combBy) combWhatIsWritten(desk, shellId, versionId, state.stateBlob, combBy);
    return { shellId };
  },
});
