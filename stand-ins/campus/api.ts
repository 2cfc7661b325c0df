import { createRoute, OpenAPIHono, z } from '@hono/zod-openapi';
import { HTTPException } from 'hono/http-exception';
import {
  changesSchema,
  collectionNames,
  jobSchema,
  pageSchema,
  problemSchema,
  sessionSchema,
  shellPageSchema,
  shellSchema,
  signInSchema,
  type WireJob,
} from '@/connectors/campus/wire';
import { signInLasts, type CampusHost, type HostJob } from './host';
import { tagOf, type HostShell } from './host-shell';

/** Records in a page of a list. */
export const pageSize = 20;

const json = <S extends z.ZodType>(description: string, schema: S) => ({
  description,
  content: { 'application/json': { schema } },
});
const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: problemSchema } },
});
const usual = {
  401: problem('Not signed in, or not any more: sign in again (RFC 6750).'),
  404: problem('There is no such thing.'),
  429: problem('Too many requests; Retry-After says how many seconds to wait (RFC 6585, section 4).'),
  503: problem('Not there for a moment; Retry-After may say for how long.'),
};
const bearer = [{ bearer: [] }];
const page = z.coerce
  .number()
  .int()
  .min(1)
  .default(1)
  .openapi({ param: { name: 'page', in: 'query' } });
const shellParam = z.object({ shell: z.string() });
const bytesParam = z.object({ shell: z.string(), sha256: z.string().regex(/^[0-9a-f]{64}$/) });

const routes = {
  signIn: createRoute({
    method: 'post',
    path: '/sign-in',
    summary: 'Signs in',
    request: { body: { required: true, content: { 'application/json': { schema: signInSchema } } } },
    responses: { 200: json('A token for the header Authorization: Bearer', sessionSchema), ...usual },
  }),
  shells: createRoute({
    method: 'get',
    path: '/shells',
    summary: 'The shells that the signed-in person teaches',
    security: bearer,
    request: { query: z.object({ page }) },
    responses: { 200: json('One page', shellPageSchema), ...usual },
  }),
  shell: createRoute({
    method: 'get',
    path: '/shells/{shell}',
    summary: 'What a shell says of itself',
    security: bearer,
    request: { params: shellParam },
    responses: { 200: json('The shell', shellSchema), ...usual },
  }),
  list: createRoute({
    method: 'get',
    path: '/shells/{shell}/{collection}',
    summary: `Records of a collection in order, ${pageSize} on a page`,
    security: bearer,
    request: {
      params: shellParam.extend({ collection: z.enum(collectionNames) }),
      query: z.object({ page }),
      headers: z.object({ 'if-none-match': z.string().optional() }),
    },
    responses: {
      200: json('One page, with its ETag (RFC 9110, section 8.8.3)', pageSchema),
      304: { description: 'The page is as the ETag says that it was' },
      ...usual,
    },
  }),
  readBytes: createRoute({
    method: 'get',
    path: '/shells/{shell}/bytes/{sha256}',
    summary: 'The bytes of a file',
    security: bearer,
    request: { params: bytesParam },
    responses: { 200: { description: 'The bytes' }, ...usual },
  }),
  putBytes: createRoute({
    method: 'put',
    path: '/shells/{shell}/bytes/{sha256}',
    summary: 'Sends the bytes of a file before a record names them',
    security: bearer,
    request: { params: bytesParam },
    responses: { 204: { description: 'They are kept' }, 422: problem('Their SHA-256 is another'), ...usual },
  }),
  change: createRoute({
    method: 'post',
    path: '/shells/{shell}/changes',
    summary: 'Sends changes, to be done in order by a job',
    description:
      'The same key again is the same job, whatever is sent with it: nothing is done twice. A change is done whole or not at all; one that is refused leaves the others alone. A tag names the state that the caller saw; what an earlier change of the same request did counts as seen.',
    security: bearer,
    request: {
      params: shellParam,
      headers: z.object({ 'idempotency-key': z.string().min(1).max(200) }),
      body: { required: true, content: { 'application/json': { schema: changesSchema } } },
    },
    responses: { 202: json('The job; a small one may be done already', jobSchema), ...usual },
  }),
  job: createRoute({
    method: 'get',
    path: '/jobs/{job}',
    summary: 'How far a job is',
    security: bearer,
    request: { params: z.object({ job: z.string() }) },
    responses: { 200: json('The job', jobSchema), ...usual },
  }),
  again: createRoute({
    method: 'post',
    path: '/jobs/{job}/restart',
    summary: 'Starts a job again that was cut off or does not get on',
    security: bearer,
    request: { params: z.object({ job: z.string() }) },
    responses: { 200: json('The job', jobSchema), ...usual },
  }),
  key: createRoute({
    method: 'get',
    path: '/keys/{key}',
    summary: 'The job that was sent under a key',
    security: bearer,
    request: { params: z.object({ key: z.string() }) },
    responses: { 200: json('The job', jobSchema), ...usual },
  }),
} as const;

export const openApiAbout = {
  openapi: '3.1.0',
  info: {
    title: 'Campus host',
    version: '1.0.0',
    description:
      'How Currycomb talks with a campus host. Times are on the shell’s own clock, without an offset. Problems come as RFC 9457 says. Every file has an address: its folder, then the id of its content, a hyphen, and its name; texts link to addresses.',
  },
} as const;

