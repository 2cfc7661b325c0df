import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { addThings, type AddChoice, type Addition } from '@/core/add/add-things';
import { holdAgainst } from '@/core/add/hold-against';
import { incomingTypes, type IncomingType } from '@/core/add/incoming';
import { bad, good } from '@/core/shell/result';
import { incomings, operations, runs } from '@/store/schema';
import { commitRun } from '@/services/keep/runs/commit-run';
import { nothingRemoved, type RunSummary } from '@/services/keep/runs/run-summary';
import { combWhatIsWritten } from '@/services/do/comb/comb-what-is-written';
import { writtenRules } from '@/services/keep/rules/written-rules';
import { defineJob } from '@/services/keep/jobs/job-record';
import { blobHash, keepState, shellOf, type KeptState } from '@/services/keep/shells/kept-state';

interface Added extends Pick<Addition, 'added' | 'relinked' | 'loose' | 'unmoved'> {
  readonly state: KeptState;
  readonly editsBlob: string;
}

const thingNames: Readonly<Record<IncomingType, string>> = {
  item: 'items',
  file: 'files',
  event: 'events',
  gradeCategory: 'grade categories',
  gradeColumn: 'grade columns',
  bank: 'question banks',
};

/** Adds what was chosen of a waiting package: a run like any other, with restore point, ledger and undo. */
export const addJob = defineJob({
  kind: 'add',
  // A row of an earlier Currycomb says more; that is left aside.
  input: z.object({
    runId: z.uuid(),
    versionId: z.string(),
    stateBlob: blobHash,
    incomingId: z.string(),
    incomingBlob: blobHash,
    packageName: z.string(),
    choice: z.custom<AddChoice>((value) => typeof value === 'object' && value !== null),
    /** Rules to comb the result by; null where the shell was not combed before. */
    rules: writtenRules.nullable(),
  }),
  leavesBlobs: true,
  run: async ({ stateBlob, incomingBlob, choice }, { blobs, progress }) => {
    const [shell, incoming] = [shellOf(blobs, stateBlob), shellOf(blobs, incomingBlob)];
    progress(0, 2, 'Adding what was chosen');
    const addition = addThings(shell, incoming, holdAgainst(shell, incoming), choice);
    const { added, relinked, loose, unmoved, edits } = addition;
    if (!edits.length)
      return bad('nothing-chosen', 'Nothing of what was chosen can be added, so nothing was changed.');
    progress(1, 2, 'Keeping the result');
    return good({
      state: keepState(blobs, addition.after),
      added,
      relinked,
      loose,
      unmoved,
      editsBlob: blobs.put(JSON.stringify([{ steps: [0], edits }])),
    } satisfies Added);
  },
  settle: (result: Added, input, desk) => {
    const { tx, now, shellId } = desk;
    const { runId, versionId, incomingId, packageName, rules } = input;
    if (shellId === null) return {};
    const counts = Object.fromEntries(
      incomingTypes.map((type) => [type, result.added[type].length]),
    ) as Record<IncomingType, number>;
    const summary: RunSummary = {
      done: Object.values(counts).reduce((a, b) => a + b, 0),
      blocked: 0,
      nothing: 0,
      removed: nothingRemoved,
      relinked: result.relinked,
      added: counts,
    };
    const run = { id: runId, shellId, expectedVersion: versionId, editsBlob: result.editsBlob, summary };
    const label = `With ${packageName}`;
    const about = { kind: 'add', label, parentId: versionId, now } as const;
    const afterVersion = commitRun(desk, run, result.state, about);
    tx.insert(operations)
      .values(linesOf(runId, packageName, result, now))
      .run();
    tx.delete(incomings).where(eq(incomings.id, incomingId)).run();
    // What only the waiting package used is of no use any more.
    desk.order('sweep', null, {});
    // A shell that was combed is combed again, so that its findings are those of what is there now.
    if (rules) combWhatIsWritten(desk, shellId, afterVersion, result.state.stateBlob, rules);
    return { runId };
  },
  abandon: ({ runId }, tx) => void tx.update(runs).set({ state: 'stopped' }).where(eq(runs.id, runId)).run(),
});

/** The ledger of an adding: a line for each kind of thing, and one for links that lead nowhere. */
function linesOf(runId: string, packageName: string, { added, loose, unmoved }: Added, now: string) {
  const lines = incomingTypes
    .filter((type) => added[type].length > 0)
    .map((type) => ({
      targets: added[type].map((thing) => thing.ref),
      titles: added[type].map((thing) => thing.title),
      reason: `${thingNames[type]} of ${packageName}`,
    }));
  const asked = loose.slice(0, 5).map((link) => link.asked);
  const nowhere = {
    targets: [],
    titles: loose.map((link) => link.from),
    reason: `links that lead nowhere, since what they lead to was not taken: ${asked.join(', ')}`,
  };
  const undated = {
    targets: [],
    titles: unmoved,
    reason: 'dates that this term has no week and weekday for; they stay as they were',
  };
  const told = [loose.length > 0 ? [nowhere] : [], unmoved.length > 0 ? [undated] : []].flat();
  return [...lines, ...told].map((line, sequence) => ({
    runId,
    sequence,
    key: `${runId}:${sequence}`,
    action: 'add',
    targets: JSON.stringify(line.targets),
    titles: JSON.stringify(line.titles),
    step: null,
    state: 'done' as const,
    reason: line.reason,
    tries: 1,
    at: now,
  }));
}
