import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { bringIn, clickText, demoTerm, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-compare-'));
let stage: Stage;
let page: Page;
let complaints: string[];
let copy: string;

async function course(name: string, weeks: readonly number[]): Promise<string> {
  const c = new ShellComposer();
  for (const n of weeks) {
    const text = `<p>In week ${n} we measure the stream at gauge ${n} and write down what we see there.</p>`;
    c.page(`Week ${n}`, text, { ref: `w${n}`, path: `w${n}.html` });
  }
  const path = join(folder, `${name}.imscc`);
  await c.write(path);
  return path;
}
const goTo = (path: string) => visit(page, `${stage.address}/shells/${copy}/${path}`);

beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  copy = await bringIn(
    page,
    { package: await course('copy', [3, 1, 2, 5]) },
    { code: 'HYD 214', ...demoTerm },
  );
});
afterAll(async () => {
  await stage.close();
  rmSync(folder, { recursive: true, force: true });
  expect(complaints).toEqual([]);
});

test('a shell that stands alone has nothing to be compared with, and says what to do', async () => {
  await goTo('prove/compare');
  await waitForText(page, 'There is no other shell in the list');
  await visit(page, `${stage.address}/bring-in`);
  await bringIn(page, { package: await course('source', [1, 2, 3, 4]) }, { code: 'HYD 200', ...demoTerm });
});

test('two shells are compared, and every number leads to what it counts', async () => {
  await goTo('prove/compare');
  await page.click('[role=combobox]');
  await clickText(page, '[role=option]', 'HYD 200');
  await page.waitForSelector('[role=listbox]', { hidden: true });
  await clickText(page, 'button', 'Compare');
  await waitForText(page, 'Missing here, compared with HYD 200');
  await waitForText(page, 'Week 4');
  expect(await seriousProblems(page)).toEqual([]);
  await page.click('button[aria-label^="Only here"]');
  await waitForText(page, 'Only here, compared with HYD 200');
  await waitForText(page, 'Week 5');
});

test('the other’s order becomes steps of the plan, and is taken back from there', async () => {
  await page.click('button[aria-label^="In another order"]');
  await waitForText(page, '1st of 3 instead of 3rd');
  await clickText(page, 'button', 'Take its order');
  await waitForText(page, 'In the plan: sort');
  await clickText(page, 'button', 'Undo');
});

test('what is missing is held against the shell, where it can be ticked and added', async () => {
  await page.click('button[aria-label^="Missing here"]');
  await clickText(page, 'button', 'Choose what to bring over');
  await page.waitForFunction(() => location.pathname.endsWith('/bring-in/add'));
  await waitForText(page, 'Week 4');
  await waitForText(page, 'HYD 200');
});

test('against several, what drifted stands thing by thing', async () => {
  await visit(page, `${stage.address}/bring-in`);
  await bringIn(page, { package: await course('other', [1, 2, 5]) }, { code: 'HYD 201', ...demoTerm });
  await goTo('prove/compare');
  await page.click('[role=combobox]');
  await clickText(page, '[role=option]', 'HYD 201');
  await page.waitForSelector('[role=listbox]', { hidden: true });
  await clickText(page, 'button', 'Compare');
  await waitForText(page, 'Thing by thing');
  await waitForText(page, '2 of 2');
  expect(await seriousProblems(page)).toEqual([]);
});
