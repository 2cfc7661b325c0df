import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Validator } from '@seriousme/openapi-schema-validator';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { itemRef } from '@/core/refs/refs';
import type { Shell } from '@/core/shell/model';
import {
  pageSchema,
  sessionSchema,
  shellPageSchema,
  type WireChange,
  type WireOutcome,
} from '@/connectors/campus/wire';
import { CampusHost } from './host';
import { openApiText } from './openapi';
import { seedShell } from './seed-shell';
import { startCampusHost, type RunningHost } from './serve';
import { noTroubles, readTroubles } from './troubles';

let running: RunningHost;
let shell: string;
let token: string;

function shellOf(pages: number): Shell {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'm' });
  for (let n = 0; n < pages; n += 1)
    composer.page(`Page ${n}`, `<p>See <a href="../page/r${n + 2}.html">on</a>.</p>`, {
      ref: `p${n}`,
      parent: 'm',
    });
  const composed = composer.shell();
  return { ...composed, homePages: [{ ref: itemRef('p0'), title: 'Home', inUse: true }] };
}

beforeEach(async () => {
  const host = new CampusHost();
  shell = seedShell(host, shellOf(44), { read: () => null }, { readOnly: ['groups'] });
  running = await startCampusHost(host);
  const answer = await fetch(`${running.address}/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'r.alder', secret: 'marsh-marigold' }),
  });
  token = ((await answer.json()) as { token: string }).token;
});
afterEach(() => running.close());

const ask = (path: string, init: RequestInit = {}) =>
  fetch(`${running.address}${path}`, {
    ...init,
    headers: { authorization: `Bearer ${token}`, 'content-type': 'application/json', ...init.headers },
  });

async function change(changes: readonly WireChange[], key = 'key'): Promise<WireOutcome[]> {
  const answer = await ask(`/shells/${shell}/changes`, {
    method: 'POST',
    headers: { 'idempotency-key': key },
    body: JSON.stringify({ changes }),
  });
  expect(answer.status).toBe(202);
  return ((await answer.json()) as { outcomes: WireOutcome[] }).outcomes;
}

const recordsOf = async (collection: string) =>
  pageSchema.parse(await (await ask(`/shells/${shell}/${collection}`)).json()).records;

test('the published description is OpenAPI 3.1, and that of this host', async () => {
  const published = readFileSync(join(process.cwd(), 'docs/campus-host.openapi.json'), 'utf8');
  expect(published).toBe(openApiText());
  // Held against the schema that the OpenAPI Initiative publishes for 3.1.
  const validator = new Validator();
  expect(await validator.validate(JSON.parse(published))).toMatchObject({ valid: true });
  expect(validator.version).toBe('3.1');
});

test('lists come in pages of 20, in order, with an ETag that spares the second reading', async () => {
  const first = await ask(`/shells/${shell}/outline?page=1`);
  const page = pageSchema.parse(await first.json());
  expect(page).toMatchObject({ page: 1, pages: 3, total: 45 });
  expect(page.records).toHaveLength(20);
  const last = pageSchema.parse(await (await ask(`/shells/${shell}/outline?page=3`)).json());
  expect(last.records.map(({ fields }) => fields['title'])).toEqual(
    [39, 40, 41, 42, 43].map((n) => `Page ${n}`),
  );
  const etag = first.headers.get('etag') ?? '';
  const again = await ask(`/shells/${shell}/outline?page=1`, { headers: { 'if-none-match': etag } });
  expect(again.status).toBe(304);
  expect(shellPageSchema.parse(await (await ask('/shells')).json()).shells).toMatchObject([
    { id: shell, lines: 45 },
  ]);
});

test('the home page is no line of the outline', async () => {
  const host = new CampusHost();
  const composer = new ShellComposer();
  composer.page('Stage', '<p>read the gauge</p>', { ref: 'p1' });
  composer.page('Welcome', '<p>hello</p>', { ref: 'home', outside: true });
  const composed = composer.shell();
  const items = composed.items.map((item) =>
    item.title === 'Welcome' ? { ...item, kind: 'home-page' as const } : item,
  );
  seedShell(host, { ...composed, items }, { read: () => null }, { readOnly: [] });
  await running.close();
  running = await startCampusHost(host);
  const signedIn = await fetch(`${running.address}/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'r.alder', secret: 'marsh-marigold' }),
  });
  const session = sessionSchema.parse(await signedIn.json());
  const headers = { authorization: `Bearer ${session.token}` };
  const cards = await (await fetch(`${running.address}/shells`, { headers })).json();
  expect(shellPageSchema.parse(cards).shells).toMatchObject([{ lines: 1 }]);
});

