import { spawn } from 'node:child_process';
import type { Page } from 'puppeteer-core';
import { type Stage, bringInDemo, clickText, freePort, startStage, waitForText, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  id = await bringInDemo(page);
});
afterAll(() => stage.close());

const goTo = (stageKey: string) => visit(page, `${stage.address}/shells/${id}/${stageKey}`);
const text = () => page.evaluate(() => document.body.innerText);

test('combing is found again by a page that comes back, and is not started twice', async () => {
  await goTo('comb');
  await clickText(page, 'button', 'Comb HYD 214');
  await goTo('bring-in');
  await goTo('comb');
  await waitForText(page, 'What students would notice first');
  const jobs = await page.evaluate(
    (shell) => fetch(`/api/shells/${shell}/jobs?kind=comb`).then((r) => r.json()),
    id,
  );
  expect(jobs).toEqual({ job: null });
});

test('a decision changes the counts of the frame at once, and can be taken back', async () => {
  await visit(page, `${stage.address}/shells/${id}/decide?family=orphan`);
  await page.waitForSelector('[role=option]');
  const size = () => page.$eval('[data-testid=plan-size]', (e) => e.textContent);
  expect(await size()).toBe('0');
  await page.focus('[data-testid=findings]');
  await page.keyboard.press('a');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent === '1');
  await clickText(page, 'button', 'In the plan');
  await clickText(page, 'button', 'Take 1 out of the plan');
  await page.waitForFunction(() => document.querySelector('[data-testid=plan-size]')?.textContent === '0');
  await page.reload({ waitUntil: 'load' });
  expect(await size()).toBe('0');
});

test('one step of a run is taken back alone, then the rest of it', async () => {
  await goTo('comb');
  await page.waitForSelector('[aria-labelledby=batches]');
  await page.evaluate(async (shell) => {
    const send = (path: string, body: unknown) =>
      fetch(`/api/shells/${shell}${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
    for (const title of ['First', 'Second'])
      await send('/plan', {
        edit: 'add',
        step: { action: 'add', targets: [title], params: { kind: 'module', titles: { [title]: title } } },
      });
  }, id);
  await goTo('rehearse');
  await clickText(page, 'button', 'Carry out 2 changes');
  await page.waitForFunction(() => /\/(prove|carry-out)$/.test(location.pathname), { timeout: 120_000 });
  await goTo('carry-out');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'td button', 'Take back 1');
  await waitForText(page, 'Taken back: Add');
  await clickText(page, 'button', 'Take back this run');
  await waitForText(page, 'The last run was taken back');
});

test('a shell is removed only where its code was typed', async () => {
  await visit(page, stage.address);
  await clickText(page, 'button', 'Remove');
  await page.waitForSelector('[role=dialog]');
  expect(await seriousProblems(page)).toEqual([]);
  await page.keyboard.type('HYD 21');
  expect(await page.$eval('[role=dialog] [type=submit]', (b) => (b as HTMLButtonElement).disabled)).toBe(
    true,
  );
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  await waitForText(page, 'No shell has been brought in yet');
  expect(await text()).toContain('HYD 214 was removed.');
});

test('a second server on the same folder says so in one sentence and ends', async () => {
  const other = spawn('node', ['dist/server.mjs', '--port', String(await freePort())], {
    env: { ...process.env, CURRYCOMB_DATA: stage.dataDir, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  other.stderr.on('data', (block: Buffer) => (said += block.toString()));
  const code = await new Promise((resolve) => other.once('exit', resolve));
  expect(code).toBe(1);
  expect(said).toMatch(/Another Currycomb \(process \d+\) already uses the folder .*CURRYCOMB_DATA\./);
  await page.reload({ waitUntil: 'load' });
  await waitForText(page, 'No shell has been brought in yet');
});

test('the pages had nothing to complain about', () => {
  expect(complaints).toEqual([]);
});
