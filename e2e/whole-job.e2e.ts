import { existsSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { readShell } from '@/services/do/packages/read-shell';
import type { LocalDate } from '@/core/dates/local-date';
import { bringInDemo, clickText, startStage, waitForText, type Stage, visit } from './browser';
import { inColours, seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
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

const heading = () => page.$eval('h1', (h) => (h as HTMLElement).innerText);
const goTo = async (stageKey: string) => {
  await visit(page, `${stage.address}/shells/${id}/${stageKey}`);
};

test('an empty list says what to do next', async () => {
  await waitForText(page, 'No shell has been brought in yet');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'a', 'Bring in a shell');
  await waitForText(page, 'Drop the package here');
  expect(await seriousProblems(page)).toEqual([]);
});

test('the demo package, its calendars and its status sheet come in', async () => {
  id = await bringInDemo(page);
  await waitForText(page, 'Intake report');
  expect(await heading()).toBe('345 items, 443 files, 120 events');
  expect(await seriousProblems(page)).toEqual([]);
  // Every number is a way in.
  await clickText(page, 'a', '443');
  await page.waitForFunction(() => document.querySelector('h1')?.innerText.startsWith('Files'));
  expect(await heading()).toBe('Files 443');
  await goTo('comb');
});

test('combing shows the whole shell and the batches', async () => {
  await clickText(page, 'button', 'Comb HYD 214');
  await waitForText(page, 'What students would notice first');
  expect(await heading()).toBe('96 events with an old meeting link, and 90 items stand twice');
  expect(await seriousProblems(page)).toEqual([]);
  const coat = await page.waitForSelector('[role=group][aria-label^="The Coat"]');
  await coat!.focus();
  await page.keyboard.press('Home');
  await page.waitForFunction(() =>
    document
      .querySelector('[role=group][aria-label^="The Coat"] [role=status]')
      ?.textContent?.includes('Alder Bridge'),
  );
});

test('the stale events are gone in at most four clicks from the Comb stage', async () => {
  let clicks = 0;
  const click = async (selector: string, words: string) => {
    clicks += 1;
    await clickText(page, selector, words);
  };
  // Deleting events is a matter of judgement: before its evidence was opened the batch can't be taken.
  expect(
    await page.$$eval('button', (all) => all.find((b) => b.innerText.startsWith('Delete 96'))?.disabled),
  ).toBe(true);
  await click('button', 'Look');
  await click('button', 'Delete 96');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent === '96');
  await click('header a', 'Rehearse');
  await waitForText(page, 'Step by step');
  expect(await heading()).toBe('96 things would go, and no link would break');
  await click('button', 'Carry out 96');
  await waitForText(page, 'Ledger');
  expect(await heading()).toBe('Done: 96 events are gone');
  expect(clicks).toBeLessThanOrEqual(4);
  expect(await seriousProblems(page)).toEqual([]);
});

test('the rest is decided on the workbench, with keys alone', async () => {
  await goTo('decide?family=duplicate');
  await page.waitForSelector('[data-testid=findings]');
  await waitForText(page, 'Equal in content');
  expect(await seriousProblems(page)).toEqual([]);
  await page.focus('[data-testid=findings]');
  await page.keyboard.press('a');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent === '86');
  // Two chosen at once, then left be.
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await waitForText(page, '2 chosen');
  await page.keyboard.press('l');
  await waitForText(page, 'Left be 2');
  await goTo('decide?state=left-be');
  await waitForText(page, 'Open 1 again');
  await page.focus('[data-testid=findings]');
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.press('u');
  await waitForText(page, 'Left be 0');
});

test('two equal pages stand side by side, with the reason why one stays', async () => {
  await goTo('decide?family=duplicate&urgency=look-at');
  await clickText(page, '[role=option]', '“Reading the staff gauge (2)” says the same');
  await page.waitForFunction(() => document.querySelectorAll('[data-fate]').length === 2);
  expect(
    await page.$$eval('[data-fate] header', (all) => all.map((h) => h.innerText.replace(/\n/g, ' '))),
  ).toEqual(['Reading the staff gauge stays', 'Reading the staff gauge (2) keep this one goes']);
  await waitForText(page, 'students can see it');
});

test('files, duplicates and empty modules: rehearsed, carried out, proved', async () => {
  await goTo('comb');
  await clickText(page, 'button', 'Delete 109');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent === '195');
  await clickText(page, 'button', 'Delete 2');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent === '197');
  await goTo('rehearse');
  await waitForText(page, 'Step by step');
  expect(await heading()).toBe('197 things would go, and no link would break');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Carry out 197');
  await waitForText(page, 'Done: 88 items and 109 files are gone');
  await clickText(page, 'a', 'See the proof');
  await waitForText(page, 'Findings by family');
  expect(await heading()).toMatch(/^\d+ % smooth before, 9\d % now$/);
  expect(await seriousProblems(page)).toEqual([]);
});

test('the clean package downloads and is what the proof says', async () => {
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
  await clickText(page, 'a', 'The clean package');
  const file = join(downloads, 'HYD-214.imscc');
  for (let i = 0; i < 100 && !(existsSync(file) && statSync(file).size > 0); i += 1)
    await new Promise((r) => setTimeout(r, 100));
  expect(readdirSync(downloads)).toEqual(['HYD-214.imscc']);
  const read = await readShell({ package: { path: file, name: 'x' }, today: '2027-01-04' as LocalDate });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  expect([read.value.shell.items.length, read.value.shell.files.length, read.value.shell.code]).toEqual([
    257,
    334,
    'HYD 214',
  ]);
  const events = await page.evaluate(
    async (path) => (await (await fetch(path)).text()).match(/BEGIN:VEVENT/g)?.length,
    `/api/shells/${id}/export?what=events`,
  );
  expect(events).toBe(24);
});

test('the whole run is taken back, and then the one before it', async () => {
  await goTo('carry-out');
  await clickText(page, 'button', 'Take back this run (197');
  await waitForText(page, 'The last run was taken back: all is as before');
  await clickText(page, 'button', 'Take back this run (96');
  await page.waitForFunction(() => document.body?.innerText.match(/taken back\n/g)?.length === 2);
  await goTo('bring-in');
  expect(await heading()).toBe('345 items, 443 files, 120 events');
});

test('dark colours and double size keep everything readable', async () => {
  await inColours(page, 'dark');
  for (const at of ['comb', 'decide', 'bring-in']) {
    await goTo(at);
    await page.waitForSelector('h1');
    expect([at, await seriousProblems(page)]).toEqual([at, []]);
  }
  await inColours(page, 'light');
  // 200 % zoom of a 1280 pixel window leaves 640 CSS pixels (WCAG 2.2, 1.4.4).
  await page.setViewport({ width: 640, height: 400, deviceScaleFactor: 2 });
  for (const at of ['comb', 'decide', 'prove']) {
    await goTo(at);
    await page.waitForSelector('h1');
    expect([
      at,
      await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth + 1),
    ]).toEqual([at, true]);
  }
  await page.setViewport({ width: 1280, height: 800 });
});

test('the pages had nothing to complain about', () => {
  expect(complaints).toEqual([]);
});
