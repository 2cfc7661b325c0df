import { log } from '@/services/keep/log/log';
import type { DraftKind } from '@/services/keep/desks/draft-types';
import { Overdue, ProcessDesk, Unattended } from '@/services/wire/processes/process-desk';
import { WorkerLost } from '@/services/wire/processes/worker-process';
import type { ErrandAnswer, ErrandAsk, ErrandKind } from '@/services/keep/desks/errand-types';
import type { DraftAnswer, StageAnswer, StageTrouble } from '@/services/keep/desks/stage-answer';
import type { DraftOrder, StageDesk, StageOrder } from '@/services/keep/desks/stage-order';

/** The heap of a process that draws, in megabytes. */
const mostHeap = 2_000;
/** A plan of thousands of steps takes seconds: whoever looks at the same shell meanwhile, or at another, has a process. */
const drawing = { mostProcesses: 3, mostPerLane: 2, deadline: 30_000, unattended: 2_000 };
/** Reading what strangers wrote. A host that answers slowly takes up to the tries of a person who waits. */
const errands = { mostProcesses: 2, mostPerLane: 1, deadline: 60_000, unattended: 500 };

/**
 * The processes that work out what stages show, what changes of plans would come to, and what was sent from outside, so
 * that the thread that answers requests only hands bytes on. They are started when somebody looks, and see what the
 * others wrote.
 */
export class StageProcesses implements StageDesk {
  private readonly drawing: ProcessDesk;
  private readonly errands: ProcessDesk;

  constructor(workerFile: string, dataDir: string) {
    const program = { file: workerFile, data: { dataDir }, mostHeap };
    this.drawing = new ProcessDesk(program, drawing);
    this.errands = new ProcessDesk(program, errands);
  }

  async draw(order: StageOrder, signal: AbortSignal | null = null): Promise<StageAnswer> {
    const answer = await endedWell(this.drawing.ask('draw', order, order.shellId, signal));
    // What comes from another process has no buffer of its own.
    return answer instanceof Uint8Array ? new Uint8Array(answer) : (answer as StageAnswer);
  }

  async draft<Kind extends DraftKind>(order: DraftOrder<Kind>): Promise<DraftAnswer<Kind>> {
    const answer = await endedWell(this.drawing.ask('draft', order, order.shellId));
    return answer as DraftAnswer<Kind>;
  }

  async errand<Kind extends ErrandKind>(
    kind: Kind,
    ask: ErrandAsk<Kind>,
    signal: AbortSignal | null = null,
  ): Promise<ErrandAnswer<Kind>> {
    const answer = await endedWell(this.errands.ask('errand', { kind, ask }, kind, signal));
    return answer as ErrandAnswer<Kind>;
  }

  makeReady(): void {
    // Where no process can be started, whoever looks next is told why.
    if (!this.drawing.isStarted) this.drawing.ask('ready', null, '').catch(() => undefined);
  }

  async close(): Promise<void> {
    await Promise.all([this.drawing.close(), this.errands.close()]);
  }
}

/** An answer, or why there is none that whoever asked can be told. Throws what was not foreseen. */
async function endedWell(asked: Promise<unknown>): Promise<unknown> {
  try {
    return await asked;
  } catch (error) {
    const trouble = troubleOf(error);
    if (trouble === null) throw error;
    log.warn({ error: error instanceof Error ? error.message : '' }, 'a process of stages was ended');
    return trouble;
  }
}

const notChanged = 'Nothing was changed.';

function troubleOf(error: unknown): StageTrouble | null {
  if (error instanceof Overdue) {
    const sentence = `${error.message}, so it was stopped. ${notChanged} Try a smaller part of it.`;
    return { type: 'stopped', sentence };
  }
  if (error instanceof Unattended) return { type: 'stopped', sentence: `This was stopped. ${notChanged}` };
  if (error instanceof WorkerLost && error.wasKilled) {
    const sentence = `This needs more memory than Currycomb gives to one screen, so it was stopped. ${notChanged}`;
    return { type: 'stopped', sentence };
  }
  return null;
}
