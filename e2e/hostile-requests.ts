import type { Server } from './server';

/** Something that is asked of a running server in which a shell was combed. */
export interface HostileRequest {
  readonly what: string;
  readonly reader: 'question sheet' | 'plan' | 'house rules' | 'request';
  /** What it came to, in a few words; `error` begins what may not be. */
  attempt(server: Server, shellId: string): Promise<string>;
}

/** What was told; a refusal needs a sentence, and nothing may be an error of the program’s own. */
const toldOf = (status: number, value: { readonly trouble?: string }): string => {
  if (status < 400) return 'read';
  return value.trouble ? `refused: ${value.trouble}` : `error: status ${status} without a sentence`;
};

const post = async (server: Server, path: string, body: string, method = 'POST'): Promise<string> => {
  const response = await fetch(`${server.address}${path}`, {
    method,
    headers: { 'content-type': 'application/json', origin: server.address },
    body,
  });
  const text = await response.text();
  return toldOf(response.status, readTrouble(text));
};

function readTrouble(text: string): { readonly trouble?: string } {
  try {
    return JSON.parse(text) as { trouble?: string };
  } catch {
    return {};
  }
}

const sheets: Readonly<Record<string, () => string>> = {
  'tags that begin a script element, 160 kB': () => '<script '.repeat(20_000),
  'tags that begin a script element, 4 MB': () => '<script '.repeat(480_000),
  'marks of answers without an end': () => '<script id="answers">'.repeat(150_000),
  'a table of 3.9 MB': () =>
    `question,asks,answer,note,findings\n${'q,Is it?,yes,,000000000001\n'.repeat(140_000)}`,
  'a table of 19 MB': () =>
    `question,asks,answer,note,findings\n${'q,Is it?,yes,,000000000001\n'.repeat(700_000)}`,
  'nothing but commas': () => ','.repeat(3_900_000),
  'nothing but quotation marks': () => '"'.repeat(3_900_000),
  'columns named as what every object has': () =>
    'question,answer,findings,__proto__,constructor\nq,constructor,000000000001,1,2\n',
};

const plan = (steps: unknown) => JSON.stringify({ schema: 'currycomb.plan/1', base: 'x'.repeat(64), steps });
const step = (targets: readonly string[], action = 'delete') => ({
  action,
  targets,
  params: {},
  from: 'hand',
});
const plans: Readonly<Record<string, () => string>> = {
  'a hundred thousand steps': () => plan(Array.from({ length: 100_000 }, (_, n) => step([`t${n}`]))),
  'a million targets': () => plan([step(Array.from({ length: 1_000_000 }, (_, n) => `t${n}`))]),
  'nineteen thousand steps about nothing that is there': () =>
    plan(Array.from({ length: 19_000 }, (_, n) => step([`t${n}`]))),
  'one target a hundred thousand times': () => plan([step(Array(100_000).fill('a') as string[])]),
  'targets that every object has': () => plan([step(['constructor', '__proto__', 'toString'])]),
  'actions that every object has': () => plan(['constructor', '__proto__'].map((name) => step(['a'], name))),
  'names that every object has': () =>
    plan([step(['a'])]).replace('"steps"', '"names":{"__proto__":{"title":"x","path":[]}},"steps"'),
  'a title of twenty megabytes': () =>
    plan([{ ...step(['a'], 'rename'), params: { titles: { a: 't'.repeat(20_000_000) } } }]),
  'arrays a million deep': () => '['.repeat(1_000_000),
};

const rules: Readonly<Record<string, () => string>> = {
  'settings that every object has': () => '{"__proto__":{"on":true},"constructor":1}',
  'a hundred thousand settings': () =>
    JSON.stringify(Object.fromEntries(Array.from({ length: 100_000 }, (_, n) => [`s${n}`, n]))),
  'checks that every object has': () => '{"checks":{"__proto__":{"on":false},"toString":{"on":true}}}',
  'numbers without end': () => '{"checks":{"duplicate.near-text":{"similarity":1e999}}}',
  'a word of three megabytes': () => JSON.stringify({ draftWords: ['x'.repeat(3_000_000)] }),
  'arrays a hundred thousand deep': () => `{"draftWords":${'['.repeat(100_000)}${']'.repeat(100_000)}}`,
};

/** A body that says nothing of its length, and is longer than any that is read. */
async function endlessBody(server: Server, path: string): Promise<string> {
  const block = new Uint8Array(64 * 1024).fill(32);
  let sent = 0;
  const body = new ReadableStream({
    pull(controller) {
      sent += block.length;
      if (sent > 200 * 1024 ** 2) controller.close();
      else controller.enqueue(block);
    },
  });
  const response = await fetch(`${server.address}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: server.address },
    body,
    duplex: 'half',
  } as RequestInit);
  return toldOf(response.status, readTrouble(await response.text()));
}

async function summaryOfThousands(server: Server, shellId: string): Promise<string> {
  const shells = [...Array.from({ length: 1_000 }, () => crypto.randomUUID()), shellId].join(',');
  const response = await fetch(`${server.address}/api/together/summary`, {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded', origin: server.address },
    body: new URLSearchParams({ as: 'csv', shells }),
  });
  const text = await response.text();
  return response.ok ? 'read' : toldOf(response.status, readTrouble(text));
}

const requestsOf = (
  reader: HostileRequest['reader'],
  all: Readonly<Record<string, () => string>>,
  send: (server: Server, shellId: string, text: string) => Promise<string>,
): HostileRequest[] =>
  Object.entries(all).map(([what, make]) => {
    return { what, reader, attempt: (server, shellId) => send(server, shellId, make()) };
  });

/** Requests of strangers to a server that works. */
export const hostileRequests: readonly HostileRequest[] = [
  ...requestsOf('question sheet', sheets, (server, id, text) =>
    post(server, `/api/shells/${id}/questions?take=yes`, text),
  ),
  ...requestsOf('plan', plans, (server, id, text) => post(server, `/api/shells/${id}/plan/file`, text)),
  ...requestsOf('house rules', rules, (server, _, text) => post(server, '/api/house-rules', text, 'PUT')),
  ...['constructor', '__proto__', '%00', '..%2f..%2fetc', 'x'.repeat(20_000)].map((id): HostileRequest => ({
    what: `a shell called ${id.slice(0, 20)}`,
    reader: 'request',
    attempt: (server) => post(server, `/api/shells/${id}/comb`, '{}'),
  })),
  ...['constructor', '__proto__', 'toString'].map((name): HostileRequest => ({
    what: `a step about ${name}`,
    reader: 'request',
    attempt: (server, id) => post(server, `/api/shells/${id}/plan`, JSON.stringify(step([name], name))),
  })),
  {
    what: 'a plan whose body has no end',
    reader: 'request',
    attempt: (server, id) => endlessBody(server, `/api/shells/${id}/plan/file`),
  },
  {
    what: 'house rules whose body has no end',
    reader: 'request',
    attempt: (server) => endlessBody(server, '/api/views'),
  },
  { what: 'a summary of a thousand shells', reader: 'request', attempt: summaryOfThousands },
];
