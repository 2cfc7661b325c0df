import { readAs } from '@/core/schema/read-as';
import type { z } from 'zod';
import type { Result } from '@/core/shell/result';
import { UnreadableStore } from '@/core/shell/unreadable-store';
import { faultOf } from '@/services/keep/log/fault';
import { noteTrouble } from '@/services/keep/log/troubles';
import { isStoppedStage } from '@/services/keep/desks/stopped-stage';
import { storageFault } from '@/services/keep/storage/storage-fault';
import { isOwnHost, isOwnOrigin } from './own-host';

const refuse = (status: number, message: string) => Response.json({ trouble: message }, { status });

/** Refuses foreign hosts, and for changing requests foreign origins; null where the request may pass. */
export function refuseForeign(request: Request): Response | null {
  const { headers } = request;
  if (!isOwnHost(headers.get('host'))) return refuse(421, 'Currycomb answers on this computer only.');
  if (
    request.method !== 'GET' &&
    !isOwnOrigin(headers.get('origin'), headers.get('host'), headers.get('sec-fetch-site'))
  )
    return refuse(403, 'This request came from another page, so it was not carried out.');
  return null;
}

/** A result as an answer: the value, or its trouble as one sentence with status 422. */
export const answer = <T>(result: Result<T>): Response =>
  result.ok ? Response.json(result.value) : refuse(422, result.trouble.message);

/**
 * What went wrong unforeseen, as one sentence: what can't be opened with status 422, storage that can't be used with 503,
 * all else with 500. What is not foreseen is written down under the id of the request.
 */
export function unexpected(error: unknown, request: Request, dataDir: string): Response {
  if (error instanceof UnreadableStore) return refuse(422, error.message);
  if (isStoppedStage(error)) return refuse(503, error.message);
  const storage = storageFault(error, dataDir);
  const sentence =
    storage?.message ?? 'Something went wrong in Currycomb itself. Nothing of this request was kept.';
  const { method, headers, url } = request;
  noteTrouble({
    during: `${method} ${new URL(url).pathname}`,
    id: headers.get('x-request-id') ?? '',
    sentence,
    fault: faultOf(storage?.cause ?? error),
  });
  return refuse(storage ? 503 : 500, sentence);
}

export const notFound = (what: string): Response =>
  refuse(404, `This ${what} is not here any more; go back to the list of shells.`);

/** No request of the interface is longer than this many bytes, since it is read by the thread that answers everybody. */
const longestBody = 4 * 1024 ** 2;

export type ReadBody<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly response: Response };

/** Reads a JSON body against its schema; the trouble names the field. */
export async function readBodyAs<S extends z.ZodType>(
  request: Request,
  schema: S,
  mostBytes = longestBody,
): Promise<ReadBody<z.output<S>>> {
  const body = await readBodyText(request, mostBytes);
  if (!body.ok) return body;
  const text = body.value;
  const read = parseJson(text);
  if (!read.ok) return { ok: false, response: refuse(400, 'The request is not readable.') };
  const parsed = readAs(schema, read.value);
  if (parsed.ok) return parsed;
  const { place, words } = parsed.misfit;
  return { ok: false, response: refuse(400, `${place || 'The request'}: ${words}.`) };
}

/** Reads a body as text; one that is longer is received to its end, so that the browser reads why it was refused. */
export async function readBodyText({ body }: Request, mostBytes: number): Promise<ReadBody<string>> {
  const blocks: Uint8Array[] = [];
  let length = 0;
  for await (const block of (body ?? []) as AsyncIterable<Uint8Array>) {
    length += block.length;
    if (length > mostReceived) break;
    if (length <= mostBytes) blocks.push(block);
    else blocks.length = 0;
  }
  return length > mostBytes
    ? { ok: false, response: refuse(413, tooLong) }
    : { ok: true, value: Buffer.concat(blocks).toString('utf8') };
}

const tooLong = 'The request is too long. Do it in smaller parts.';
/** So many bytes of what is refused are received all the same. */
const mostReceived = 256 * 1024 ** 2;

function parseJson(text: string): { ok: true; value: unknown } | { ok: false } {
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch {
    return { ok: false };
  }
}
