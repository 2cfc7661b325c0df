import { and, eq, inArray, sql } from 'drizzle-orm';
import { z } from 'zod';
import type { Hitch } from '@/connectors/campus/host-client';
import type { Connector } from '@/connectors/connector';
import { tryEdits } from '@/core/edits/apply-edits';
import { joinEdits } from '@/core/edits/single-edits';
import { emptinessOf } from '@/core/plan/reset/emptiness';
import type { Step } from '@/core/plan/step';
import { countRemoved } from '@/core/plan/run-plan';
import type { ScriptLine } from '@/core/plan/script';
import { digest } from '@/core/refs/digest';
import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { operations, runBatches, runNotes, runs } from '@/store/schema';
import { combWhatIsWritten } from '@/services/do/comb/comb-what-is-written';
import { takeOutOfPlan } from '@/services/keep/plan/plan';
import { connect } from '@/services/keep/hosts/connect';
import { defineJob, type Desk, type WorkerTools } from '@/services/keep/jobs/job-record';
import { keepState, shellOf, type KeptState } from '@/services/keep/shells/kept-state';
import { commitRun } from '@/services/keep/runs/commit-run';
import { batchesOfScript, batchSize } from '@/services/keep/runs/run-script';
import type { RunSummary } from '@/services/keep/runs/run-summary';
import { differencesOf } from '@/services/keep/runs/differences';
import { keepEntry } from './keep-entry';
import { markTakenBack } from './mark-taken-back';
import { ScriptSender, type Sent } from './send-script';
import { runTask, type Begun, type RunEntry, type RunTask, type Wish } from './run-task';
import { keepScript, readScript, writeScript } from './write-script';

type HostRun =
  /** It waits for the operator, or for the host. */
  | { readonly is: 'paused'; readonly because: string }
  | {
      readonly is: 'over';
      readonly state: KeptState;
      readonly editsBlob: string;
      readonly summary: RunSummary;
    };

/** So many differences are kept with a run. */
const mostDifferences = 200;
/** What is met is written down at most this often between two batches, in milliseconds. */
const tellEvery = 500;
const notYet = 'The host changed since the shell was read from it';

/** Carries a run out on a campus host, batch by batch; cut off, it goes on where it was. */
export const hostRunJob = defineJob({
  kind: 'host-run',
  input: z.strictObject({ runId: z.uuid() }),
  leavesBlobs: true,
  run: async ({ runId }, tools): Promise<Result<HostRun>> => {
    const begun = (await tools.note({ is: 'begin' } satisfies RunEntry)) as Begun;
    return new HostRunner(runId, begun, tools).run();
  },
  note: (entry, { runId }, desk) => keepEntry(runId, entry as RunEntry, desk),
  settle: (run: HostRun, { runId }, desk) => {
    if (run.is === 'paused') {
      pause(desk, runId, run.because);
      return { runId, paused: run.because };
    }
    settleOver(run, runId, desk);
    return { runId };
  },
  // What was sent is done: it can be stopped between two batches only, and the host is read again then.
  cancelled: ({ runId }, tx) => {
    tx.update(runs).set({ wish: 'stop' }).where(eq(runs.id, runId)).run();
  },
  abandon: ({ runId }, tx, trouble) => {
    const [sent] = tx.select().from(runBatches).where(eq(runBatches.runId, runId)).limit(1).all();
    if (sent) {
      // The host was changed already: the run waits to go on or to be stopped, whatever broke here.
      pause({ tx, now: new Date().toISOString() }, runId, trouble);
      return;
    }
    tx.update(runs).set({ state: 'stopped' }).where(eq(runs.id, runId)).run();
    tx.update(operations)
      .set({ state: 'failed', reason: trouble })
      .where(and(eq(operations.runId, runId), inArray(operations.state, ['waiting', 'doing'])))
      .run();
  },
});

class HostRunner {
  private readonly connector: Connector;
  private readonly hitches: Hitch[] = [];
  private flushedAt = 0;

  constructor(
    private readonly runId: string,
    private readonly begun: Begun,
    private readonly tools: WorkerTools,
  ) {
    this.connector = connect(begun.door, tools, (hitch) => this.meet(hitch));
  }

