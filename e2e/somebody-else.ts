import { once } from 'node:events';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';

/**
 * Somebody else who works with the server, and asks for its health as they would for a page. They are in a thread of
 * their own: packing inputs and reading answers keeps the thread of a bench busy, and nobody waits for the server then.
 */
export class SomebodyElse {
  private readonly thread: Worker;

  constructor(address: string) {
    this.thread = new Worker(join(import.meta.dirname, 'asking-thread.mjs'), {
      workerData: `${address}/health`,
    });
  }

  /** Does some work, and gives the longest that somebody else waited meanwhile, in milliseconds. */
  async during<T>(work: () => Promise<T>): Promise<{ readonly result: T; readonly longest: number }> {
    this.thread.postMessage('begin');
    const result = await work();
    this.thread.postMessage('tell');
    const [longest] = (await once(this.thread, 'message')) as [number];
    return { result, longest };
  }

  async end(): Promise<void> {
    await this.thread.terminate();
  }
}
