import type { Page } from 'puppeteer-core';
import { clickText, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let shell: string;
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/');
  complaints = await watchPage(page);
  await clickText(page, 'button', 'Bring in the demo shells');
  await waitForText(page, 'Take 4 demo shells away');
  await clickText(page, 'a', 'HYD 214');
  await page.waitForFunction(() => location.pathname.startsWith('/shells/'));
  shell = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
});
afterAll(() => stage.close());

const planSize = () => page.$eval('[data-testid=plan-size]', (e) => Number(e.textContent));
const planBecomes = (size: number) =>
  page.waitForFunction(
    (n) => document.querySelector('[data-testid=plan-size]')?.textContent === String(n),
    {},
    size,
  );
const contents = (query: string) => visit(page, `${stage.address}${shell}/bring-in/contents?${query}`);

test('what a filter shows is chosen by key, all of it, and hidden in one step', async () => {
  await contents('kind=page');
  await waitForText(page, 'Items of the kind “page”');
  await page.type('main input', 'at a glance');
  await page.waitForFunction(() => /^\d+ of 126$/m.test(document.body?.innerText ?? ''));
  const shown = await page.$eval('[role=status]', (e) => Number(/^(\d+) of/.exec(e.textContent ?? '')?.[1]));
  expect(shown).toBeGreaterThan(10);
  await page.focus('[role=grid]');
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await waitForText(page, `${shown} of ${shown} chosen`);
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', `Hide ${shown}`);
  await waitForText(page, `In the plan: hide ${shown} things.`);
  await planBecomes(shown);
  await clickText(page, 'button', 'Undo');
  await planBecomes(0);
});

test('a range is chosen with Shift; what a guard holds back is said and stays outside the plan', async () => {
  await contents('kind=module');
  await page.waitForSelector('[role=grid]');
  await page.focus('[role=grid]');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await page.keyboard.down('Shift');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.up('Shift');
  await waitForText(page, '2 of 27 chosen');
  await clickText(page, 'button', 'Delete 2');
  await waitForText(page, 'Held back, and not in the plan');
  await waitForText(page, '“Week 1: Reading a stream” still holds');
  expect(await planSize()).toBe(0);
  await clickText(page, 'button', 'Hide 2');
  await planBecomes(2);
});

test('a large file of the inventory leads to itself; files sort by their size, and go', async () => {
  await visit(page, `${stage.address}${shell}/bring-in`);
  await clickText(page, 'a', 'hand-outs/removed-weeks/hand-out-61.txt');
  await waitForText(page, '1 of 443');
  await contents('kind=files');
  await page.waitForSelector('[role=grid]');
  await clickText(page, '[role=columnheader] button', 'More');
  await clickText(page, '[role=columnheader] button', 'More');
  const first = await page.$eval('[role=row][aria-rowindex="2"]', (e) => (e as HTMLElement).innerText);
  expect(first).toContain('hand-out-61.txt');
  await page.click('[role=row][aria-rowindex="2"]');
  await clickText(page, 'button', 'Delete 1');
  await planBecomes(3);
});

test('a finding about many things is decided for some of them', async () => {
  await visit(page, `${stage.address}${shell}/decide?family=calendar`);
  await waitForText(page, 'Lab section A');
  await page.waitForSelector('[data-testid=evidence] tbody input[type=checkbox]');
  const boxes = await page.$$('[data-testid=evidence] tbody input[type=checkbox]');
  for (const box of boxes.slice(0, 2)) await box.click();
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Delete 30 of 32');
  await planBecomes(33);
});

test('the plan is a list, and any step of it can be taken out', async () => {
  await visit(page, `${stage.address}${shell}/rehearse/plan`);
  await waitForText(page, '3 steps, 33 changes');
  await waitForText(page, 'Week 1: Reading a stream, Week 2: Safety in and beside water');
  expect(await seriousProblems(page)).toEqual([]);
  await page.click('[role=row][aria-rowindex="2"]');
  await clickText(page, 'button', 'Take 1 step out');
  await waitForText(page, '2 steps, 31 changes');
  await planBecomes(31);
  await clickText(page, 'main a', 'See what it would do');
  await waitForText(page, 'Carry out 31 changes');
  expect(complaints).toEqual([]);
});
