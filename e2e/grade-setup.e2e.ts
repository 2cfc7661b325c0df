import type { Page } from 'puppeteer-core';
import { bringInGeo, clickText, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
});
afterAll(() => stage.close());

test('eight empty grade categories are gone in at most three clicks from the Comb stage', async () => {
  id = await bringInGeo(page);
  await visit(page, `${stage.address}/shells/${id}/comb`);
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'empty grade categories');
  expect(await seriousProblems(page)).toEqual([]);
  let clicks = 0;
  const click = async (selector: string, words: string) => {
    clicks += 1;
    await clickText(page, selector, words);
  };
  // Empty and without weight: nothing is lost, so the batch may be taken without a look.
  await click('button', 'Delete 8');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent === '8');
  await click('header a', 'Rehearse');
  await waitForText(page, '8 things would go, and no link would break');
  await waitForText(page, '8 of the grade setup and banks go');
  await click('button', 'Carry out 8');
  await waitForText(page, 'Done: 8 grade categories are gone');
  expect(clicks).toBeLessThanOrEqual(3);
});

test('the evidence of a category and of a bank can be looked at', async () => {
  await visit(page, `${stage.address}/shells/${id}/decide?family=orphan&urgency=tidy`);
  await waitForText(page, 'No quiz draws on the question bank “converted-bank-1”');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, '[role=option]', 'No quiz draws on');
  await waitForText(page, 'Quizzes that draw on it');
  await waitForText(page, '4 questions');
});

test('the grade setup goes out without them', async () => {
  const rows = await page.evaluate(
    async (shell) =>
      new Uint8Array(await (await fetch(`/api/shells/${shell}/export?what=grades`)).arrayBuffer()).length,
    id,
  );
  expect(rows).toBeGreaterThan(200);
  await visit(page, `${stage.address}/shells/${id}/bring-in`);
  await clickText(page, 'a', '24');
  await waitForText(page, 'Your map');
  expect(await page.evaluate(() => document.body?.innerText.includes('Sum of everything'))).toBe(false);
  expect(complaints).toEqual([]);
});
