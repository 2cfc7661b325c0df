import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { append } from '@/core/collect';
import type { WebAnswer, WebState } from '@/core/probe/web-answer';
import { webAnswers } from '@/store/schema';
import { startOutsideWeb, type OutsideWeb } from '../../../stand-ins/outside-web/serve';
import { AnswerBook } from '@/services/do/probe/answer-book';
import { orderProbe } from '@/services/do/probe/order-probe';
import { probeView } from '@/services/show/probe/probe-view';
import { switchProbe } from '@/services/keep/probe/probe-switch';
import { DataFolder, must } from './data-folder';

let folder: DataFolder;
let web: OutsideWeb;
let id: string;
beforeAll(async () => {
  web = await startOutsideWeb();
  folder = new DataFolder();
  const map = join(folder.folder, 'web.json');
  writeFileSync(map, JSON.stringify(web.map));
  process.env['CURRYCOMB_WEB'] = map;
  id = await folder.bringIn((c) => {
    c.page('Week 1', '<a href="http://a.example/gone/1">one</a> <a href="http://b.example/fine/2">two</a>', {
      ref: 'p',
      path: 'p.html',
    });
    c.webLink('Slow', 'http://c.example/slow/3', { ref: 'w' });
  });
  await folder.comb(id);
});
afterAll(async () => {
  delete process.env['CURRYCOMB_WEB'];
  await folder.close();
  await web.close();
});

const probe = (again = false) => orderProbe(folder.context, folder.now(id), { again });
const statesOf = () =>
  probeView(folder.context, folder.now(id)).probed?.links.map(({ url, answer }) => [url, answer?.state]);

test('nothing leaves the computer before somebody switches it on', () => {
  expect(probe()).toMatchObject({ ok: false, trouble: { code: 'probe-off' } });
  expect(web.requests.size).toBe(0);
});

test('a probe that is cut off keeps its answers, and goes on where it was', async () => {
  switchProbe(folder.context, { on: true });
  const { jobId } = must(probe());
  // Two are answered at once, the slow one holds it up; what came is written down a second later.
  const isThere = () => folder.context.db.select().from(webAnswers).all().length >= 2;
  while (!isThere()) {
    await new Promise((resolve) => setTimeout(resolve, 50));
    if (folder.context.jobs.view(jobId)?.state === 'done') break;
  }
  await folder.restart();
  const view = await folder.ended(jobId);
  expect(view.state).toBe('done');
  await folder.idle();
  expect(statesOf()).toEqual([
    ['http://a.example/gone/1', 'gone'],
    ['http://c.example/slow/3', 'slow'],
    ['http://b.example/fine/2', 'answers'],
  ]);
  // The findings are there without anybody combing.
  expect(folder.findings(id).map(({ check }) => check)).toContain('outdated.dead-link');
});

test('with the next probe only what is passing is asked again; all of it where that is wished', async () => {
  const requests = (host: string) => web.requests.get(host) ?? 0;
  const before = [requests('a.example'), requests('b.example'), requests('c.example')];
  await folder.job(probe());
  expect([requests('a.example'), requests('b.example')]).toEqual(before.slice(0, 2));
  expect(requests('c.example')).toBeGreaterThan(before[2] ?? 0);
  await folder.job(probe(true));
  expect(requests('a.example')).toBeGreaterThan(before[0] ?? 0);
});

test('one that is under way is found again, and ends when the probe is switched off', async () => {
  const first = must(probe(true)).jobId;
  expect(must(probe(true)).jobId).toBe(first);
  switchProbe(folder.context, { on: false });
  expect(await folder.ended(first)).toMatchObject({ state: 'cancelled' });
  expect(probe()).toMatchObject({ ok: false });
});

describe('the book of answers', () => {
  const answer = (url: string, state: WebState, status: number | null = null): WebAnswer => ({
    url,
    state,
    status,
    movedTo: null,
    hops: [],
    says: '',
    askedAt: '2027-01-04T08:00:00.000Z',
  });
  const missing = ['http://a.example/', 'http://b.example/', 'http://c.example/'].map((url) =>
    answer(url, 'no-host'),
  );
  const written = async (answers: readonly WebAnswer[]) => {
    const kept: string[] = [];
    const book = new AnswerBook(
      async (some) =>
        void append(
          kept,
          some.map(({ url }) => url),
        ),
    );
    for (const one of answers) await book.take(one);
    return { isConnected: await book.close(), kept };
  };

  test('three hosts that are not there and nothing else: it is this computer, and nothing is written', async () => {
    expect(await written(missing)).toEqual({ isConnected: false, kept: [] });
  });
  test('one host that answers is enough to believe that the others are not there', async () => {
    const { isConnected, kept } = await written([...missing, answer('http://d.example/', 'gone', 404)]);
    expect(isConnected).toBe(true);
    expect(kept.toSorted()).toEqual([...missing.map(({ url }) => url), 'http://d.example/']);
  });
  test('a single host that is not there may really be gone', async () => {
    expect(await written(missing.slice(0, 1))).toMatchObject({
      isConnected: true,
      kept: ['http://a.example/'],
    });
  });
});
