import { desc, eq, sql } from 'drizzle-orm';
import { operations, runNotes } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { openRunOf } from '@/services/keep/runs/open-run';
import type { RunRow } from '@/services/keep/shells/current-shell';

export interface RunNote {
  readonly at: string;
  readonly kind: string;
  readonly message: string;
}

/** A run on a host that is not at its end, as its page follows it. */
export interface OpenRunView {
  readonly id: string;
  readonly kind: RunRow['kind'];
  readonly state: 'planned' | 'running' | 'paused';
  readonly wish: RunRow['wish'];
  readonly startedAt: string;
  /** Steps that the host can do, and of them those that are done and those that were refused. */
  readonly steps: number;
  readonly done: number;
  readonly refused: number;
  /** Changes that they come to, and how many of them were sent; 0 until that is worked out. */
  readonly changes: number;
  readonly sent: number;
  /** What is happening now, in words; empty where nothing is. */
  readonly doing: string;
  readonly jobId: string | null;
  /** What was met on the way: how often each sort, and the last ones, newest first. */
  readonly met: Readonly<Record<string, number>>;
  readonly lastNotes: readonly RunNote[];
  /** Why it waits; null where nobody said. */
  readonly because: string | null;
}

const shownNotes = 8;

export function openRunView(context: Context, shellId: string): OpenRunView | null {
  const run = openRunOf(context, shellId);
  if (!run) return null;
  const { db } = context;
  const counts = new Map(
    db
      .select({ state: operations.state, n: sql<number>`count(*)` })
      .from(operations)
      .where(eq(operations.runId, run.id))
      .groupBy(operations.state)
      .all()
      .map(({ state, n }) => [state, n]),
  );
  const job = context.jobs.underWay(shellId, 'host-run');
  const [done, refused] = [counts.get('done') ?? 0, counts.get('failed') ?? 0];
  return {
    id: run.id,
    kind: run.kind,
    state: run.state === 'paused' ? 'paused' : runState(run.state),
    wish: run.wish,
    startedAt: run.startedAt,
    steps: done + refused + (counts.get('waiting') ?? 0) + (counts.get('doing') ?? 0),
    done,
    refused,
    changes: run.lines ?? 0,
    sent: sentOf(context, run.id),
    doing: job?.doing ?? '',
    jobId: job?.id ?? null,
    met: metOf(context, run.id),
    lastNotes: notesOf(context, run.id, shownNotes),
    because: run.state === 'paused' ? becauseOf(context, run) : null,
  };
}

/** Changes of which the host has said what became of them. */
const sentOf = ({ db }: Context, runId: string): number =>
  db.get<{ n: number | null }>(
    sql`SELECT sum(json_array_length(outcomes)) AS n FROM run_batches WHERE run_id = ${runId} AND outcomes IS NOT NULL`,
  ).n ?? 0;

const runState = (state: RunRow['state']): 'planned' | 'running' =>
  state === 'planned' ? 'planned' : 'running';

/** What a run met on its way, newest first. */
export const notesOf = ({ db }: Context, runId: string, most: number): RunNote[] =>
  db
    .select({ at: runNotes.at, kind: runNotes.kind, message: runNotes.message })
    .from(runNotes)
    .where(eq(runNotes.runId, runId))
    .orderBy(desc(runNotes.id))
    .limit(most)
    .all();

/** How often a run met what. */
export const metOf = ({ db }: Context, runId: string): Record<string, number> =>
  Object.fromEntries(
    db
      .select({ kind: runNotes.kind, n: sql<number>`count(*)` })
      .from(runNotes)
      .where(eq(runNotes.runId, runId))
      .groupBy(runNotes.kind)
      .all()
      .map(({ kind, n }) => [kind, n]),
  );

function becauseOf({ db }: Context, run: RunRow): string | null {
  const [last] = db
    .select({ message: runNotes.message })
    .from(runNotes)
    .where(sql`${runNotes.runId} = ${run.id} AND ${runNotes.kind} = 'paused'`)
    .orderBy(desc(runNotes.id))
    .limit(1)
    .all();
  return last?.message ?? null;
}
