import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import serverEnvironment from '../scripts/server-environment.json';
import { freePort } from './browser';

/** What a request came to. */
export interface Told<T> {
  readonly status: number;
  readonly value: T & { readonly trouble?: string };
}

export interface EndedJob {
  readonly id: string;
  readonly state: string;
  readonly trouble: string | null;
  readonly result: string | null;
}

/** What an order came to. */
export type Followed =
  | { readonly done: true; readonly status: number; readonly result: string }
  | { readonly done: false; readonly status: number; readonly told: string };

/** An application that is spoken to as its pages do, without a browser. */
export class Server {
  private child: ChildProcess | null = null;
  private port = 0;
  /** What it wrote on its two outputs since it was started. */
  said = '';

  constructor(
    readonly dataDir: string,
    private readonly env: Readonly<Record<string, string>> = {},
  ) {}

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get pid(): number {
    return this.child?.pid ?? 0;
  }

  /** Resident memory and the most there was, in bytes (proc(5): VmRSS, VmHWM). */
  memory(): { readonly now: number; readonly most: number } {
    const status = readFileSync(`/proc/${this.pid}/status`, 'utf8');
    const read = (name: string) => Number(new RegExp(`${name}:\\s+(\\d+)`).exec(status)?.[1] ?? 0) * 1024;
    return { now: read('VmRSS'), most: read('VmHWM') };
  }

  /** Starts it and waits until it answers, well or not; gives the exit code where it ends instead. */
  async start(more: Readonly<Record<string, string>> = {}): Promise<number | null> {
    this.port ||= await freePort();
    this.said = '';
    const child = spawn('node', ['dist/server.mjs', '--port', String(this.port)], {
      env: {
        ...process.env,
        ...serverEnvironment,
        ...this.env,
        ...more,
        CURRYCOMB_DATA: this.dataDir,
        NEXT_TELEMETRY_DISABLED: '1',
      },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.child = child;
    const hear = (block: Buffer) => {
      this.said = (this.said + block.toString()).slice(-20_000);
    };
    child.stdout?.on('data', hear);
    child.stderr?.on('data', hear);
    while (child.exitCode === null && child.signalCode === null) {
      if (/Currycomb (is ready|answers)/.test(this.said)) return null;
      await pause(20);
    }
    return child.exitCode ?? -1;
  }

  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await gone;
  }

  async ask<T = object>(
    path: string,
    body?: unknown,
    method = body === undefined ? 'GET' : 'POST',
  ): Promise<Told<T>> {
    const response = await fetch(`${this.address}${path}`, {
      method,
      headers: { 'content-type': 'application/json', origin: this.address },
      ...(method === 'GET' ? {} : { body: JSON.stringify(body ?? {}) }),
    });
    const text = await response.text();
    return { status: response.status, value: readAnswer<T>(text) };
  }

  async page(path: string): Promise<{ readonly status: number; readonly text: string }> {
    // A connection that was kept from before may be closed in the very moment in which it is used again.
    const response = await fetch(`${this.address}${path}`).catch(() => fetch(`${this.address}${path}`));
    return { status: response.status, text: await response.text() };
  }

  /** A page and what it asks for by itself, as a browser gets both; the status of what went worst. */
  async wholePage(path: string): Promise<{ readonly status: number; readonly text: string }> {
    const page = await this.page(path);
    const stage = /\/api\/shells\/[\w-]+\/stages\/[\w-]+/.exec(page.text)?.[0];
    if (stage === undefined) return page;
    const shown = await this.page(stage);
    return { status: Math.max(page.status, shown.status), text: page.text + shown.text };
  }

  async upload(bytes: Uint8Array<ArrayBuffer>): Promise<Told<{ readonly id: string }>> {
    const response = await fetch(`${this.address}/api/uploads`, {
      method: 'POST',
      headers: { origin: this.address },
      body: bytes,
    });
    return { status: response.status, value: readAnswer(await response.text()) };
  }

  /** Orders a job and follows it to its end; gives what it led to, or what the person is told. */
  async follow(path: string, body: unknown = {}, patience?: number): Promise<Followed> {
    const { status, value } = await this.ask<{ jobId?: string }>(path, body);
    if (!value.jobId)
      return { done: false, status, told: value.trouble ?? `(status ${status} without a sentence)` };
    const job = await this.ended(value.jobId, patience);
    if (job.state === 'done') return { done: true, status, result: job.result ?? '' };
    return { done: false, status, told: job.trouble ?? '(nothing)' };
  }

  /** Waits until a job is over, for as long as `patience` in milliseconds. */
  async ended(jobId: string, patience = 120_000): Promise<EndedJob> {
    const until = Date.now() + patience;
    for (;;) {
      const { value } = await this.ask<EndedJob>(`/api/jobs/${jobId}`);
      if (['done', 'failed', 'cancelled'].includes(value.state)) return value;
      if (Date.now() > until) throw new Error(`the job ${jobId} runs for ever: ${JSON.stringify(value)}`);
      await pause(20);
    }
  }
}

/** An answer as JSON; what is none counts as trouble. */
export function readAnswer<T = object>(text: string): T & { trouble?: string } {
  try {
    return JSON.parse(text) as T & { trouble?: string };
  } catch {
    return { trouble: `(no JSON: ${text.slice(0, 80)})` } as T & { trouble?: string };
  }
}
