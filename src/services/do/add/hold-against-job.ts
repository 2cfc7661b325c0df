import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { hintsOf, type Hint } from '@/core/add/hints';
import { holdAgainst } from '@/core/add/hold-against';
import type { AddPreview } from '@/core/add/incoming';
import type { Shell } from '@/core/shell/model';
import { nameOfShell } from '@/core/shell/name-of-shell';
import { good, type Result } from '@/core/shell/result';
import { incomings } from '@/store/schema';
import { hashOfFile, shellInputs } from '@/services/do/bring-in/bring-in-job';
import { readShell } from '@/services/do/packages/read-shell';
import { defineJob, type WorkerTools } from '@/services/keep/jobs/job-record';
import { rulesFrom, writtenRules } from '@/services/keep/rules/written-rules';
import { keepIntake, noIntake, type KeptIntake } from '@/services/keep/shells/kept-intake';
import { blobHash, remember, shellOf } from '@/services/keep/shells/kept-state';
import { saveShell } from '@/store/state/keep-shell';

const from = z.union([
  z.strictObject({ inputs: shellInputs, dispose: z.array(z.string()) }),
  /** Another shell of the list, or a package that was read before, as it is kept. */
  z.strictObject({ shellBlob: blobHash, name: z.string(), packageHash: z.string().optional() }),
  /** One that was read before. */
  z.strictObject({ incomingId: z.string(), incomingBlob: blobHash }),
]);
type From = z.output<typeof from>;

/** A source held against a shell, as it is kept: with what the checks say of its things. */
export interface HeldPreview extends AddPreview {
  readonly hints: readonly Hint[];
}

interface Held {
  readonly incomingBlob: string;
  readonly previewBlob: string;
  readonly title: string;
  readonly packageName: string;
  readonly packageHash: string;
  /** What the reading met. */
  readonly met: KeptIntake;
}

/** Holds a package against a shell: what is new, there already, different or would be doubled. */
export const holdAgainstJob = defineJob({
  kind: 'hold-against',
  input: z.strictObject({
    versionId: z.string(),
    stateBlob: blobHash,
    from,
    /** What the checks go by that look at the source. */
    rules: writtenRules,
  }),
  leavesBlobs: true,
  leftovers: (input) => ('inputs' in input.from ? input.from.dispose : []),
  run: async (input, tools): Promise<Result<Held>> => {
    const shell = shellOf(tools.blobs, input.stateBlob);
    const read = await readIncoming(input.from, tools);
    if (!read.ok) return read;
    const { incoming, ...about } = read.value;
    tools.progress(1, 2, 'Holding it against the shell');
    const rules = rulesFrom(input.rules);
    if (!rules.ok) return rules;
    const preview = holdAgainst(shell, incoming, { rules: rules.value });
    const held: HeldPreview = { ...preview, hints: hintsOf(incoming, rules.value) };
    const previewBlob = tools.blobs.put(JSON.stringify(held));
    return good({ ...about, previewBlob });
  },
  settle: (held: Held, input, desk) => {
    const { tx, now, shellId } = desk;
    if (shellId === null) return {};
    // What only the package that waited before used is of no use any more.
    const waited = tx
      .select({ id: incomings.id })
      .from(incomings)
      .where(eq(incomings.shellId, shellId))
      .get();
    if (waited) desk.order('sweep', null, {});
    const { previewBlob } = held;
    if ('incomingId' in input.from) {
      tx.update(incomings)
        .set({ versionId: input.versionId, previewBlob })
        .where(eq(incomings.id, input.from.incomingId))
        .run();
      return {};
    }
    tx.delete(incomings).where(eq(incomings.shellId, shellId)).run();
    tx.insert(incomings)
      .values({
        id: randomUUID(),
        shellId,
        packageName: held.packageName,
        packageHash: held.packageHash,
        title: held.title,
        versionId: input.versionId,
        stateBlob: held.incomingBlob,
        previewBlob,
        ...held.met,
        createdAt: now,
      })
      .run();
    return {};
  },
});

type Incoming = Omit<Held, 'previewBlob'> & { readonly incoming: Shell };

async function readIncoming(source: From, { blobs, progress }: WorkerTools): Promise<Result<Incoming>> {
  if ('incomingBlob' in source) {
    const incoming = shellOf(blobs, source.incomingBlob);
    const { incomingBlob } = source;
    return good({ incoming, incomingBlob, title: '', packageName: '', packageHash: '', met: noIntake });
  }
  if ('shellBlob' in source) {
    const { shellBlob, name, packageHash = shellBlob } = source;
    const incoming = shellOf(blobs, shellBlob);
    const about = { title: name, packageName: name, packageHash, met: noIntake };
    return good({ incoming, incomingBlob: shellBlob, ...about });
  }
  const reading = await readShell(source.inputs, {
    sink: blobs,
    onProgress: (done, total) => progress(done, total, 'Reading the package'),
  });
  if (!reading.ok) return reading;
  const { archive, shell: incoming, intake } = reading.value;
  archive.close();
  const incomingBlob = saveShell(blobs, incoming);
  remember(incomingBlob, incoming);
  const { path, name } = source.inputs.package;
  return good({
    incoming,
    incomingBlob,
    title: nameOfShell(incoming),
    packageName: name,
    packageHash: await hashOfFile(path),
    met: keepIntake(blobs, intake),
  });
}
