import { readAs, sayMisfit } from '@/core/schema/read-as';
import { setTimeout as sleep } from 'node:timers/promises';
import {
  decorrelatedJitterGenerator,
  ExponentialBackoff,
  handleType,
  retry,
  TaskCancelledError,
  timeout,
  TimeoutStrategy,
  wrap,
} from 'cockatiel';
import type { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { cutQuote } from '@/core/text/clip';
import { spellBytes } from '@/core/text/spell-bytes';
import { AnswerTooLong, hostLimits, readWithin } from './host-limits';
import { problemSchema, sessionSchema } from './wire';

/** Where a host is and who asks. */
export interface HostAccess {
  readonly address: string;
  readonly name: string;
  readonly secret: string;
}

/** What was met on the way, for the ledger. */
export interface Hitch {
  readonly kind: 'failed' | 'no-answer' | 'too-fast' | 'signed-out' | 'stalled' | 'cut-off' | 'unsteady';
  /** A sentence. */
  readonly message: string;
}

export interface Pace {
  /** Tries of one request before it is given up. */
  readonly tries: number;
  /** First and longest wait between two tries, and how long one request may take, in milliseconds. */
  readonly firstWait: number;
  readonly longestWait: number;
  readonly timeout: number;
  /** All tries of one request together, in milliseconds. */
  readonly budget: number;
  /** A job that does not get on for so long is started again, in milliseconds. */
  readonly patience: number;
}
export const usualPace: Pace = {
  tries: 14,
  firstWait: 60,
  longestWait: 8_000,
  timeout: 30_000,
  budget: 10 * 60_000,
  patience: 3_000,
};

export interface HostAnswer {
  readonly status: number;
  readonly etag: string | null;
  readonly body: Buffer;
}

interface HostRequest {
  readonly method: 'GET' | 'POST' | 'PUT';
  readonly path: string;
  readonly body?: unknown;
  readonly bytes?: Buffer;
  readonly headers?: Readonly<Record<string, string>>;
  /** What is read of the answer at most. */
  readonly mostBytes?: number;
}

/** Worth another try. */
class Again extends Error {}

/**
 * Requests to a campus host: signed in, and again when that ran out; tried again with growing waits where the host fails,
 * is too busy or does not answer. Trouble `unreachable` when all tries are used up, `refused` where it answers otherwise.
 */
export class HostClient {
  private token: string | null = null;
  /** Before this moment nothing is sent: the host asked for it. */
  private notBefore = 0;

  constructor(
    private readonly access: HostAccess,
    private readonly onHitch: (hitch: Hitch) => void = () => {},
    readonly pace: Pace = usualPace,
  ) {}

  /** Signs in; who the host says that this is. */
  async signIn(): Promise<Result<{ readonly id: string; readonly name: string }>> {
    const { name, secret } = this.access;
    const answer = await this.send(
      {
        method: 'POST',
        path: '/sign-in',
        body: { name, secret },
        mostBytes: hostLimits.shortAnswerBytes,
      },
      false,
    );
    if (!answer.ok) return answer;
    if (answer.value.status === 401)
      return bad('signed-out', 'The host does not know this name with this secret; look at both again.');
    const session = readAnswer(answer.value, sessionSchema);
    if (!session.ok) return session;
    this.token = session.value.token;
    const { id, name: account } = session.value.account;
    return good({ id, name: cutQuote(account) });
  }

  async get<S extends z.ZodType>(path: string, schema: S): Promise<Result<z.output<S>>> {
    const answer = await this.ask({ method: 'GET', path });
    return answer.ok ? readAnswer(answer.value, schema) : answer;
  }

  async post<S extends z.ZodType>(
    path: string,
    schema: S,
    body: unknown = {},
    headers: Readonly<Record<string, string>> = {},
  ): Promise<Result<z.output<S>>> {
    const answer = await this.ask({ method: 'POST', path, body, headers });
    return answer.ok ? readAnswer(answer.value, schema) : answer;
  }

  /** The answer as it is, also where its status is 304 or 404. */
  async ask(request: HostRequest): Promise<Result<HostAnswer>> {
    for (let signIns = 0; ; signIns += 1) {
      if (this.token === null) {
        const signedIn = await this.signIn();
        if (!signedIn.ok) return signedIn;
      }
      const used = this.token;
      const answer = await this.send(request, true);
      if (!answer.ok || answer.value.status !== 401) return answer;
      if (signIns >= this.pace.tries)
        return bad('signed-out', 'The host signs out again at once; try later.');
      // Of several requests that were refused together, one signs in for all.
      if (this.token === used) this.token = null;
      this.onHitch({ kind: 'signed-out', message: 'The sign-in had run out; signed in again.' });
    }
  }

  private async send(request: HostRequest, isSigned: boolean): Promise<Result<HostAnswer>> {
    const { tries, firstWait, longestWait } = this.pace;
    const backoff = new ExponentialBackoff({
      initialDelay: firstWait,
      maxDelay: longestWait,
      generator: decorrelatedJitterGenerator,
    });
    const again = retry(handleType(Again).orType(TaskCancelledError), { maxAttempts: tries - 1, backoff });
    const inTime = timeout(this.pace.timeout, TimeoutStrategy.Aggressive);
    const inAll = timeout(this.pace.budget, TimeoutStrategy.Aggressive);
    try {
      const policy = wrap(inAll, again, inTime);
      return good(await policy.execute(({ signal }) => this.sendOnce(request, isSigned, signal)));
    } catch (error) {
      if (error instanceof AnswerTooLong)
        return bad(
          'too-large',
          `The host at ${this.access.address} answered with more than ${spellBytes(error.mostBytes)}, so its answer was not read. Ask whoever runs it.`,
        );
      if (error instanceof TaskCancelledError)
        return bad(
          'unreachable',
          `The host at ${this.access.address} did not answer in time. Look whether it is there, then try again.`,
        );
      const why = error instanceof Error ? cutQuote(error.message) : 'unknown';
      return bad(
        'unreachable',
        `The host at ${this.access.address} did not take the request in ${tries} tries (${why}); look whether it is there, then go on.`,
      );
    }
  }

  private async sendOnce(
    { method, path, body, bytes, headers, mostBytes = hostLimits.answerBytes }: HostRequest,
    isSigned: boolean,
    signal: AbortSignal,
  ): Promise<HostAnswer> {
    const wait = this.notBefore - Date.now();
    if (wait > 0) await sleep(wait);
    const sent = bodyOf(body, bytes);
    let answer: HostAnswer;
    let retryAfter: string | null;
    try {
      const response = await fetch(`${this.access.address}${path}`, {
        method,
        signal,
        redirect: 'error',
        headers: {
          ...(sent === undefined
            ? {}
            : { 'content-type': bytes ? 'application/octet-stream' : 'application/json' }),
          ...(isSigned && this.token !== null ? { authorization: `Bearer ${this.token}` } : {}),
          ...headers,
        },
        ...(sent === undefined ? {} : { body: sent }),
      });
      retryAfter = response.headers.get('retry-after');
      answer = {
        status: response.status,
        etag: response.headers.get('etag'),
        body: await readWithin(response, response.ok ? mostBytes : hostLimits.shortAnswerBytes),
      };
    } catch (error) {
      if (error instanceof AnswerTooLong) throw error;
      this.onHitch({ kind: 'no-answer', message: `No answer to ${sayRequest(method, path)}; asked again.` });
      throw new Again(error instanceof Error ? error.message : 'no answer');
    }
    if (answer.status === 429) {
      const seconds = Math.min(60, Math.max(0, Number(retryAfter ?? 1) || 0));
      this.notBefore = Date.now() + seconds * 1000;
      this.onHitch({ kind: 'too-fast', message: `The host asked to wait ${seconds} s; waited.` });
      throw new Again('too many requests');
    }
    if (answer.status >= 500) {
      this.onHitch({
        kind: 'failed',
        message: `${capital(sayRequest(method, path))} failed (${answer.status}); tried again.`,
      });
      throw new Again(`status ${answer.status}`);
    }
    return answer;
  }
}

/** What a request is for, in words. */
function sayRequest(method: string, path: string): string {
  const list = /\/shells\/[^/]+\/([a-z-]+)\?page=(\d+)/.exec(path);
  if (list) return `reading page ${list[2]} of the ${(list[1] ?? '').replace('-', ' ')}`;
  if (path.endsWith('/changes')) return 'sending changes';
  if (path.endsWith('/restart')) return 'starting a job again';
  if (path.startsWith('/jobs/')) return 'asking how far a job is';
  if (path.startsWith('/keys/')) return 'asking what became of changes';
  if (path.includes('/bytes/')) return method === 'GET' ? 'fetching a file' : 'sending a file';
  return path === '/sign-in' ? 'signing in' : 'reading about the shell';
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function bodyOf(body: unknown, bytes: Buffer | undefined): Uint8Array<ArrayBuffer> | string | undefined {
  if (bytes) return new Uint8Array(bytes);
  return body === undefined ? undefined : JSON.stringify(body);
}

/** A body held against its schema; anything but a good status is the host’s refusal. */
function readAnswer<S extends z.ZodType>(answer: HostAnswer, schema: S): Result<z.output<S>> {
  let value: unknown;
  try {
    value = JSON.parse(answer.body.toString('utf8'));
  } catch {
    return bad(
      'not-understood',
      'The host answered something that is not JSON; is this the address of its API?',
    );
  }
  if (answer.status >= 300) {
    const problem = problemSchema.safeParse(value);
    const code = answer.status === 404 ? 'not-there' : 'refused';
    return bad(
      code,
      `The host says: ${problem.success ? cutQuote(problem.data.title) : `status ${answer.status}`}.`,
    );
  }
  const parsed = readAs(schema, value);
  if (parsed.ok) return parsed;
  return bad(
    'not-understood',
    `The host’s answer is not as its API says (${cutQuote(sayMisfit(parsed.misfit))}).`,
  );
}