test('links in texts lead to addresses of the host', async () => {
  const [first, second] = await recordsOf('contents');
  expect(first?.fields['href']).toBe(`page/${first?.id}-r1.html`);
  expect(first?.fields['texts']).toEqual([`<p>See <a href="../page/${second?.id}-r2.html">on</a>.</p>`]);
});

test('nobody is let in without a sign-in, or after it ran out', async () => {
  expect((await fetch(`${running.address}/shells`)).status).toBe(401);
  running.host.setTroubles({ ...noTroubles, expire: 2 });
  const answer = await ask('/sign-in', {
    method: 'POST',
    body: JSON.stringify({ name: 'r.alder', secret: 'marsh-marigold' }),
  });
  token = ((await answer.json()) as { token: string }).token;
  const statuses = [];
  for (let n = 0; n < 3; n += 1) statuses.push((await ask('/shells')).status);
  expect(statuses).toEqual([200, 200, 401]);
});

test('the guards of the host: what leans on a thing, the home page in use, what is read-only, stale tags', async () => {
  const outline = await recordsOf('outline');
  const [module, page] = outline;
  const [home] = await recordsOf('home-pages');
  if (!module || !page || !home) throw new Error('the shell is not as it was seeded');
  const outcomes = await change([
    { do: 'remove', in: 'outline', id: module.id, tag: module.tag, work: 0 },
    { do: 'remove', in: 'home-pages', id: home.id, tag: home.tag, work: 0 },
    { do: 'make', in: 'groups', as: 'g', after: null, fields: { title: 'Group' } },
    { do: 'change', in: 'outline', id: page.id, tag: 'v0', fields: { title: 'Stale' } },
    { do: 'change', in: 'outline', id: page.id, tag: page.tag, fields: { title: 7 } },
    { do: 'change', in: 'outline', id: page.id, tag: page.tag, fields: { parent: 'at-nowherexyz' } },
    { do: 'change', in: 'outline', id: page.id, tag: page.tag, fields: { title: 'Fresh' } },
  ]);
  const codes = outcomes.map((outcome) => (outcome.is === 'refused' ? outcome.code : outcome.is));
  expect(codes).toEqual(['held', 'held', 'read-only', 'changed', 'invalid', 'invalid', 'done']);
});

test('what is made gets an id that never was, and later changes of the request may name it', async () => {
  const outcomes = await change([
    { do: 'make', in: 'groups', as: 'x', after: null, fields: { title: 'Group' } },
  ]);
  expect(outcomes).toMatchObject([{ is: 'refused' }]);
  const [line] = await recordsOf('outline');
  const fields = { ...line?.fields, parent: null, requires: [] };
  const answer = await change(
    [
      { do: 'make', in: 'outline', as: 'mine', after: null, fields: { ...fields, title: 'New' } },
      { do: 'make', in: 'outline', as: 'inner', after: 'mine', fields: { ...fields, parent: 'mine' } },
      { do: 'change', in: 'outline', id: 'inner', tag: '', fields: { title: 'Inside' } },
    ],
    'second',
  );
  expect(answer.map(({ is }) => is)).toEqual(['done', 'done', 'done']);
  const now = await recordsOf('outline');
  expect(now[1]?.fields).toMatchObject({ title: 'Inside', parent: now[0]?.id });
  expect(now[0]?.id).toMatch(/^at-[0-9a-z]{10}$/);
});

test('troubles are set by the page and by the environment', async () => {
  const form = new URLSearchParams({ fail: '0.5', stall: '9' });
  const answer = await fetch(`${running.address}/troubles`, { method: 'POST', body: form });
  expect(await answer.text()).toContain('value="0.5"');
  expect(running.host.troubles).toMatchObject({ fail: 0.5, stall: 9, slow: 0 });
  const wrong = await fetch(`${running.address}/troubles`, {
    method: 'POST',
    body: new URLSearchParams({ fail: '7' }),
  });
  expect(wrong.status).toBe(400);
  expect(readTroubles('fail=0.2, stall=30')).toMatchObject({ fail: 0.2, stall: 30 });
  expect(readTroubles('')).toEqual(noTroubles);
  expect(() => readTroubles('rain=1')).toThrow(/CAMPUS_TROUBLES/);
});
