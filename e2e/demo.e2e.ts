import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { readShell } from '@/services/do/packages/read-shell';
import type { LocalDate } from '@/core/dates/local-date';
import { clickText, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
const downloads = mkdtempSync(join(tmpdir(), 'currycomb-downloads-'));
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/');
  complaints = await watchPage(page);
});
afterAll(async () => {
  await stage.close();
  rmSync(downloads, { recursive: true, force: true });
});

test('from an empty list to the clean download, without typing anything', async () => {
  await waitForText(page, 'No shell has been brought in yet');
  await clickText(page, 'button', 'Bring in the demo shells');
  await waitForText(page, 'Take 4 demo shells away');
  expect(await seriousProblems(page)).toEqual([]);
  // HYD 214 is combed by itself a moment later; its page says so.
  await clickText(page, 'a', 'HYD 214');
  await page.waitForFunction(
    () => {
      if (document.body?.innerText.includes('What students would notice first')) return true;
      if (document.body?.innerText.includes('Not combed yet')) location.reload();
      return false;
    },
    { timeout: 120_000, polling: 1000 },
  );
  await clickText(page, 'button', 'Delete 86');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent === '86');
  await clickText(page, 'header a', 'Rehearse');
  await clickText(page, 'button', 'Carry out 86');
  await waitForText(page, 'Ledger');
  await clickText(page, 'a', 'See the proof');
  await waitForText(page, 'Take along');
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
  await page.waitForSelector('[data-testid=download-package]');
  await clickText(page, 'a', 'The clean package');
  const file = await arrived(downloads);
  const read = await readShell({
    package: { path: file, name: 'clean.imscc' },
    today: '2027-01-04' as LocalDate,
  });
  expect(read.ok && read.value.shell.items.length).toBe(345 - 86);
  if (read.ok) read.value.archive.close();
});

test('the months of the inventory lead to what was changed in them, by key', async () => {
  const shell = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
  await visit(page, `${stage.address}${shell}/bring-in`);
  const bar = 'a[aria-label^="Dec 2026"][aria-label$="last changed"]';
  await page.waitForSelector(bar);
  expect(await seriousProblems(page)).toEqual([]);
  const label = await page.$eval(bar, (a) => a.getAttribute('aria-label') ?? '');
  const count = /: (\d+) things/.exec(label)?.[1];
  // A link of an SVG is focused in the page: puppeteer focuses elements of HTML only.
  await page.$eval(bar, (a) => a.focus());
  await page.keyboard.press('Enter');
  await waitForText(page, `Last changed in December 2026 ${count}`);
});

test('what was done stays: a start of the demo adds nothing where there are shells', async () => {
  const answer = await fetch(`${stage.address}/api/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: stage.address },
    body: JSON.stringify({ onlyIfEmpty: true }),
  });
  expect(await answer.json()).toEqual({ jobIds: [] });
});

test('the demo shells are taken away together, and can come again', async () => {
  await visit(page, stage.address);
  await clickText(page, 'button', 'Take 4 demo shells away');
  await waitForText(page, 'No shell has been brought in yet');
  await waitForText(page, '4 demo shells taken away');
  await clickText(page, 'main button', 'Bring in the demo shells');
  await waitForText(page, 'Take 4 demo shells away');
  expect(complaints).toEqual([]);
});

/** The first whole file that comes into a folder. */
async function arrived(folder: string): Promise<string> {
  for (;;) {
    const name = existsSync(folder) ? readdirSync(folder).find((n) => n.endsWith('.imscc')) : undefined;
    if (name) return join(folder, name);
    await new Promise((r) => setTimeout(r, 100));
  }
}
