import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { z } from 'zod';
import { good } from '@/core/shell/result';
import { combWhatIsWritten } from '@/services/do/comb/comb-what-is-written';
import { writtenRules } from '@/services/keep/rules/written-rules';
import { defineJob } from '@/services/keep/jobs/job-record';
import { keepVersion, turnTo } from '@/services/keep/shells/keep-version';
import { keepIntake, type KeptIntake } from '@/services/keep/shells/kept-intake';
import { keepState, type KeptState } from '@/services/keep/shells/kept-state';
import { insertShell } from '@/services/keep/shells/new-shell';
import { readShell } from '@/services/do/packages/read-shell';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';

/** Inputs of a reading are made by our own services from a form that was held against its schema. */
export const shellInputs = z.custom<ShellInputs>((value) => typeof value === 'object' && value !== null);

export interface ReadPackage extends KeptState {
  /** What the reading met. */
  readonly met: KeptIntake;
  readonly packageHash: string;
}

/** Reads a package and its side files into a new shell. */
export const bringInJob = defineJob({
  kind: 'bring-in',
  input: z.strictObject({
    inputs: shellInputs,
    role: z.string(),
    dispose: z.array(z.string()),
    isDemo: z.boolean().default(false),
    /** The house rules to comb it by as soon as it is here; null where that waits. */
    combBy: writtenRules.nullable().default(null),
  }),
  leavesBlobs: true,
  leftovers: ({ dispose }) => dispose,
  run: async ({ inputs }, { blobs, progress }) => {
    const reading = await readShell(inputs, {
      sink: blobs,
      onProgress: (done, total) => progress(done, total, 'Reading the package'),
    });
    if (!reading.ok) return reading;
    const { archive, shell, intake } = reading.value;
    archive.close();
    const packageHash = await hashOfFile(inputs.package.path);
    const kept = { ...keepState(blobs, shell), met: keepIntake(blobs, intake), packageHash };
    return good(kept satisfies ReadPackage);
  },
  settle: (read: ReadPackage, { role, isDemo, combBy }, desk) => {
    const { tx, now } = desk;
    const shellId = randomUUID();
    const { packageHash, met } = read;
    const about = { kind: 'read', label: 'As it was brought in', parentId: null, met, now } as const;
    insertShell(tx, read, {
      id: shellId,
      role: role || 'course lead',
      packageHash,
      isDemo,
      createdAt: now,
    });
    const versionId = keepVersion(tx, shellId, read, about);
    turnTo(tx, shellId, '', versionId);
    if (combBy) combWhatIsWritten(desk, shellId, versionId, read.stateBlob, combBy);
    return { shellId };
  },
});

export async function hashOfFile(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const block of createReadStream(path, { highWaterMark: 1024 ** 2 }))
    hash.update(block as Buffer);
  return hash.digest('hex');
}