  async run(): Promise<Result<HostRun>> {
    const { task, batches, wish } = this.begun;
    const before = shellOf(this.tools.blobs, task.stateBlob);
    const script = await this.script();
    if (!script.ok) return script;
    if (batches.length === 0 && task.what.is === 'plan') {
      const still = await this.isAsRehearsed(before);
      if (!still.ok) return this.orPaused(still);
    }
    const sender = new ScriptSender(
      this.connector,
      batchesOfScript(this.runId, script.value),
      (entry) => this.note(entry),
      (done, total) => this.tools.progress(done, total, `Carrying out, batch ${done + 1} of ${total}`),
    );
    const sent = await sender.send(batches, wish);
    if (!sent.ok) return this.orPaused(sent);
    if (sent.value.wish === 'pause') return good({ is: 'paused', because: 'It was paused.' });
    const after = await this.readBack();
    if (!after.ok) return this.orPaused(after);
    return good(this.overWith(before, after.value, script.value, sent.value));
  }

  /** Worked out once, so that a run that begins again does the very same. */
  private async script(): Promise<Result<ScriptLine[]>> {
    const { blobs } = this.tools;
    const { scriptBlob, task } = this.begun;
    if (scriptBlob !== null) return good(readScript(blobs, scriptBlob));
    const script = writeScript(blobs, task);
    if (script.ok)
      await this.note({
        is: 'script',
        blob: keepScript(blobs, script.value),
        lines: script.value.length,
      });
    return script;
  }

  private async isAsRehearsed(before: Shell): Promise<Result<null>> {
    const now = await this.connector.read();
    if (!now.ok) return now;
    const changed = differencesOf(before, now.value.shell);
    const [first] = changed;
    if (!first) return good(null);
    const more = changed.length > 1 ? ` and ${changed.length - 1} more` : '';
    return bad(
      'changed-since',
      `${notYet} (“${first.title}”: ${first.what}${more}), so nothing was changed. Read the shell again and rehearse the plan anew.`,
    );
  }

  /** The shell as it is there now, its links led to what was made anew. */
  private async readBack(): Promise<Result<Shell>> {
    for (;;) {
      const read = await this.connector.read();
      if (!read.ok) return read;
      const { shell, mends } = read.value;
      if (mends.length === 0) return good(shell);
      const edits = mends.slice(0, batchSize);
      const key = `${this.runId}:mend:${digest(JSON.stringify(edits)).slice(0, 16)}`;
      const mended = await this.connector.carryOut({ key, edits });
      if (!mended.ok) return mended;
      if (mended.value.outcomes.every(({ is }) => is === 'refused')) return good(shell);
    }
  }

  private overWith(before: Shell, after: Shell, script: readonly ScriptLine[], sent: Sent): HostRun {
    const outcomes = sent.outcomes.flat();
    const done = script.filter((_, at) => outcomes[at]?.is === 'done');
    // Of a run that was stopped only what was sent is expected.
    const expected = expectedAfter(before, script.slice(0, outcomes.length));
    const differences = expected ? differencesOf(expected, after) : [];
    const summary: RunSummary = {
      // Counted where the ledger is: see settleOver.
      done: 0,
      blocked: outcomes.filter(({ is }) => is === 'refused').length,
      nothing: 0,
      removed: countRemoved(before, after),
      relinked: done.filter(({ edit }) => edit.op === 'change' && 'texts' in edit.after).length,
      ...(sent.wish === 'stop' ? { stopped: script.length - outcomes.length } : {}),
      emptiness: emptinessOf(before, after, stepsOfTask(this.begun.task)),
      differences: differences.slice(0, mostDifferences),
      moreDifferences: Math.max(0, differences.length - mostDifferences),
    };
    this.tools.progress(1, 1, 'Keeping the result');
    return {
      is: 'over',
      state: keepState(this.tools.blobs, after),
      editsBlob: keepScript(this.tools.blobs, script),
      summary,
    };
  }

