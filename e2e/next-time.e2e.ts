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

test('before anything was taken out there is nothing to leave behind', async () => {
  await shell.goTo('prove/next-time');
  await waitForText(page, 'Nothing to leave behind yet');
  expect(await seriousProblems(page)).toEqual([]);
});

test('what was deleted is ticked, kept with the course, and read again', async () => {
  await shell.goTo('comb');
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'Comb again');
  await shell.goTo('decide?check=orphan.empty-grade-category');
  await page.waitForSelector('[data-testid=findings] [role=option]');
  await page.focus('[data-testid=findings]');
  await page.keyboard.press('a');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent !== '0');
  await shell.goTo('rehearse');
  await waitForText(page, 'Step by step');
  await clickText(page, 'button', 'Carry out');
  await waitForText(page, 'Done: ');
  await shell.goTo('prove/next-time');
  await waitForText(page, 'What the next copy of GEO 130 should leave behind');
  expect(await seriousProblems(page)).toEqual([]);
  const all = await page.$$eval('main input[type=checkbox]', (boxes) => boxes.length);
  expect(all).toBeGreaterThan(1);
  await page.click('main input[type=checkbox]');
  await clickText(page, 'button', 'Keep ');
  await waitForText(page, 'kept with GEO 130');
  await shell.goTo('prove/next-time');
  const ticked = await page.$$eval(
    'main input[type=checkbox]',
    (boxes) => boxes.filter((box) => box.checked).length,
  );
  expect(ticked).toBe(all - 1);
});

test('the next shell of the course says what need not be copied into it', async () => {
  await visit(page, `${shell.stage.address}/bring-in`);
  await bringInGeo(page);
  await waitForText(page, 'need not be copied into it');
  await page.click('main a[href$="/prove/next-time"]');
  await waitForText(page, 'not to copy into this course');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Let these go');
  await waitForText(page, 'Nothing to leave behind yet');
});
