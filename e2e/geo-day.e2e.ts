import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { buildGeo130 } from '../demo/geo-130/build';
import { CampusHost } from '../stand-ins/campus/host';
import { seedShell } from '../stand-ins/campus/seed-shell';
import { startCampusHost, type RunningHost } from '../stand-ins/campus/serve';
import { startOutsideWeb, type OutsideWeb } from '../stand-ins/outside-web/serve';
import { clickText, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

jest.setTimeout(240_000);
const folder = mkdtempSync(join(tmpdir(), 'currycomb-geo-'));
let host: RunningHost;
let web: OutsideWeb;
let stage: Stage;
let page: Page;
let complaints: string[];
let shell = '';
const goTo = (path: string) => visit(page, `${shell}/${path}`);
const planSize = () =>
  page.$eval('[data-testid=plan-size]', (size) => Number(size.textContent?.replace(/\D/g, '')));
const planGrows = (from: number) =>
  page.waitForFunction(
    (least) =>
      Number(document.querySelector('[data-testid=plan-size]')?.textContent?.replace(/\D/g, '')) > least,
    {},
    from,
  );
const titlesAtHost = () =>
  [...host.host.shells.values()].flatMap(({ collections }) =>
    collections.outline.order.map((id) => String(collections.outline.records.get(id)?.fields['title'])),
  );

beforeAll(async () => {
  const composer = buildGeo130();
  const campus = new CampusHost();
  seedShell(campus, composer.shell(), composer.source);
  host = await startCampusHost(campus);
  web = await startOutsideWeb();
  const map = join(folder, 'web.json');
  writeFileSync(map, JSON.stringify(web.map));
  stage = await startStage({ CURRYCOMB_WEB: map, CURRYCOMB_HOST: host.address });
  page = await stage.open('/bring-in/from-host');
  complaints = await watchPage(page);
});
afterAll(async () => {
  await stage.close();
  await host.close();
  await web.close();
  rmSync(folder, { recursive: true, force: true });
  expect(complaints).toEqual([]);
});

test('bring in and comb: GEO 130 is read from its host', async () => {
  await page.type('input[name=name]', 'r.alder');
  await page.type('input[name=secret]', 'marsh-marigold');
  await clickText(page, 'button', 'Sign in');
  await clickText(page, 'button', 'Read GEO 130');
  await page.waitForFunction(() => location.pathname.endsWith('/comb'), { timeout: 120_000 });
  shell = page.url().replace(/\/comb$/, '');
  await waitForText(page, 'What students would notice first');
});

test('probe: what leads nowhere outside is known before anything is decided', async () => {
  await goTo('prove/outside');
  await page.click('input[type=checkbox]');
  await page.waitForSelector('button.MuiButton-contained:not([disabled])');
  await clickText(page, 'button', 'Ask the links');
  await waitForText(page, 'outside want a look');
  await waitForText(page, '3 findings');
});

test('decide: broken and dead links go by keys', async () => {
  await goTo('decide?check=outdated.dead-link');
  await page.waitForSelector('[data-testid=findings]');
  await page.focus('[data-testid=findings]');
  await page.keyboard.press('g');
  await page.keyboard.press('a');
  await planGrows(2);
  await goTo('decide?check=orphan.broken-link');
  await page.waitForSelector('[data-testid=findings]');
  await page.focus('[data-testid=findings]');
  const before = await planSize();
  await page.keyboard.press('g');
  await page.keyboard.press('a');
  await planGrows(before);
});

test('reorganise and re-date: units by number, dates into the term', async () => {
  await goTo('decide/outline');
  await waitForText(page, 'numbered modules out of order');
  const before = await planSize();
  await clickText(page, 'button', 'Sort by number or name');
  await planGrows(before);
  await goTo('decide/re-date');
  await waitForText(page, 'dated things would move');
  const then = await planSize();
  await clickText(page, 'button', 'Put');
  await waitForText(page, 'In the plan: re-date');
  await planGrows(then);
});

test('rehearse and carry out: all of it on the host', async () => {
  const unitsAtHost = () => titlesAtHost().filter((title) => /^Unit \d+:/.test(title));
  expect(unitsAtHost()[1]).toMatch(/^Unit 10/);
  await goTo('rehearse');
  await waitForText(page, 'Step by step');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Carry out');
  await page.waitForFunction(
    () => document.body?.innerText.includes('Read back from the host: all is as rehearsed.'),
    { timeout: 120_000 },
  );
  expect(unitsAtHost().map((title) => Number(/\d+/.exec(title)?.[0]))).toEqual([
    1, 2, 3, 4, 5, 6, 7, 8, 9, 10,
  ]);
  expect(titlesAtHost()).not.toContain('Sheet viewer of the old survey');
});

test('prove: nothing leads nowhere any more, and the sign-off says what was done', async () => {
  // What was carried out is combed by itself; the list shows what that found.
  await page.waitForFunction(async () => {
    const [, , id] = location.pathname.split('/');
    const answer = await fetch(`/api/shells/${id}/jobs?kind=comb`);
    const { job } = (await answer.json()) as { job: { state: string } | null };
    return job === null || job.state === 'done';
  });
  await goTo('prove/opening-day');
  await waitForText(page, 'Every link inside the shell leads somewhere');
  const states = await page.$$eval('li[data-line]', (lines) =>
    lines.map((line) => [line.dataset['line'], line.dataset['state']]),
  );
  expect(states).toEqual(
    expect.arrayContaining([
      ['links', 'yes'],
      ['outside-links', 'not-asked'],
    ]),
  );
  expect(await seriousProblems(page)).toEqual([]);
  const id = shell.slice(shell.lastIndexOf('/') + 1);
  await visit(page, `${stage.address}/api/shells/${id}/report?of=sign-off&as=html`);
  await waitForText(page, 'GEO 130 Reading Maps');
  await waitForText(page, 'The plan carried out');
  await waitForText(page, 'Looked over by');
});
