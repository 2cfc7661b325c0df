import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { mostShells, readShellCards } from '@/services/do/hosts/shell-cards';
import { HostClient, usualPace } from './host-client';
import { hostLimits } from './host-limits';
import { ListReader } from './read-lists';

// A host that says more than anybody can use: it is refused with a sentence, and the rest is not received.
type Answer = (request: IncomingMessage, response: ServerResponse) => void;
let answer: Answer;
let asked: string[] = [];
let server: Server;
let address = '';
beforeAll(async () => {
  server = createServer((request, response) => {
    asked.push(request.url ?? '');
    if (request.url === '/sign-in' && !isAnsweringSignIn) return json(response, session);
    answer(request, response);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve()));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));
let isAnsweringSignIn = false;
beforeEach(() => {
  asked = [];
  isAnsweringSignIn = false;
});

const session = { token: 't', expiresInSeconds: 60, account: { id: 'a', name: 'n' } };
const json = (response: ServerResponse, value: unknown) => {
  response.writeHead(200, { 'content-type': 'application/json', etag: '"1"' });
  response.end(JSON.stringify(value));
};
const quick = { ...usualPace, tries: 2, firstWait: 1, longestWait: 2 };
const client = () => new HostClient({ address, name: 'r.alder', secret: 's' }, () => {}, quick);

test('ten megabytes that unpack to gigabytes are not unpacked to their end', async () => {
  isAnsweringSignIn = true;
  const packed = gzipSync(Buffer.alloc(hostLimits.answerBytes * 4));
  answer = (_, response) => {
    response.writeHead(200, { 'content-type': 'application/json', 'content-encoding': 'gzip' });
    response.end(packed);
  };
  const before = process.memoryUsage().rss;
  expect(await client().signIn()).toMatchObject({
    ok: false,
    trouble: { code: 'too-large', message: expect.stringMatching(/more than 262 kB/) as string },
  });
  // Nothing of it is tried again, and less is held than it unpacks to.
  expect(asked).toEqual(['/sign-in']);
  expect(process.memoryUsage().rss - before).toBeLessThan(hostLimits.answerBytes * 3);
});

test('the name of an account and the title of a problem are cut', async () => {
  isAnsweringSignIn = true;
  answer = (_, response) => json(response, { ...session, account: { id: 'a', name: 'x'.repeat(1e5) } });
  const signedIn = await client().signIn();
  expect(signedIn.ok && signedIn.value.name.length).toBe(201);
  isAnsweringSignIn = false;
  answer = (_, response) => {
    response.writeHead(400, { 'content-type': 'application/json' });
    response.end(JSON.stringify({ title: 'y'.repeat(1e5), status: 400 }));
  };
  const refused = await readShellCards(client());
  expect(refused.ok ? '' : refused.trouble.message.length).toBeLessThan(300);
});

test('a list of a billion pages is refused after its first one', async () => {
  answer = (_, response) => json(response, { page: 1, pages: 1e9, total: 1e9, revision: 'r', records: [] });
  const read = await new ListReader(client(), 's').read(() => {});
  expect(read).toMatchObject({ ok: false, trouble: { code: 'too-large' } });
  // At most the first page of each list that was asked for beside it.
  expect(asked.filter((path) => path.includes('page=')).length).toBeLessThanOrEqual(10);
});

test('two hundred thousand cards, and pages without any, end', async () => {
  const card = { id: 'x', code: 'C', title: 'T', term: '', role: '', lines: 1 };
  answer = (_, response) =>
    json(response, { page: 1, pages: 1e6, total: 1e6, shells: Array.from({ length: 2_000 }, () => card) });
  expect(await readShellCards(client())).toMatchObject({ ok: false, trouble: { code: 'too-large' } });
  expect(asked.length).toBeLessThan(mostShells / 1_000);
  asked = [];
  answer = (_, response) => json(response, { page: 1, pages: 1e6, total: 0, shells: [] });
  expect(await readShellCards(client())).toMatchObject({ ok: false, trouble: { code: 'too-large' } });
  expect(asked.length).toBeLessThan(4);
});
