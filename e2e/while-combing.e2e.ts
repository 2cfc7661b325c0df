import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { writeGenerated } from './generated-package';
import { bringIn, demoTerm, waitForText } from './browser';
import { startWithShell, type ShellStage } from './shell-stage';
import { seriousProblems } from './watch-page';

/** Large enough that its combing takes some seconds: long enough to be met under way. */
const items = 5_000;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-while-combing-'));
let shell: ShellStage;
let page: Page;
beforeAll(async () => {
  const { package: file } = await writeGenerated(items, join(folder, 'large'));
  shell = await startWithShell((at) => bringIn(at, { package: file }, { code: 'LAR 500', ...demoTerm }));
  ({ page } = shell);
});
afterAll(async () => {
  await shell.close();
  rmSync(folder, { recursive: true });
});

const orderComb = () =>
  page.evaluate(async (id) => {
    const response = await fetch(`/api/shells/${id}/comb`, { method: 'POST', body: '{}' });
    return response.ok;
  }, shell.id);

test('findings of a shell that was never combed: what is missing is said', async () => {
  await shell.goTo('decide');
  await waitForText(page, 'There is nothing to decide yet');
  expect(await page.$eval('main a[href$="/comb"]', (link) => link.textContent)).toBe('Comb the shell');
  expect(await seriousProblems(page)).toEqual([]);
});

test('findings opened while the shell is combed: how far that is, then the findings, without a reload', async () => {
  expect(await orderComb()).toBe(true);
  await shell.goTo('decide');
  await waitForText(page, 'The shell is being combed');
  expect(await page.$eval('main [role=progressbar]', (bar) => bar.getAttribute('aria-label'))).toBe(
    'Combing',
  );
  await page.evaluate(() => document.documentElement.setAttribute('data-same-page', ''));
  await page.waitForSelector('[data-testid=findings] [role=option]', { timeout: 120_000 });
  expect(await page.$('html[data-same-page]')).not.toBeNull();
});
