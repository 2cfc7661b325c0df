import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { defaultLimits } from '@/formats/archive/limits';
import { log } from '@/services/keep/log/log';
import { isOwnHost, isOwnOrigin } from '@/services/wire/answers/own-host';

/** Requests that change nothing, by RFC 9110, section 9.2.1; TRACE is not answered at all. */
const safeMethods: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Why a request does not come in. */
export interface Refusal {
  readonly status: number;
  readonly sentence: string;
}

/** Looks at who asks and how much is sent, before anything is read; null where the request may come in. */
export function refusalOf({
  method = 'GET',
  url = '/',
  headers,
}: Pick<IncomingMessage, 'method' | 'url' | 'headers'>): Refusal | null {
  const host = headers.host ?? null;
  if (!isOwnHost(host)) return { status: 421, sentence: 'Currycomb answers on this computer only.' };
  const origin = headers.origin ?? null;
  const site = headers['sec-fetch-site'];
  if (!safeMethods.has(method) && !isOwnOrigin(origin, host, typeof site === 'string' ? site : null))
    return { status: 403, sentence: 'This request came from another page, so it was not carried out.' };
  const path = pathOf(url);
  if (path === null)
    return { status: 400, sentence: 'This address can’t be read; go back to the list of shells.' };
  if (!safeMethods.has(method) && !path.startsWith('/api/'))
    return { status: 405, sentence: 'Pages and files are only read; this request was not carried out.' };
  if (Number(headers['content-length'] ?? 0) > defaultLimits.packedBytes)
    return {
      status: 413,
      sentence: 'The file is larger than 2 GiB; Currycomb does not read packages that large.',
    };
  return null;
}

/** The path of an address without what is asked of it; null where its escapes are none (RFC 3986, section 2.1). */
function pathOf(url: string): string | null {
  try {
    return decodeURIComponent(url.split('?')[0] ?? '');
  } catch {
    return null;
  }
}

export type Handler = (request: IncomingMessage, response: ServerResponse) => void;

/**
 * The door of the application: every request passes here, whatever its address, so that no page, route or file can be
 * forgotten. It gets an id, by which the log and the list of troubles name it.
 */
export const door =
  (inside: Handler): Handler =>
  (request, response) => {
    const id = randomUUID();
    request.headers['x-request-id'] = id;
    response.setHeader('x-request-id', id);
    writeDown(id, request, response);
    const refusal = refusalOf(request);
    if (refusal) refuse(request, response, refusal);
    else inside(request, response);
  };

function writeDown(id: string, { method, url = '' }: IncomingMessage, response: ServerResponse): void {
  const begun = performance.now();
  response.once('close', () => {
    const milliseconds = Math.round(performance.now() - begun);
    // What stands behind the question mark may be words that somebody looks for.
    const path = url.split('?')[0];
    log.info({ id, method, path, status: response.statusCode, milliseconds }, 'request');
  });
}

/** So long what is refused is received all the same, in milliseconds. */
const longestGoodbye = 10_000;

/**
 * Says why, then receives what is still on its way and forgets it: who is cut off while sending never reads the answer.
 * The line is cut when all has come, or after a while.
 */
function refuse(request: IncomingMessage, response: ServerResponse, { status, sentence }: Refusal): void {
  response.writeHead(status, { 'content-type': 'application/json', connection: 'close' });
  response.write(JSON.stringify({ trouble: sentence }));
  const end = () => response.end();
  request.resume();
  if (request.complete) return void end();
  const timer = setTimeout(() => {
    response.end(() => request.destroy());
  }, longestGoodbye);
  request.once('end', end);
  response.once('close', () => clearTimeout(timer));
}
