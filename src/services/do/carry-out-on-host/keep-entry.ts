import { and, eq } from 'drizzle-orm';
import type { EditOutcome } from '@/connectors/connector';
import { operations, runBatches, runNotes, runs, shells } from '@/store/schema';
import { findHost, accessOf } from '@/services/keep/hosts/host-records';
import { learnNames, namesOf } from '@/services/keep/hosts/host-names';
import type { Desk } from '@/services/keep/jobs/job-record';
import { runTask, type Begun, type RunEntry, type StepState, type Wish } from './run-task';

/** Writes down what a run on a host says on its way, before and after every batch. */
export function keepEntry(runId: string, entry: RunEntry, desk: Desk): Begun | Wish {
  const { tx, now, shellId } = desk;
  switch (entry.is) {
    case 'begin':
      return begin(runId, desk);
    case 'script':
      tx.update(runs).set({ editsBlob: entry.blob, lines: entry.lines }).where(eq(runs.id, runId)).run();
      break;
    case 'sending':
      tx.insert(runBatches)
        .values({ runId, number: entry.number, state: 'sent', at: now })
        .onConflictDoNothing()
        .run();
      keepSteps(runId, entry.steps, desk);
      break;
    case 'done':
      tx.update(runBatches)
        .set({ state: 'done', outcomes: JSON.stringify(entry.outcomes), at: now })
        .where(and(eq(runBatches.runId, runId), eq(runBatches.number, entry.number)))
        .run();
      if (shellId !== null) learnNames(tx, shellId, entry.names);
      keepSteps(runId, entry.steps, desk);
      break;
    case 'hitches':
      for (const { kind, message } of entry.hitches)
        tx.insert(runNotes).values({ runId, kind, message, at: now }).run();
      break;
  }
  return wishOf(runId, desk);
}

function begin(runId: string, { tx, shellId }: Desk): Begun {
  const run = tx.select().from(runs).where(eq(runs.id, runId)).get();
  const shell = tx
    .select()
    .from(shells)
    .where(eq(shells.id, shellId ?? ''))
    .get();
  const host = shell?.hostId ? findHost(tx, shell.hostId) : null;
  if (!run?.task || !shell?.hostShell || !host) throw new Error('the run or its host is not known any more');
  tx.update(runs).set({ state: 'running' }).where(eq(runs.id, runId)).run();
  const batches = tx
    .select()
    .from(runBatches)
    .where(eq(runBatches.runId, runId))
    .orderBy(runBatches.number)
    .all();
  return {
    door: { access: accessOf(host), hostShell: shell.hostShell, names: namesOf(tx, shell.id) },
    task: runTask.parse(JSON.parse(run.task)),
    scriptBlob: run.editsBlob,
    batches: batches.map(({ number, state, outcomes }) => ({
      number,
      state,
      outcomes: outcomes === null ? null : (JSON.parse(outcomes) as EditOutcome[]),
    })),
    wish: run.wish,
  };
}

function keepSteps(runId: string, steps: readonly StepState[], { tx, now }: Desk): void {
  for (const { sequence, state, reason } of steps)
    tx.update(operations)
      .set({ state, reason, tries: 1, at: now })
      .where(and(eq(operations.runId, runId), eq(operations.sequence, sequence)))
      .run();
}

const wishOf = (runId: string, { tx }: Desk): Wish =>
  tx.select({ wish: runs.wish }).from(runs).where(eq(runs.id, runId)).get()?.wish ?? 'stop';
