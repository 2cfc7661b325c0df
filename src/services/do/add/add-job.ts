import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { addThings, type Addition } from '@/core/add/add-things';
import { chooseNamed } from '@/core/add/choose';
import { holdAgainst } from '@/core/add/hold-against';
import { incomingTypes, type IncomingKey, type IncomingType } from '@/core/add/incoming';
import { exposedKey, sayExposed } from '@/core/add/exposed-key';
import { isOnePlace } from '@/core/add/landing';
import { inToldTerm, type NoClassOf } from '@/core/add/redate-taken';
import { houseNoClass } from '@/core/time/house-terms';
import { bad, good } from '@/core/shell/result';
import { incomings, operations, runs } from '@/store/schema';
import { commitRun } from '@/services/keep/runs/commit-run';
import { nothingRemoved, type RunSummary } from '@/services/keep/runs/run-summary';
import { combWhatIsWritten } from '@/services/do/comb/comb-what-is-written';
import { rulesFrom, writtenRules } from '@/services/keep/rules/written-rules';
import { defineJob } from '@/services/keep/jobs/job-record';
import { blobHash, keepState, shellOf, type KeptState } from '@/services/keep/shells/kept-state';
import { addOrder } from './add-order';

interface AddedThing {
  readonly ref: string;
  readonly title: string;
}

/** What an adding came to, as its ledger and its summary tell it. */
interface Added {
  readonly state: KeptState;
  readonly editsBlob: string;
  readonly added: Readonly<Record<IncomingType, readonly AddedThing[]>>;
  readonly links: Addition['links'];
  readonly dropped: Addition['dropped'];
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
    order: addOrder,
    batch: z.string(),
    /** What the checks go by, of the source and of the result. */
    rules: writtenRules,
  }),
  leavesBlobs: true,
  run: async ({ stateBlob, incomingBlob, order, batch, rules }, { blobs, progress }) => {
    const [shell, whole] = [shellOf(blobs, stateBlob), shellOf(blobs, incomingBlob)];
    const incoming = inToldTerm(whole, order.sourceTerm);
    const read = rulesFrom(rules);
    if (!read.ok) return read;
    progress(0, 2, 'Adding what was chosen');
    const { chosen, replace, landing, dating, hidden } = order;
    const preview = holdAgainst(shell, incoming, { rules: read.value, hidden });
    const choice = chooseNamed(preview, chosen as IncomingKey[], replace as IncomingKey[], {
      toOnePlace: isOnePlace(landing),
    });
    const noClassOf: NoClassOf = (term) => houseNoClass(term, read.value.terms);
    const options = { landing, dating, hidden, homePage: order.homePage, noClassOf, batch };
    const addition = addThings(shell, incoming, preview, choice, options);
    if (!addition.ok) return addition;
    const { edits, after, landed, links, dropped } = addition.value;
    const key = exposedKey(preview, choice, addition.value);
    if (key !== null) return bad('key-shown', sayExposed(key));
    if (edits.length === 0)
      return bad('nothing-chosen', 'Nothing of what was chosen can be added, so nothing was changed.');
    progress(1, 2, 'Keeping the result');
    return good({
      state: keepState(blobs, after),
      added: byType(landed),
      links,
      dropped,
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
      relinked: result.links.filter(({ now: leadsTo }) => leadsTo !== null).length,
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
    // Proof follows at once: the result is combed.
    combWhatIsWritten(desk, shellId, afterVersion, result.state.stateBlob, rules);
    return { runId };
  },
  abandon: ({ runId }, tx) => void tx.update(runs).set({ state: 'stopped' }).where(eq(runs.id, runId)).run(),
});

/** What landed, sort by sort. */
function byType(landed: Addition['landed']): Added['added'] {
  const added = Object.fromEntries(incomingTypes.map((type) => [type, [] as AddedThing[]])) as Record<
    IncomingType,
    AddedThing[]
  >;
  for (const [key, { ref, title }] of landed) {
    const type = incomingTypes.find((one) => key.startsWith(`${one} `));
    if (type) added[type].push({ ref, title });
  }
  return added;
}

/** The ledger of an adding: a line for each kind of thing, and one for what leads nowhere. */
function linesOf(runId: string, packageName: string, { added, links, dropped }: Added, now: string) {
  const lines = incomingTypes
    .filter((type) => added[type].length > 0)
    .map((type) => ({
      targets: added[type].map((thing) => thing.ref),
      titles: added[type].map((thing) => thing.title),
      reason: `${thingNames[type]} of ${packageName}`,
    }));
  const broken = links.filter(({ now: leadsTo }) => leadsTo === null);
  const asked = broken.slice(0, 5).map(({ to }) => to);
  const nowhere = {
    targets: [],
    titles: broken.map(({ from }) => from),
    reason: `links that lead nowhere, since what they lead to was not taken: ${asked.join(', ')}`,
  };
  const free = {
    targets: [],
    titles: [...dropped],
    reason: 'requirements dropped, since what they require was not taken and is not here',
  };
  const told = [broken.length > 0 ? [nowhere] : [], dropped.length > 0 ? [free] : []].flat();
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
