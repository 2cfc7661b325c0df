import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import * as fc from 'fast-check';
import { oneSentence } from '@/core/__tests__/one-sentence';
import { runs } from '@/core/__tests__/runs';
import { spoiledDocument } from '@/core/__tests__/spoiled';
import { unsoundnessOf } from '@/core/shell/soundness';
import { digest } from '@/core/refs/digest';
import { shellRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { CampusHost } from '../../../stand-ins/campus/host';
import { seedShell } from '../../../stand-ins/campus/seed-shell';
import { startCampusHost } from '../../../stand-ins/campus/serve';
import { CampusConnector } from './campus-connector';
import { HostClient, usualPace } from './host-client';
import { Names } from './names';

// A host whose answers somebody spoiled, and one that contradicts itself: what comes of it is a sound shell or a sentence.
jest.setTimeout(3_600_000);

interface Kept {
  readonly status: number;
  readonly etag: string;
  readonly body: unknown;
}
/** What a good host answers, by path. */
const answers = new Map<string, Kept>();
let shellId = '';
let server: Server;
let address = '';
/** The path whose answer is spoiled, and what is said instead. */
let spoiledPath = '';
let spoiledBody: unknown = null;

beforeAll(async () => {
  await recordGoodHost();
  server = createServer((request, response) => {
    const kept = answers.get(request.url ?? '');
    const isSpoiled = request.url === spoiledPath;
    response.writeHead(kept?.status ?? 404, {
      'content-type': 'application/json',
      etag: kept?.etag ?? '"0"',
    });
    response.end(
      JSON.stringify(isSpoiled ? spoiledBody : (kept?.body ?? { title: 'Not here', status: 404 })),
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

/** Reads a small shell from a host that does as it should, and keeps what was answered. */
async function recordGoodHost(): Promise<void> {
  const composer = new ShellComposer({ ref: shellRef('rivers'), code: 'HYD 214', title: 'Reading rivers' });
  const week = composer.module('Week 1', { ref: 'w1' });
  composer.module('Week 2', { ref: 'w2', parent: week });
  composer.page('Gauge', '<p>Read <a href="m.png">it</a>.</p>', { ref: 'p1', parent: week });
  composer.file('m.png', Buffer.from([1, 2, 3]));
  const host = new CampusHost();
  shellId = seedShell(host, composer.shell(), { read: () => Buffer.from([1, 2, 3]) });
  const running = await startCampusHost(host);
  const client = new HostClient({ address: running.address, name: 'r.alder', secret: 'marsh-marigold' });
  const ask = client.ask.bind(client);
  client.ask = async (request) => {
    const answer = await ask({ ...request, headers: {} });
    if (answer.ok) {
      const body = JSON.parse(answer.value.body.toString('utf8')) as unknown;
      answers.set(request.path, { status: answer.value.status, etag: answer.value.etag ?? '', body });
    }
    return answer;
  };
  const read = await connectorOf(client).read();
  if (!read.ok) throw new Error(read.trouble.message);
  answers.set('/sign-in', {
    status: 200,
    etag: '"s"',
    body: { token: 't', expiresInSeconds: 60, account: { id: 'a', name: 'R. Alder' } },
  });
  await running.close();
}

const connectorOf = (client: HostClient): CampusConnector =>
  new CampusConnector(client, {
    shell: shellId,
    names: new Names([]),
    vault: { has: () => true, read: () => null, put: (bytes) => digest(bytes) },
    onHitch: () => {},
    onProgress: () => {},
  });
const quick = { ...usualPace, tries: 2, firstWait: 1, longestWait: 2 };
const readSpoiled = (path: string, body: unknown) => {
  spoiledPath = path;
  spoiledBody = body;
  const access = { address, name: 'r.alder', secret: 'marsh-marigold' };
  return connectorOf(new HostClient(access, () => {}, quick)).read();
};

test('the answers that were kept make the shell that they were read from', async () => {
  const read = await readSpoiled('', null);
  expect(read.ok && read.value.shell.items.map(({ title }) => title)).toEqual(['Week 1', 'Week 2', 'Gauge']);
});

test('a spoiled answer leads to a sound shell or to a sentence', async () => {
  const paths = [...answers.keys()];
  let sound = 0;
  let refused = 0;
  const spoiled = fc
    .constantFrom(...paths)
    .chain((path) => spoiledDocument(answers.get(path)?.body).map((body) => ({ path, body })));
  await fc.assert(
    fc.asyncProperty(spoiled, async ({ path, body }) => {
      const read = await readSpoiled(path, body);
      if (!read.ok) {
        refused += 1;
        expect(read.trouble.message).toMatch(oneSentence);
        return;
      }
      sound += 1;
      expect(unsoundnessOf(read.value.shell)).toBeNull();
    }),
    { numRuns: runs(20_000, 300) },
  );
  expect(sound).toBeGreaterThan(5);
  expect(refused).toBeGreaterThan(5);
});

type Record_ = { id: string; fields: Record<string, unknown> };
const changed = (list: string, change: (records: Record_[]) => void): [string, unknown] => {
  const path = `/shells/${shellId}/${list}?page=1`;
  const body = structuredClone(answers.get(path)?.body) as { records: Record_[] };
  change(body.records);
  return [path, body];
};

test.each<[string, string, (records: Record_[]) => void]>([
  ['an outline that is a circle', 'outline', (records) => (records[0]!.fields['parent'] = records[0]!.id)],
  ['two records of one id', 'outline', (records) => (records[1]!.id = records[0]!.id)],
  [
    'a file above its folder',
    'files',
    (records) => (records[0]!.fields['path'] = '../../../../tmp/evil.html'),
  ],
  ['a file from the root of the disk', 'files', (records) => (records[0]!.fields['path'] = '/etc/evil')],
  ['a file with backslashes', 'files', (records) => (records[0]!.fields['path'] = '..\\..\\x')],
  ['a file without a name', 'files', (records) => (records[0]!.fields['path'] = '')],
])('%s is refused, and said', async (_, list, change) => {
  const read = await readSpoiled(...changed(list, change));
  expect(read).toMatchObject({ ok: false, trouble: { code: 'unsound' } });
});
