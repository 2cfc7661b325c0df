import { endedSentence, goneSentence, type PageRead } from './page-says';
import type { WebAnswer, WebState } from './web-answer';

/** One answer on the way of an address. */
export interface Hop {
  readonly url: string;
  /** The status (RFC 9110, 15). */
  readonly status: number;
  /** Where it leads on, resolved against its own address; null where it does not. */
  readonly location: string | null;
}
/** How the way ended. */
export type WayEnd =
  | { readonly is: 'answered'; readonly page: PageRead | null }
  | { readonly is: 'no-host' }
  | { readonly is: 'bad-certificate'; readonly why: string }
  | { readonly is: 'private' }
  | { readonly is: 'loop' }
  | { readonly is: 'slow' }
  | { readonly is: 'broken'; readonly why: string };

/** Everything that was seen of an address. */
export interface Way {
  readonly url: string;
  readonly hops: readonly Hop[];
  readonly end: WayEnd;
  /** Does it look like the address of a meeting? */
  readonly isMeeting: boolean;
}

type Judgement = Pick<WebAnswer, 'state' | 'says'> & { readonly movedTo?: string };

/** What an address answered, from all that was seen of it. `askedAt` as an instant in UTC. */
export function judgeAnswer(way: Way, askedAt: string): WebAnswer {
  const { state, says, movedTo = null } = judge(way);
  const hops = way.hops.slice(1).map(({ url }) => url);
  const status = way.end.is === 'answered' ? (way.hops.at(-1)?.status ?? null) : null;
  return { url: way.url, state, status, movedTo, hops, says, askedAt };
}

function judge(way: Way): Judgement {
  const { end } = way;
  switch (end.is) {
    case 'answered':
      return judgeStatus(way, end.page);
    case 'no-host':
      return { state: 'no-host', says: 'There is no such host.' };
    case 'bad-certificate':
      return { state: 'bad-certificate', says: `Browsers refuse its certificate: ${end.why}.` };
    case 'private':
      return { state: 'private', says: 'It leads into a private network, so it was not asked.' };
    case 'loop':
      return { state: 'loop', says: 'Its redirects do not come to an end.' };
    case 'slow':
      return { state: 'slow', says: 'No answer came in time.' };
    case 'broken':
      return { state: 'fault', says: `The connection broke: ${end.why}.` };
  }
}

function judgeStatus(way: Way, page: PageRead | null): Judgement {
  const last = way.hops.at(-1);
  const status = last?.status ?? 0;
  const byStatus = stateOfStatus(status);
  if (byStatus !== 'answers') return { state: byStatus, says: `It answers with status ${status}.` };
  if (last && isSignIn(way.url, last.url))
    return { state: 'sign-in', says: 'It leads to a page to sign in.' };
  const ended = page && way.isMeeting ? endedSentence(page) : null;
  if (ended !== null) return { state: 'ended', says: `Its page says: “${ended}”.` };
  const gone = page ? goneSentence(page) : null;
  if (gone !== null) return { state: 'says-gone', says: `It answers with a page headed “${clip(gone)}”.` };
  if (last && isStartPageInstead(way.url, last.url))
    return { state: 'says-gone', says: 'The start page of the site comes instead.' };
  const movedTo = movedForGood(way.hops);
  if (movedTo !== null && movedTo !== way.url)
    return { state: 'moved', says: `It moved for good to ${movedTo}.`, movedTo };
  return { state: 'answers', says: `It answers with status ${status}.` };
}

const clip = (text: string): string => (text.length > 120 ? `${text.slice(0, 119)}…` : text);

/** What a status says by itself (RFC 9110, 15.5 and 15.6; 429 is RFC 6585, 4). */
function stateOfStatus(status: number): WebState {
  if (status === 404 || status === 410) return 'gone';
  if (status === 401 || status === 403 || status === 407) return 'sign-in';
  if (status === 429) return 'busy';
  if (status >= 200 && status < 300) return 'answers';
  return 'fault';
}

/** Statuses by which an address moves for good (RFC 9110, 15.4.2 and 15.4.9). */
const forGood: ReadonlySet<number> = new Set([301, 308]);

/** Where an unbroken row of moves for good leads, from the first answer on; null where it does not begin with one. */
function movedForGood(hops: readonly Hop[]): string | null {
  let movedTo: string | null = null;
  for (const { status, location } of hops) {
    if (!forGood.has(status) || location === null) break;
    movedTo = location;
  }
  return movedTo;
}

const signInPath = /(^|\/)(sign|log)[-_]?in(\/|$|\.)|(^|\/)(sso|auth|saml|oauth2?)(\/|$)/i;

/** Did a redirect lead to a page to sign in? Common practice, no source. */
function isSignIn(asked: string, reached: string): boolean {
  return asked !== reached && signInPath.test(new URL(reached).pathname);
}

/** Did a page deep in a site lead to a start page? */
function isStartPageInstead(asked: string, reached: string): boolean {
  const [from, to] = [new URL(asked), new URL(reached)];
  const isStart = ({ pathname, search }: URL) => /^\/(index\.html?)?$/.test(pathname) && search === '';
  return !isStart(from) && isStart(to);
}