/** The host’s API over HTTP, without the troubles. */
export function campusApi(host: CampusHost): OpenAPIHono {
  const api = new OpenAPIHono({
    defaultHook: (result) => {
      if (!result.success) throw new HTTPException(400, { message: result.error.issues[0]?.message ?? '' });
    },
  });
  api.openAPIRegistry.registerComponent('securitySchemes', 'bearer', { type: 'http', scheme: 'bearer' });
  api.onError((error, c) => {
    const status = error instanceof HTTPException ? error.status : 500;
    return c.json({ title: error.message || 'Not understood', status }, status, {
      'content-type': 'application/problem+json',
    });
  });
  api.openapi(routes.signIn, (c) => {
    const { name, secret } = c.req.valid('json');
    const session = host.signIn(name, secret);
    if (!session) throw new HTTPException(401, { message: 'The name or the secret is wrong' });
    const { token, account } = session;
    const body = { token, expiresInSeconds: signInLasts, account: { id: account.id, name: account.name } };
    return c.json(body, 200);
  });
  api.openapi(routes.shells, (c) => {
    const all = [...host.shells.values()];
    const { slice, pages, page: at } = pageOf(all, c.req.valid('query').page);
    const shells = slice.map((shell) => ({
      id: shell.id,
      code: shell.description.code,
      title: shell.description.title,
      term: shell.description.term.title,
      role: 'teacher',
      lines: linesOf(shell),
    }));
    return c.json({ page: at, pages, total: all.length, shells }, 200);
  });
  api.openapi(routes.shell, (c) => {
    const { id, description, people, readOnly, version } = shellOr404(host, c.req.valid('param').shell);
    const tag = tagOf({ version });
    return c.json({ id, tag, description, people, readOnly: [...readOnly] }, 200);
  });
  api.openapi(routes.list, (c) => {
    const { shell: id, collection: name } = c.req.valid('param');
    const shell = shellOr404(host, id);
    host.copyOn(shell);
    const collection = shell.collections[name];
    const { slice, pages, page: at } = pageOf(collection.order, c.req.valid('query').page);
    const etag = `"${name}-${collection.revision}-${at}"`;
    if (c.req.valid('header')['if-none-match'] === etag) return c.body(null, 304);
    const records = slice.flatMap((key) => {
      const record = collection.records.get(key);
      return record ? [{ id: record.id, tag: tagOf(record), fields: record.fields }] : [];
    });
    const revision = `r${collection.revision}`;
    return c.json({ page: at, pages, total: collection.order.length, revision, records }, 200, { etag });
  });
  addByteRoutes(api, host);
  addJobRoutes(api, host);
  return api;
}

/** The bytes of files, by their SHA-256. */
function addByteRoutes(api: OpenAPIHono, host: CampusHost): void {
  api.openapi(routes.readBytes, (c) => {
    shellOr404(host, c.req.valid('param').shell);
    const bytes = host.bytes.get(c.req.valid('param').sha256);
    if (!bytes) throw new HTTPException(404, { message: 'There are no such bytes' });
    return c.body(new Uint8Array(bytes), 200, { 'content-type': 'application/octet-stream' });
  });
  api.openapi(routes.putBytes, async (c) => {
    const { shell, sha256 } = c.req.valid('param');
    shellOr404(host, shell);
    const bytes = Buffer.from(await c.req.arrayBuffer());
    if (!host.keepBytes(sha256, bytes))
      throw new HTTPException(422, { message: 'These bytes have another SHA-256' });
    return c.body(null, 204);
  });
}

function addJobRoutes(api: OpenAPIHono, host: CampusHost): void {
  api.openapi(routes.change, (c) => {
    const shell = shellOr404(host, c.req.valid('param').shell);
    const job = host.take(shell, c.req.valid('header')['idempotency-key'], c.req.valid('json').changes);
    return c.json(sayJob(job), 202);
  });
  api.openapi(routes.job, (c) => c.json(sayJob(jobOr404(host, c.req.valid('param').job)), 200));
  api.openapi(routes.again, (c) => {
    const job = jobOr404(host, c.req.valid('param').job);
    host.startAgain(job);
    return c.json(sayJob(job), 200);
  });
  api.openapi(routes.key, (c) =>
    c.json(sayJob(jobOr404(host, host.keys.get(c.req.valid('param').key) ?? '')), 200),
  );
}

function pageOf<T>(list: readonly T[], page: number): { slice: readonly T[]; pages: number; page: number } {
  const slice = list.slice((page - 1) * pageSize, page * pageSize);
  return { slice, pages: Math.max(1, Math.ceil(list.length / pageSize)), page };
}

function shellOr404(host: CampusHost, id: string): HostShell {
  const shell = host.shells.get(id);
  if (!shell) throw new HTTPException(404, { message: 'There is no such shell' });
  return shell;
}

function jobOr404(host: CampusHost, id: string): HostJob {
  const job = host.jobs.get(id);
  if (!job) throw new HTTPException(404, { message: 'There is no such job' });
  return job;
}

const sayJob = ({ id, state, outcomes, changes }: HostJob): WireJob => ({
  id,
  state,
  done: outcomes.length,
  total: changes.length,
  outcomes: [...outcomes],
});

/** How many lines the outline of a shell has: its home page is none of them. */
function linesOf({ collections }: HostShell): number {
  const records = [...collections.outline.records.values()];
  return records.filter(({ fields }) => fields['kind'] !== 'home-page').length;
}
