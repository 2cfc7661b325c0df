import { once } from 'node:events';
import { Piscina } from 'piscina';
import { log } from '../log/log';
import type { DraftKind } from '../decide/draft-kinds';
import type { DraftAnswer, StageAnswer } from './stage-answer';
import type { DraftOrder, StageDesk, StageOrder } from './stage-order';

/** An idle thread is ended after so many milliseconds, and with it goes what it remembers of shells. */
const longestIdle = 60_000;
/** A plan of thousands of steps takes seconds; the others that look meanwhile have a thread beside it. */
const mostThreads = 2;

/**
 * The threads that work out what stages show and what changes of plans would come to, so that the one that answers requests only hands bytes on. They are
 * started when somebody looks, and see what the others wrote.
 */
export class StageThread implements StageDesk {
  private readonly pool: Piscina<unknown, unknown>;

  constructor(workerFile: string, dataDir: string) {
    this.pool = new Piscina<unknown, unknown>({
      filename: workerFile,
      workerData: { dataDir },
      minThreads: 0,
      maxThreads: mostThreads,
      idleTimeout: longestIdle,
    });
    // Without anybody who listens, a thread that can’t be started would end the process.
    // Each order that waits listens, too.
    this.pool.setMaxListeners(0);
    this.pool.on('error', (error: Error) => log.warn({ error: error.name }, 'the thread of stages ended'));
  }

  async draw(order: StageOrder): Promise<StageAnswer> {
    return (await this.ask('default', order)) as StageAnswer;
  }

  async draft<Kind extends DraftKind>(order: DraftOrder<Kind>): Promise<DraftAnswer<Kind>> {
    return (await this.ask('draft', order)) as DraftAnswer<Kind>;
  }

  makeReady(): void {
    // Where no thread can be started, whoever looks next is told why.
    if (this.pool.threads.length === 0) this.ask('ready', null).catch(() => undefined);
  }

  /** A thread that can’t be started leaves its orders unanswered; then it throws. */
  private async ask(name: 'default' | 'draft' | 'ready', order: unknown): Promise<unknown> {
    const answered = new AbortController();
    const broken = once(this.pool, 'error', { signal: answered.signal });
    const fail = broken.then(([error]: readonly unknown[]) => {
      throw error;
    });
    try {
      return await Promise.race([this.pool.run(order, { name }), fail]);
    } finally {
      answered.abort();
    }
  }

  async close(): Promise<void> {
    await this.pool.destroy();
  }
}
