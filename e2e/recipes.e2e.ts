import type { Page } from 'puppeteer-core';
import { bringInGeo, clickText, waitForText, visit } from './browser';
import { startWithShell, type ShellStage } from './shell-stage';
import { seriousProblems } from './watch-page';

let shell: ShellStage;
let page: Page;
beforeAll(async () => {
  shell = await startWithShell(bringInGeo);
  ({ page } = shell);
});
afterAll(() => shell.close());

const heading = (words: string) => waitForText(page, words);

test('a recipe is chosen for a shell, and its first step is where the work begins', async () => {
  await clickText(page, 'a', 'follow a recipe');
  await heading('What is GEO 130 to become?');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Take over: 7 steps');
  await heading('Take over: 0 of 7 done');
  await waitForText(page, 'Next: Comb it.');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'a', 'Comb it');
  await page.waitForFunction(() => location.pathname.endsWith('/comb'));
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'Comb again');
});

test('left and come back to, it knows what was done; the list of shells says how far it is', async () => {
  await visit(page, shell.stage.address);
  await clickText(page, 'a', 'Take over, ');
  await page.waitForFunction(() => location.pathname.endsWith('/recipe'));
  await heading('of 7 done');
  expect(await page.$eval('[data-step=comb]', (line) => line.getAttribute('data-done'))).toBe('true');
  expect(await page.$eval('[data-step=links]', (line) => line.getAttribute('data-done'))).toBe('false');
});

test('what only a person can say is ticked by hand, and a recipe is let go of', async () => {
  await clickText(page, 'button', 'Let the recipe go');
  await clickText(page, 'button', 'Make ready: 7 steps');
  await clickText(page, '[data-step=as-student] button', 'I have done it');
  await page.waitForSelector('[data-step=as-student][data-done=true]');
  await clickText(page, '[data-step=as-student] button', 'Not done yet');
  await page.waitForSelector('[data-step=as-student][data-done=false]');
  const odd = await fetch(`${shell.stage.address}/api/shells/${shell.id}/recipe`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: shell.stage.address },
    body: JSON.stringify({ edit: 'tick', step: 'comb', isDone: true }),
  });
  expect(odd.status).toBe(422);
});
