import { setTimeout as sleep } from 'node:timers/promises';
import { Agent, request, type Dispatcher } from 'undici';
import { judgeAnswer, type Hop, type Way, type WayEnd } from '@/core/probe/judge-answer';
import type { PageRead } from '@/core/probe/page-says';
import { isPassing, type WebAnswer } from '@/core/probe/web-answer';
import { scanHtml } from '@/core/text/scan-html';
import { wayEndOf } from './connection-troubles';
import { GuardedConnector } from './guarded-connect';
import { HostGates } from './host-gates';

export interface WebPace {
  /** How long one answer may take, in milliseconds. */
  readonly timeout: number;
  /** Between two requests that take the same place at a host, in milliseconds. */
  readonly pause: number;
  /** Tries of an address that is slow, busy or has a fault. */
  readonly tries: number;
  /** Wait before the second try, in milliseconds; the next is twice as long. */
  readonly wait: number;
  /** The longest wait that a busy host may ask for, in milliseconds. */
  readonly longestWait: number;
}
export const usualWebPace: WebPace = {
  timeout: 8_000,
  pause: 100,
  tries: 3,
  wait: 500,
  longestWait: 10_000,
};

/** So many redirects are followed (as browsers do, Fetch, 4.4). */
const mostHops = 20;
/** A redirect to a longer address leads nowhere, as far as we are concerned; common practice, no source. */
const longestAddress = 4_000;
/** So much of a page is read, in bytes: its headings stand at its beginning. */
const mostRead = 64 * 1024;
const who = 'Currycomb link probe (asked for by a teacher; at most 4 requests at a time)';

/** Asks addresses of the outside web whether they are still there: HEAD, then GET where that says too little. */
export class WebAsker {
  private readonly agent: Agent;
  private readonly gates: HostGates;

  constructor(
    connector: GuardedConnector,
    private readonly pace: WebPace = usualWebPace,
    private readonly clock: () => Date = () => new Date(),
  ) {
    const { timeout } = pace;
    this.agent = new Agent({
      connect: connector.connect,
      headersTimeout: timeout,
      bodyTimeout: timeout,
      keepAliveTimeout: 2_000,
      pipelining: 1,
      maxHeaderSize: 32 * 1024,
    });
    this.gates = new HostGates(pace.pause);
  }

  /** Asks one address, again where it has a passing trouble. */
  async ask(url: string, isMeeting: boolean): Promise<WebAnswer> {
    const { tries, wait } = this.pace;
    for (let n = 1; ; n += 1) {
      const { way, retryAfter } = await this.walk(url, isMeeting);
      const answer = judgeAnswer(way, this.clock().toISOString());
      // Who does not answer in time will hardly do so a moment later: one more try is enough.
      const most = answer.state === 'slow' ? Math.min(2, tries) : tries;
      if (!isPassing(answer.state) || n >= most) return answer;
      await sleep(retryAfter ?? wait * 2 ** (n - 1));
    }
  }

  close(): Promise<void> {
    return this.agent.destroy();
  }

  /** Follows an address to its end. */
  private async walk(url: string, isMeeting: boolean): Promise<Walked> {
    const hops: Hop[] = [];
    const seen = new Set<string>();
    let at = url;
    for (;;) {
      if (seen.has(at) || hops.length > mostHops)
        return { way: { url, hops, end: { is: 'loop' }, isMeeting }, retryAfter: null };
      seen.add(at);
      const step = await this.step(at);
      if (step.hop) hops.push(step.hop);
      if (step.hop?.location) at = step.hop.location;
      else return { way: { url, hops, end: step.end, isMeeting }, retryAfter: step.retryAfter };
    }
  }

  /** Asks one address on the way. */
  private async step(url: string): Promise<Step> {
    const { hostname } = new URL(url);
    try {
      const head = await this.gates.through(hostname, () => this.send(url, 'HEAD'));
      if (head.hop.location !== null || isSaid(head)) return head;
      return await this.gates.through(hostname, () => this.send(url, 'GET'));
    } catch (error) {
      return { hop: null, end: wayEndOf(error), retryAfter: null };
    }
  }

  private async send(url: string, method: 'HEAD' | 'GET'): Promise<SentStep> {
    const controller = new AbortController();
    const timer = setTimeout(() => controller.abort(), this.pace.timeout);
    try {
      const answer = await request(url, {
        method,
        dispatcher: this.agent,
        signal: controller.signal,
        headers: { 'user-agent': who, accept: 'text/html,*/*;q=0.8' },
      });
      const page = method === 'GET' ? await readPage(answer) : null;
      if (method === 'HEAD') await answer.body.dump();
      const location = locationOf(url, answer);
      const hop = { url, status: answer.statusCode, location };
      return {
        hop,
        end: { is: 'answered', page },
        retryAfter: this.retryAfter(answer),
        isPage: isHtml(answer),
      };
    } finally {
      clearTimeout(timer);
    }
  }

  /** How long a busy host asks to be left alone, in milliseconds (RFC 9110, 10.2.3); null where it does not say. */
  private retryAfter({ headers }: Dispatcher.ResponseData): number | null {
    const written = headers['retry-after'];
    if (typeof written !== 'string') return null;
    const seconds = /^\d+$/.test(written) ? Number(written) : (Date.parse(written) - Date.now()) / 1000;
    return Number.isFinite(seconds) ? Math.min(Math.max(seconds, 0) * 1000, this.pace.longestWait) : null;
  }
}

interface Walked {
  readonly way: Way;
  readonly retryAfter: number | null;
}
interface Step {
  readonly hop: Hop | null;
  readonly end: WayEnd;
  readonly retryAfter: number | null;
}
interface SentStep extends Step {
  readonly hop: Hop;
  readonly isPage: boolean;
}

/** Does the answer to HEAD say all? A page may say more itself; a refusal may be about HEAD alone. */
const isSaid = ({ hop, isPage }: SentStep): boolean => hop.status >= 200 && hop.status < 300 && !isPage;

const redirects: ReadonlySet<number> = new Set([301, 302, 303, 307, 308]);

/** Where a redirect leads, against its own address (RFC 9110, 10.2.2); null where it leads nowhere that can be asked. */
function locationOf(url: string, { statusCode, headers }: Dispatcher.ResponseData): string | null {
  const { location } = headers;
  if (!redirects.has(statusCode) || typeof location !== 'string' || !URL.canParse(location, url)) return null;
  const to = new URL(location, url);
  if (!/^https?:$/.test(to.protocol)) return null;
  to.username = '';
  to.password = '';
  to.hash = '';
  return to.href.length > longestAddress ? null : to.href;
}

const isHtml = ({ headers }: Dispatcher.ResponseData): boolean =>
  /^(text\/html|application\/xhtml\+xml)\b/i.test(String(headers['content-type'] ?? ''));

/** The beginning of a page; null for what is none. */
async function readPage(answer: Dispatcher.ResponseData): Promise<PageRead | null> {
  // A body that is left before its end reports that as an error; nobody is left to hear it.
  answer.body.on('error', () => undefined);
  if (!isHtml(answer)) {
    answer.body.destroy();
    return null;
  }
  const blocks: Buffer[] = [];
  let length = 0;
  for await (const block of answer.body as AsyncIterable<Buffer>) {
    blocks.push(block);
    length += block.length;
    if (length >= mostRead) break;
  }
  const { text, title, marks } = scanHtml(Buffer.concat(blocks).toString('utf8', 0, mostRead));
  const headings = marks.filter(({ is }) => is === 'heading').map((mark) => text.slice(mark.start, mark.end));
  return { headings: [title, ...headings].map((part) => part.trim()), text };
}