  /** Trouble with the host pauses a run; it can go on later. Anything else ends it before it began. */
  private async orPaused(result: {
    readonly ok: false;
    readonly trouble: { readonly code: string; readonly message: string };
  }): Promise<Result<HostRun>> {
    await this.flush();
    const { code, message } = result.trouble;
    const hasBegun = this.begun.batches.length > 0 || code === 'unreachable' || code === 'unsteady';
    return hasBegun && code !== 'changed-since' ? good({ is: 'paused', because: message }) : result;
  }

  private meet(hitch: Hitch): void {
    this.hitches.push(hitch);
    // Its page shows what is met while it waits; what could not be written down now comes with the next entry.
    if (Date.now() - this.flushedAt > tellEvery) void this.flush().catch(() => this.hitches.push(hitch));
  }

  private async flush(): Promise<void> {
    this.flushedAt = Date.now();
    const hitches = this.hitches.splice(0);
    if (hitches.length > 0) await this.tools.note({ is: 'hitches', hitches } satisfies RunEntry);
  }

  private async note(entry: RunEntry): Promise<Wish> {
    await this.flush();
    return (await this.tools.note(entry)) as Wish;
  }
}

const stepsOfTask = ({ what }: RunTask): readonly Step[] => (what.is === 'plan' ? what.steps : []);

/** What the shell should be when all is done; null where the script does not fit it any more. */
function expectedAfter(before: Shell, script: readonly ScriptLine[]): Shell | null {
  const expected = tryEdits(before, joinEdits(script.map(({ edit }) => edit)));
  return expected.ok ? expected.value : null;
}

function settleOver(run: Extract<HostRun, { is: 'over' }>, runId: string, desk: Desk): void {
  const { tx, now, shellId } = desk;
  const row = tx.select().from(runs).where(eq(runs.id, runId)).get();
  if (shellId === null || !row?.task) return;
  const { task, kind } = { task: runTask.parse(JSON.parse(row.task)), kind: row.kind };
  const { versionId, rules, what } = task;
  const label = kind === 'undo' ? 'After taking back' : 'After a run';
  const about = { kind: kind === 'undo' ? 'undo' : 'run', label, parentId: versionId, now } as const;
  const isOpen = and(eq(operations.runId, runId), inArray(operations.state, ['waiting', 'doing']));
  const isStopped = run.summary.stopped !== undefined;
  tx.update(operations)
    .set({ ...endOfSilent(isStopped, what.is), at: now })
    .where(isOpen)
    .run();
  const summary = { ...run.summary, done: countDone(desk, runId) };
  const toCommit = { id: runId, shellId, expectedVersion: versionId, editsBlob: run.editsBlob, summary };
  const afterVersion = commitRun(desk, toCommit, run.state, about);
  // What was not sent any more stays in the plan.
  if (what.is === 'plan' && !isStopped) takeOutOfPlan(tx, shellId, what.planRows);
  if (what.is === 'undo') for (const part of what.parts) markTakenBack(tx, part, runId, now);
  // Proof follows at once: the result is combed.
  combWhatIsWritten(desk, shellId, afterVersion, run.state.stateBlob, rules);
}

/** What became of steps of which no change told: not reached, done along with others, or nothing to take back. */
function endOfSilent(isStopped: boolean, is: RunTask['what']['is']) {
  if (isStopped) return { state: 'nothing', reason: 'the run was stopped before' } as const;
  if (is === 'undo') return { state: 'nothing', reason: 'it had changed nothing' } as const;
  return { state: 'done', tries: 1 } as const;
}

/** Things that were changed: each target of each step that was done. */
function countDone({ tx }: Desk, runId: string): number {
  const { n } = tx.get<{ n: number | null }>(
    sql`SELECT sum(json_array_length(targets)) AS n FROM operations WHERE run_id = ${runId} AND state = 'done'`,
  );
  return n ?? 0;
}

/** A run waits for its operator; why it does stands in its ledger. */
function pause({ tx, now }: Pick<Desk, 'tx' | 'now'>, runId: string, because: string): void {
  tx.update(runs).set({ state: 'paused', wish: 'pause' }).where(eq(runs.id, runId)).run();
  tx.insert(runNotes).values({ runId, kind: 'paused', message: because, at: now }).run();
}
