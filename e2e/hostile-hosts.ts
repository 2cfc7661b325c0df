import {
  createServer,
  type IncomingMessage,
  type Server as HttpServer,
  type ServerResponse,
} from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { shellRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { CampusHost } from '../stand-ins/campus/host';
import { seedShell } from '../stand-ins/campus/seed-shell';
import { startCampusHost, type RunningHost } from '../stand-ins/campus/serve';
import type { Server } from './server';

/** Hosts that say too much, or what can’t be: each is signed in to, asked for its shells and read from. */
export interface HostileHost {
  readonly what: string;
  /** Answers in place of a good host; false where the good host shall. */
  answer(request: IncomingMessage, response: ServerResponse, good: () => Promise<unknown>): Promise<boolean>;
}

const json = (response: ServerResponse, body: unknown): true => {
  response.writeHead(200, { 'content-type': 'application/json', etag: '"1"' });
  response.end(JSON.stringify(body));
  return true;
};
const at = (request: IncomingMessage, part: string): boolean => request.url?.includes(part) ?? false;

/** Ten gigabytes of zeros in ten megabytes: a hundred members, one behind the other (RFC 1952, 2.2). */
let packedZeros: Buffer | null = null;
const zeros = (): Buffer => {
  packedZeros ??= gzipSync(Buffer.alloc(100 * 1024 ** 2));
  return packedZeros;
};
const bomb = (response: ServerResponse): true => {
  response.writeHead(200, { 'content-type': 'application/json', 'content-encoding': 'gzip' });
  for (let n = 0; n < 100; n += 1) response.write(zeros());
  response.end();
  return true;
};

interface WireList {
  pages: number;
  total: number;
  records: { id: string; fields: Record<string, unknown> }[];
}
/** A list of a good host, with something changed in it. */
const changedList = (what: string, list: string, change: (list: WireList) => void): HostileHost => ({
  what,
  answer: async (request, response, good) => {
    if (!at(request, `/${list}?`)) return false;
    const body = (await good()) as WireList;
    change(body);
    return json(response, body);
  },
});
const card = { id: 'x', code: 'C', title: 'T', term: '', role: '', lines: 1 };

export const hostileHosts: readonly HostileHost[] = [
  {
    what: 'ten gigabytes at the sign-in',
    answer: async (request, response) => at(request, '/sign-in') && bomb(response),
  },
  {
    what: 'ten gigabytes in the list of shells',
    answer: async (request, response) => at(request, '/shells?') && bomb(response),
  },
  {
    what: 'ten gigabytes in the outline',
    answer: async (request, response) => at(request, '/outline?') && bomb(response),
  },
  {
    what: 'a name of thirty megabytes',
    answer: async (request, response) =>
      at(request, '/sign-in') &&
      json(response, {
        token: 't',
        expiresInSeconds: 60,
        account: { id: 'a', name: 'n'.repeat(30_000_000) },
      }),
  },
  {
    what: 'a problem of thirty megabytes',
    answer: async (request, response) => {
      if (!at(request, '/sign-in')) return false;
      response.writeHead(400, { 'content-type': 'application/json' });
      response.end(JSON.stringify({ title: 'p'.repeat(30_000_000), status: 400 }));
      return true;
    },
  },
  {
    what: 'a billion pages of shells',
    answer: async (request, response) =>
      at(request, '/shells?') && json(response, { page: 1, pages: 1e9, total: 1e9, shells: [card] }),
  },
  {
    what: 'two hundred thousand shells',
    answer: async (request, response) =>
      at(request, '/shells?') &&
      json(response, { page: 1, pages: 100, total: 200_000, shells: Array(2_000).fill(card) }),
  },
  changedList('a billion pages of the outline', 'outline', (list) => (list.pages = 1e9)),
  changedList('a hundred thousand records of one id', 'outline', (list) => {
    list.records = Array(100_000).fill(list.records[0]) as WireList['records'];
  }),
  changedList('an outline that is a circle', 'outline', (list) => {
    const [first] = list.records;
    if (first) first.fields['parent'] = first.id;
  }),
  ...['../../../../tmp/evil.html', '/etc/evil', '..\\..\\x', ''].map((path) =>
    changedList(`a file called “${path}”`, 'files', (list) => {
      const [first] = list.records;
      if (first) first.fields['path'] = path;
    }),
  ),
  {
    what: 'an answer that drips and never ends',
    answer: async (request, response) => {
      if (!at(request, '/sign-in')) return false;
      response.writeHead(200, { 'content-type': 'application/json' });
      const drip = setInterval(() => response.write(' '), 100);
      response.on('close', () => clearInterval(drip));
      return true;
    },
  },
  {
    what: 'a way on to an address inside',
    answer: async (request, response) => {
      if (!at(request, '/sign-in')) return false;
      response.writeHead(302, { location: 'http://169.254.169.254/latest' });
      response.end();
      return true;
    },
  },
];

/** A host that stands before a good one, and answers in its place as a hostile one says. */
export class HostBefore {
  private readonly server: HttpServer;
  private hostile: HostileHost | null = null;
  private shell = '';
  private behind: RunningHost | null = null;

  constructor() {
    this.server = createServer((request, response) => void this.handle(request, response));
  }

  async start(): Promise<void> {
    const host = new CampusHost();
    const composer = new ShellComposer({ ref: shellRef('hostile'), code: 'HOS 2', title: 'Behind' });
    const week = composer.module('Week 1', { ref: 'w1' });
    composer.page('Gauge', '<p>Read <a href="m.png">it</a>.</p>', { ref: 'p1', parent: week });
    composer.file('m.png', Buffer.from([1, 2, 3]));
    this.shell = seedShell(host, composer.shell(), { read: () => Buffer.from([1, 2, 3]) });
    this.behind = await startCampusHost(host);
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
  }

  async close(): Promise<void> {
    await this.behind?.close();
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
  }

  /** Has Currycomb sign in, ask for the shells and read one; what that came to. */
  async attempt(hostile: HostileHost, server: Server): Promise<string> {
    this.hostile = hostile;
    const { port } = this.server.address() as AddressInfo;
    const address = `http://127.0.0.1:${port}`;
    const signIn = { address, name: 'r.alder', secret: 'marsh-marigold' };
    const signedIn = await server.ask<{ id: string }>('/api/hosts', signIn);
    if (signedIn.status >= 400) return `refused: ${signedIn.value.trouble ?? '(nothing)'}`;
    const listed = await server.ask(`/api/hosts/${signedIn.value.id}/shells`);
    const pulled = await server.follow('/api/pull', { hostId: signedIn.value.id, shell: this.shell }, 60_000);
    if (listed.status >= 400) return `refused: ${listed.value.trouble ?? '(nothing)'}`;
    return pulled.done ? 'read' : `refused: ${pulled.told}`;
  }

  private async handle(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const chunks: Buffer[] = [];
    for await (const chunk of request) chunks.push(chunk as Buffer);
    const ask = () => this.askBehind(request, Buffer.concat(chunks));
    const good = async () => (await (await ask()).json()) as unknown;
    response.on('error', () => undefined);
    if (await this.hostile?.answer(request, response, good)) return;
    const answered = await ask();
    const etag = answered.headers.get('etag');
    response.writeHead(answered.status, {
      'content-type': answered.headers.get('content-type') ?? 'application/json',
      ...(etag === null ? {} : { etag }),
    });
    response.end(Buffer.from(await answered.arrayBuffer()));
  }

  private askBehind(request: IncomingMessage, body: Buffer): Promise<Response> {
    const headers = { ...(request.headers as Record<string, string>) };
    for (const name of ['host', 'connection', 'content-length', 'if-none-match', 'transfer-encoding'])
      delete headers[name];
    const hasBody = request.method !== 'GET' && body.length > 0;
    return fetch(`${this.behind?.address ?? ''}${request.url ?? ''}`, {
      method: request.method ?? 'GET',
      headers,
      ...(hasBody ? { body: new Uint8Array(body) } : {}),
    });
  }
}
