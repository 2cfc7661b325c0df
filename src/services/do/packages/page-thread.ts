import { elementAt, valueFor } from '@/core/sure';
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { adoptReading, scansOfContent } from '@/core/links/scans';
import type { Content, Shell } from '@/core/shell/model';
import type { FilePath } from '@/core/refs/refs';
import { claim, mostBatches, type Claims, type PageAnswer, type PageBatch } from './page-batch';

const pagesInBatch = 64;
/** Below this much a thread costs more than it saves. */
const worthwhileBytes = 1024 ** 2;

/**
 * Reads the pages of a package on a second thread while this one unpacks it. What is left when this one has nothing
 * else to do is shared: each batch is read by whoever claims it first. The readings are the same either way.
 */
export class PageThread {
  private readonly worker: Worker;
  private readonly claims: Claims = new Int32Array(new SharedArrayBuffer(4 * mostBatches));
  private readonly batches: FilePath[][] = [];
  private readonly answers = new Map<number, PageAnswer>();
  private open: { path: FilePath; bytes: Buffer }[] = [];
  private answered: (() => void) | null = null;
  private failed = false;

  constructor(workerFile: string) {
    this.worker = new Worker(workerFile, { workerData: { claims: this.claims } });
    this.worker.on('message', (answer: PageAnswer) => {
      this.answers.set(answer.number, answer);
      this.answered?.();
    });
    // Whatever the thread did not read is read here.
    this.worker.on('error', () => {
      this.failed = true;
      this.answered?.();
    });
  }

  /** A thread for a package with so many bytes of pages, where that pays and there is a core for it. */
  static forPages(workerFile: string | null, pageBytes: number): PageThread | null {
    return workerFile !== null && pageBytes >= worthwhileBytes && availableParallelism() > 1
      ? new PageThread(workerFile)
      : null;
  }

  offer(path: FilePath, bytes: Buffer): void {
    this.open.push({ path, bytes });
    if (this.open.length === pagesInBatch) this.send();
  }

  /** Reads what the thread did not come to, waits for the rest and hands all readings to the shell's pages. */
  async finish(shell: Shell): Promise<void> {
    if (this.open.length) this.send();
    const pages = new Map<FilePath, Content>();
    for (const content of shell.contents)
      if (content.kind === 'page' && content.textPath) pages.set(content.textPath, content);
    const theirs: number[] = [];
    for (let number = this.batches.length - 1; number >= 0; number -= 1)
      if (!claim(this.claims, number)) theirs.push(number);
      else
        for (const path of elementAt(this.batches, number))
          if (pages.has(path)) scansOfContent(valueFor(pages, path));
    while (!this.failed && theirs.some((n) => !this.answers.has(n)))
      await new Promise<void>((resolve) => (this.answered = resolve));
    for (const { number, readings } of this.answers.values())
      elementAt(this.batches, number).forEach((path, i) => {
        const page = pages.get(path);
        if (page) adoptReading(page, elementAt(readings, i));
      });
  }

  /** To be called in every case: nothing else ends the thread. */
  async close(): Promise<void> {
    await this.worker.terminate();
  }

  private send(): void {
    const pages = this.open;
    this.open = [];
    const number = this.batches.length;
    if (number === mostBatches) return;
    const ends: number[] = [];
    let size = 0;
    for (const { bytes } of pages) ends.push((size += bytes.length));
    const bytes = new Uint8Array(size);
    pages.forEach((page, i) => bytes.set(page.bytes, ends[i - 1] ?? 0));
    this.batches.push(pages.map((p) => p.path));
    this.worker.postMessage({ number, bytes, ends } satisfies PageBatch, [bytes.buffer]);
  }
}
