import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { door, refusalOf } from './door';

const ownHost = { host: '127.0.0.1:4140' };
test.each([
  ['a page of this computer', 'GET', ownHost, null],
  ['another name of it', 'GET', { host: 'localhost:4140' }, null],
  ['a foreign host', 'GET', { host: 'evil.example' }, 421],
  [
    'a foreign host that says it is a prefetch',
    'GET',
    { host: 'evil.example', 'next-router-prefetch': '1', purpose: 'prefetch' },
    421,
  ],
  ['no host', 'GET', {}, 421],
  ['a change from its own page', 'POST', { ...ownHost, origin: 'http://127.0.0.1:4140' }, null],
  ['a change from another page', 'POST', { ...ownHost, origin: 'http://evil.example' }, 403],
  ['a change from another port', 'DELETE', { ...ownHost, origin: 'http://127.0.0.1:9' }, 403],
  ['a change that the browser calls cross-site', 'PUT', { ...ownHost, 'sec-fetch-site': 'cross-site' }, 403],
  ['a file that is too large', 'POST', { ...ownHost, 'content-length': String(3 * 1024 ** 3) }, 413],
] as const)('%s', (_, method, headers, status) =>
  expect(refusalOf({ method, url: '/api/any', headers })?.status ?? null).toBe(status),
);
test('escapes that are none, and changes of what is only read', () => {
  expect(refusalOf({ method: 'GET', url: '/api/%F0%28', headers: ownHost })?.status).toBe(400);
  expect(
    refusalOf({ method: 'POST', url: '/mark.svg', headers: { ...ownHost, 'sec-fetch-site': 'same-origin' } })
      ?.status,
  ).toBe(405);
  expect(refusalOf({ method: 'HEAD', url: '/mark.svg', headers: ownHost })).toBeNull();
});

describe('a server behind the door', () => {
  let server: Server;
  const asked: string[] = [];
  beforeAll(async () => {
    server = createServer(
      door((incoming, response) => {
        asked.push(String(incoming.headers['x-request-id']));
        response.end('inside');
      }),
    );
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve()));
  });
  afterAll(() => new Promise((resolve) => server.close(resolve)));

  const ask = (headers: Record<string, string>): Promise<{ status: number; text: string; id: string }> =>
    new Promise((resolve, reject) => {
      const { port } = server.address() as AddressInfo;
      const sent = request({ port, host: '127.0.0.1', path: '/any', headers }, (response) => {
        let text = '';
        response.on('data', (block: Buffer) => (text += block.toString()));
        response.on('end', () =>
          resolve({ status: response.statusCode ?? 0, text, id: String(response.headers['x-request-id']) }),
        );
      });
      sent.on('error', reject);
      sent.end();
    });

  test('gives each request an id of its own, whatever it came with', async () => {
    const answer = await ask({ 'x-request-id': 'mine' });
    expect([answer.status, answer.text]).toEqual([200, 'inside']);
    expect(answer.id).toMatch(/^[0-9a-f-]{36}$/);
    expect(asked.at(-1)).toBe(answer.id);
  });

  test('answers a foreign host with one sentence and never asks inside', async () => {
    const before = asked.length;
    const answer = await ask({ host: 'rebound.example' });
    expect([answer.status, JSON.parse(answer.text)]).toEqual([
      421,
      { trouble: 'Currycomb answers on this computer only.' },
    ]);
    expect(asked.length).toBe(before);
  });
});
