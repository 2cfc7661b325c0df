import { once } from 'node:events';
import { Piscina } from 'piscina';
import { log } from '../log/log';
import type { StageAnswer } from './stage-answer';
import type { StageDesk, StageOrder } from './stage-order';

/** An idle thread is ended after so many milliseconds, and with it goes what it remembers of shells. */
const longestIdle = 60_000;
/** A plan of thousands of steps takes seconds; the others that look meanwhile have a thread beside it. */
const mostThreads = 2;

/**
 * The threads that work out what stages show, so that the one that answers requests only hands bytes on. They are
 * started when somebody looks, and see what the others wrote.
 */
export class StageThread implements StageDesk {
  private readonly pool: Piscina<StageOrder, StageAnswer>;

  constructor(workerFile: string, dataDir: string) {
    this.pool = new Piscina<StageOrder, StageAnswer>({
      filename: workerFile,
      workerData: { dataDir },
      minThreads: 0,
      maxThreads: mostThreads,
      idleTimeout: longestIdle,
    });
    // Without anybody who listens, a thread that can’t be started would end the process.
    this.pool.on('error', (error: Error) => log.warn({ error: error.name }, 'the thread of stages ended'));
  }

  /** A thread that can’t be started leaves its orders unanswered; then it throws. */
  async draw(order: StageOrder): Promise<StageAnswer> {
    const answered = new AbortController();
    const broken = once(this.pool, 'error', { signal: answered.signal });
    const fail = broken.then(([error]: readonly unknown[]) => {
      throw error;
    });
    try {
      return await Promise.race([this.pool.run(order), fail]);
    } finally {
      answered.abort();
    }
  }

  async close(): Promise<void> {
    await this.pool.destroy();
  }
}
