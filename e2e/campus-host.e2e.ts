import type { Page } from 'puppeteer-core';
import { clickText, freshPage, waitForText, visit } from './browser';
import { startDemo, type DemoStage } from './demo-stage';
import { inColours, seriousProblems, watchPage } from './watch-page';

jest.setTimeout(300_000);
let stage: DemoStage;
let page: Page;
let complaints: string[];
let shell = '';
beforeAll(async () => {
  stage = await startDemo('fail=0.1,drop=0.03,stall=400,expire=90,restart=500,slow=4');
  page = await freshPage(stage.browser);
  complaints = await watchPage(page);
});
afterAll(() => stage.close());

const goTo = (path: string) => visit(page, `${shell}/${path}`);
const problemsInBoth = async () => {
  const light = await seriousProblems(page);
  await inColours(page, 'dark');
  const dark = await seriousProblems(page);
  await inColours(page, 'light');
  return [...light, ...dark];
};

test('the demo says both addresses, and how to sign in', () => {
  expect(stage.said).toContain(stage.address);
  expect(stage.said).toContain(stage.hostAddress);
  expect(stage.said).toContain('marsh-marigold');
});

test('a new user signs in to the host and reads BIO 355, though it fails, stalls and signs out', async () => {
  await visit(page, stage.address);
  await clickText(page, 'a', 'Bring in a shell');
  await clickText(page, 'a', 'Read it from there.');
  await waitForText(page, 'Sign in to the host');
  expect(await page.$eval('input[name=address]', (input) => input.value)).toBe(stage.hostAddress);
  await page.type('input[name=name]', 'r.alder');
  await page.type('input[name=secret]', 'wrong');
  await clickText(page, 'button', 'Sign in');
  await waitForText(page, 'does not know this name with this secret');
  expect(await problemsInBoth()).toEqual([]);
  await page.click('input[name=secret]', { count: 3 });
  await page.type('input[name=secret]', 'marsh-marigold');
  await clickText(page, 'button', 'Sign in');
  await clickText(page, 'button', 'Read BIO 355');
  await page.waitForFunction(() => location.pathname.endsWith('/comb'), { timeout: 120_000 });
  shell = page.url().replace(/\/comb$/, '');
  await page.waitForFunction(() => document.body?.innerText.includes('What students would notice first'), {
    timeout: 120_000,
  });
  await goTo('bring-in');
  await waitForText(page, '412 items');
  await waitForText(page, `It stands on ${stage.hostAddress}`);
});

test.each([
  ['module', 'still holds'],
  ['assignment', 'has 24 pieces of student work; hide it instead'],
  ['home-page', 'is the home page in use'],
])('what a guard holds is not deleted from the list of %s either', async (kind, says) => {
  await visit(page, `${shell}/bring-in/contents?kind=${kind}`);
  await page.waitForSelector('[role=grid] [role=row][aria-rowindex="2"]');
  await page.click('[role=row][aria-rowindex="2"]');
  await clickText(page, 'button', 'Delete 1');
  await waitForText(page, 'Held back, and not in the plan');
  await waitForText(page, says);
  expect(await page.$eval('[data-testid=plan-size]', (size) => size.textContent)).toBe('0');
});

test('it is reset there but for one announcement, paused and let go on meanwhile', async () => {
  await goTo('carry-out');
  await clickText(page, 'a', 'reset it');
  await waitForText(page, 'things would go');
  await waitForText(page, 'with student work would go for good');
  await page.type('::-p-aria([name="Exceptions to keep"][role="combobox"])', 'boat house rules');
  await clickText(page, '[role=option]', 'The boat house rules');
  await page.waitForFunction(() => /Type \d+, the things/.test(document.body?.innerText ?? ''));
  await page.type('::-p-aria([name="Type BIO 355 to arm it"])', 'BIO 355');
  const number = await page.evaluate(() => /Type (\d+), the things/.exec(document.body.innerText)?.[1] ?? '');
  expect(Number(number)).toBeGreaterThan(0);
  await page.type(`::-p-aria([name="Type ${number}, the things with student work"])`, number);
  await clickText(page, 'button', 'Rehearse the reset');
  await waitForText(page, 'would lose student work for good');
  await waitForText(page, 'Returns as new'.toLowerCase());
  expect(await problemsInBoth()).toEqual([]);
  await clickText(page, 'button', 'Carry out');
  await waitForText(page, 'Carrying out on the host');
  await clickText(page, 'button', 'Pause');
  await waitForText(page, 'The run is paused');
  expect(await problemsInBoth()).toEqual([]);
  // Leaving the page, and coming back to it, changes nothing.
  await visit(page, stage.address);
  await goTo('carry-out');
  await clickText(page, 'button', 'Go on');
  await page.waitForFunction(() => document.body?.innerText.includes('Empty except for what stays'), {
    timeout: 120_000,
  });
  await waitForText(page, 'Read back from the host: all is as rehearsed.');
  await waitForText(page, 'Met and overcome');
  expect(await problemsInBoth()).toEqual([]);
});

test('the ledger is searched and taken along; restore points are weighed', async () => {
  await goTo('carry-out/ledger?find=failed');
  await waitForText(page, 'in the ledger');
  expect(await problemsInBoth()).toEqual([]);
  const csv = await page.evaluate(async () => {
    const link = [...document.querySelectorAll('a')].find((a) => a.textContent === 'Take along as CSV');
    return (await fetch(link?.href ?? '')).text();
  });
  expect(csv.split('\r\n')[0]).toBe('run,at,what,action,outcome,titles,refs,reason');
  expect(csv).toMatch(/failed \(50\d\)/);
  await goTo('carry-out/restore-points');
  await waitForText(page, '2 restore points');
  await waitForText(page, 'of it its own');
  expect(await problemsInBoth()).toEqual([]);
});

test('taken back, all of it is there again; then a restore point is thrown away by two presses', async () => {
  await goTo('carry-out');
  await clickText(page, 'button', 'Take back this run');
  await waitForText(page, 'Taking back on the host');
  await page.waitForFunction(() => document.body?.innerText.includes('Taken back on the host'), {
    timeout: 120_000,
  });
  await goTo('bring-in');
  await waitForText(page, '412 items');
  await page.waitForFunction(() => document.body?.innerText.includes('% smooth'));
  await goTo('carry-out/restore-points');
  await clickText(page, 'button', 'Throw away');
  await clickText(page, 'button', 'Throw away for good');
  await waitForText(page, '· thrown away');
});

test('the host is forgotten, but not while a shell stands on it', async () => {
  await visit(page, `${stage.address}/bring-in/from-host`);
  await clickText(page, 'button', 'Forget');
  await waitForText(page, 'BIO 355 stands on this host; remove it from the list of shells first.');
  expect(await seriousProblems(page)).toEqual([]);
  expect(await page.$$eval('main ul li', (hosts) => hosts.length)).toBe(1);
});

test('what can’t be done there stands in the work order, is ticked, and nothing complained', async () => {
  await goTo('carry-out/work-order');
  await waitForText(page, 'Nothing is left to be done by hand');
  expect(await problemsInBoth()).toEqual([]);
  // The browser tells of the sign-in that was refused.
  expect(complaints.filter((one) => !one.includes('/api/hosts'))).toEqual([]);
});
