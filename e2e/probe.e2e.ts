import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { startOutsideWeb, type OutsideWeb } from '../stand-ins/outside-web/serve';
import { bringIn, clickText, demoTerm, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-probe-'));
let web: OutsideWeb;
let stage: Stage;
let page: Page;
let complaints: string[];
let id: string;

/** A course whose links lead to every sort of place outside. */
async function course(): Promise<string> {
  const c = new ShellComposer();
  const link = (to: string) => `<a href="http://notes.example/${to}">${to}</a>`;
  c.page('Week 1', `<p>Read ${link('fine/1')} and ${link('gone/1')}.</p>`, { ref: 'w1' });
  c.page('Week 2', `<p>Read ${link('moved/2')}, then ${link('moved-twice/3')}.</p>`, { ref: 'w2' });
  c.page('Week 3', `<p>Read ${link('sign-in/4')} and ${link('fault/5')}.</p>`, { ref: 'w3' });
  c.webLink('Old atlas', 'http://atlas.nowhere.example/', { ref: 'l1' });
  c.webLink('Office hours', 'http://rooms.example/meeting-ended/join', { ref: 'l2' });
  c.webLink('The printer', 'http://192.168.1.20/status', { ref: 'l3' });
  const path = join(folder, 'course.imscc');
  await c.write(path);
  return path;
}
const goTo = (path: string) => visit(page, `${stage.address}/shells/${id}/${path}`);

beforeAll(async () => {
  web = await startOutsideWeb();
  const map = join(folder, 'web.json');
  writeFileSync(map, JSON.stringify(web.map));
  stage = await startStage({ CURRYCOMB_WEB: map });
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  id = await bringIn(page, { package: await course() }, { code: 'HYD 214', ...demoTerm });
  await goTo('comb');
  await clickText(page, 'button', 'Comb HYD 214');
  await waitForText(page, 'Comb again');
});
afterAll(async () => {
  await stage.close();
  await web.close();
  rmSync(folder, { recursive: true, force: true });
  expect(complaints).toEqual([]);
});

test('it is off at first, and says so wherever the answer is missed', async () => {
  await goTo('prove/opening-day');
  await clickText(page, 'a', 'Dead links to the outside: not probed yet');
  await waitForText(page, 'The links to the outside were not probed yet');
  expect(await page.$eval('button.MuiButton-contained', (button) => button.hasAttribute('disabled'))).toBe(
    true,
  );
  expect(web.requests.size).toBe(0);
  expect(await seriousProblems(page)).toEqual([]);
});

test('switched on it asks, and each answer is told apart', async () => {
  await page.click('input[type=checkbox]');
  await page.waitForSelector('button.MuiButton-contained:not([disabled])');
  await clickText(page, 'button', 'Ask the links');
  await waitForText(page, '5 of 9 addresses outside want a look');
  const counts = await page.$$eval('ul[aria-label="What the addresses came to"] button', (buttons) =>
    buttons.map((button) => button.textContent),
  );
  expect(counts).toEqual([
    '9 in all',
    '1 Gone',
    '1 No such host',
    '1 Meeting has ended',
    '2 Moved for good',
    '1 Needs a sign-in',
    '1 Fault at the other end',
    '1 In a private network',
    '1 Answers',
  ]);
  expect(await seriousProblems(page)).toEqual([]);
});

test('every number shows what it counts', async () => {
  await clickText(page, 'ul[aria-label="What the addresses came to"] button', '2 Moved for good');
  await page.waitForFunction(() => document.querySelectorAll('[role=grid] [role=row]').length === 3);
  await waitForText(page, 'It moved for good to http://notes.example/fine/2.');
});

test('the comb that follows knows; links that moved are led on in bulk, dead ones taken out', async () => {
  await waitForText(page, '4 findings');
  await clickText(page, 'a', '4 findings');
  await waitForText(page, 'Week 2');
  await waitForText(page, 'to what moved for good');
  await waitForText(page, 'leads to a meeting that has ended');
});

test('what was asked is not asked again while it counts', async () => {
  const before = web.requests.get('notes.example') ?? 0;
  await goTo('prove/outside');
  await clickText(page, 'button', 'Ask what is new or old');
  await page.waitForFunction(() => document.body?.innerText.includes('Probing'));
  await page.waitForFunction(() => document.body?.innerText.includes('Probing') === false);
  // Only the fault is asked again: it may have passed.
  const asked = (web.requests.get('notes.example') ?? 0) - before;
  expect(asked).toBeGreaterThan(0);
  expect(asked).toBeLessThanOrEqual(6);
});
