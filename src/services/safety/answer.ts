import type { z } from 'zod';
import type { Result } from '@/core/shell/result';
import { UnreadableStore } from '@/core/shell/unreadable-store';
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

/** What went wrong unforeseen, as one sentence: what can't be opened with status 422, all else with 500 and in the log. */
export function unexpected(error: unknown): Response {
  if (error instanceof UnreadableStore) return refuse(422, error.message);
  process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
  return refuse(500, 'Something went wrong in Currycomb itself; nothing was changed.');
}

export const notFound = (what: string): Response =>
  refuse(404, `This ${what} is not here any more; go back to the list of shells.`);

/** Reads a JSON body against its schema; the trouble names the field. */
export async function readBodyAs<S extends z.ZodType>(
  request: Request,
  schema: S,
): Promise<{ ok: true; value: z.output<S> } | { ok: false; response: Response }> {
  let value: unknown;
  try {
    value = await request.json();
  } catch {
    return { ok: false, response: refuse(400, 'The request is not readable.') };
  }
  const parsed = schema.safeParse(value);
  if (parsed.success) return { ok: true, value: parsed.data };
  const issue = parsed.error.issues[0];
  return {
    ok: false,
    response: refuse(400, `${issue?.path.join('.') || 'The request'}: ${issue?.message ?? 'not understood'}`),
  };
}
