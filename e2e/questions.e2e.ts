import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { bringInDemo, clickText, startStage, waitForText, type Stage, visit } from './browser';
import { inColours, seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
const folder = mkdtempSync(join(tmpdir(), 'currycomb-questions-'));
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  id = await bringInDemo(page);
  await visit(page, `${stage.address}/shells/${id}/comb`);
  await clickText(page, 'button', 'Comb HYD 214');
  await waitForText(page, 'What students would notice first');
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await stage.close();
});

const decide = (query = '') => visit(page, `${stage.address}/shells/${id}/decide${query}`);
const chipSays = (words: string) =>
  page
    .waitForFunction(
      (text) => [...document.querySelectorAll('button')].some((b) => b.textContent?.trim() === text),
      {},
      words,
    )
    .catch(async () => {
      throw new Error(
        `No chip says “${words}”. ${await page.evaluate(() => document.body.innerText.slice(0, 500))}`,
      );
    });
let clicks = 0;
const click = async (selector: string, words: string) => {
  clicks += 1;
  await clickText(page, selector, words);
};

test('a finding is asked by one key, put off by another, and the counts agree', async () => {
  await decide('?family=orphan');
  await page.waitForSelector('[role=option]');
  await page.focus('[data-testid=findings]');
  await page.keyboard.press('q');
  await chipSays('Asked 1');
  await page.keyboard.press('w');
  await chipSays('Later 1');
  await page.reload({ waitUntil: 'load' });
  await chipSays('Asked 1');
  await chipSays('Later 1');
  await decide();
  await page.waitForSelector('[role=option]');
  const open = await page.$$eval('button', (all) =>
    Number(
      /^Open (\d+)$/.exec(
        all.find((b) => /^Open \d+$/.test(b.textContent?.trim() ?? ''))?.textContent?.trim() ?? '',
      )?.[1],
    ),
  );
  await waitForText(page, `${open} open`);
  await clickText(page, 'button', 'Later');
  await clickText(page, 'button', 'Open again');
  await page.waitForFunction(
    () => ![...document.querySelectorAll('button')].some((b) => b.textContent?.trim() === 'Later 1'),
  );
});

test('fifty findings are decided by keys alone, one each', async () => {
  await decide('?family=orphan&urgency=tidy');
  await page.waitForSelector('[role=option]');
  const before = Number(await page.$eval('[data-testid=plan-size]', (e) => e.textContent));
  await page.focus('[data-testid=findings]');
  for (let n = 0; n < 50; n += 1) await page.keyboard.press(n % 5 === 4 ? 'l' : 'a');
  await chipSays('Left be 10');
  await page.waitForFunction(
    (n) => Number(document.querySelector('[data-testid=plan-size]')?.textContent) > n,
    {},
    before,
  );
});

test('a finding is left be with a reason, which its list says from then on', async () => {
  await decide('?family=duplicate');
  await page.waitForSelector('[role=option]');
  await clickText(page, 'button', 'because …');
  await page.waitForSelector('form input');
  await page.type('form input', 'both are needed');
  await page.keyboard.press('Enter');
  await chipSays('Left be 1');
  await clickText(page, 'button', 'Left be');
  await waitForText(page, 'both are needed');
  await page.reload({ waitUntil: 'load' });
  await waitForText(page, 'both are needed');
});

test('the sheet goes out, is answered in a browser without Currycomb, and comes back in eight clicks', async () => {
  await decide('?state=asked');
  await page.waitForSelector('[role=option]');
  clicks = 1;
  await click('a', 'Question sheet');
  await waitForText(page, '1 question for the owner');
  expect(await seriousProblems(page)).toEqual([]);
  clicks += 1;
  const html = await page.evaluate(
    (shell) => fetch(`/api/shells/${shell}/questions`).then((r) => r.text()),
    id,
  );
  const sheet = join(folder, 'sheet.html');
  writeFileSync(sheet, html);
  const owner = await page.browser().newPage();
  await visit(owner, `file://${sheet}`);
  expect(await seriousProblems(owner)).toEqual([]);
  await owner.evaluate(
    `globalThis.saved = null; URL.createObjectURL = (blob) => { blob.text().then((text) => { globalThis.saved = text; }); return '#'; };`,
  );
  await owner.click('input[value=yes]');
  await owner.type('textarea', 'not since <2024>');
  await owner.click('#save');
  clicks += 2;
  await owner.waitForFunction('globalThis.saved !== null');
  const answered = join(folder, 'answered.html');
  writeFileSync(answered, String(await owner.evaluate('globalThis.saved')));
  await owner.close();
  const input = await page.waitForSelector('[data-testid=answers-file]');
  await (input as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(answered);
  clicks += 1;
  await waitForText(page, 'not since <2024>');
  await waitForText(page, '1 finding accepted');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'dark');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'light');
  await click('button', 'Take 1 answer');
  expect(clicks).toBeLessThanOrEqual(8);
  await waitForText(page, '1 answer taken');
  await waitForText(page, 'Nothing waits for the owner.');
});

test('a file that is no sheet is refused with one sentence', async () => {
  const wrong = join(folder, 'wrong.csv');
  writeFileSync(wrong, 'a,b\n1,2\n');
  const input = await page.waitForSelector('[data-testid=answers-file]');
  await (input as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(wrong);
  await waitForText(page, 'This table has no columns');
});

test('the pages had nothing to complain about', () => {
  // The file that is no sheet was refused.
  expect(complaints.filter((complaint) => !complaint.includes('422'))).toEqual([]);
});
