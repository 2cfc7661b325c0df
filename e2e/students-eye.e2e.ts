import type { Page } from 'puppeteer-core';
import { bringInGeo, clickText, waitForAddress, waitForText } from './browser';
import { startWithShell, type ShellStage } from './shell-stage';
import { seriousProblems } from './watch-page';

let shell: ShellStage;
let page: Page;
beforeAll(async () => {
  shell = await startWithShell(bringInGeo);
  ({ page } = shell);
});
afterAll(() => shell.close());

const waitForHeading = (text: string) =>
  page.waitForFunction((title) => document.querySelector('main h1')?.textContent === title, {}, text);
const rowCount = (list: string) =>
  page.$$eval(
    'main [role=group] button',
    (buttons, name) =>
      Number(
        /[\d,]+$/.exec(buttons.find((b) => b.textContent.startsWith(name))?.textContent ?? '')?.[0] ?? NaN,
      ),
    list,
  );

test('before a shell is combed nothing is claimed of opening day or of students', async () => {
  await shell.goTo('prove/opening-day');
  await waitForText(page, 'Not combed yet');
  await waitForText(page, 'Nothing was asked of this shell yet');
  await shell.goTo('prove/student');
  await waitForText(page, 'What students get is worked out while a shell is combed');
  await clickText(page, 'a', 'Comb GEO 130');
  await page.waitForFunction(() => location.pathname.endsWith('/comb'));
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'Comb again');
});

test('each line of opening day says what stands in the way, and leads there', async () => {
  await shell.goTo('prove/opening-day');
  await waitForText(page, 'in the way of opening day');
  expect(await seriousProblems(page)).toEqual([]);
  // What needs the outside is not claimed.
  expect(await page.$eval('[data-line=outside-links]', (line) => line.textContent)).toContain(
    'not probed yet',
  );
  const said = await page.$eval('[data-line=links] a', (link) => Number(link.textContent.split(' ')[0]));
  expect(said).toBeGreaterThan(0);
  await page.click('[data-line=links] a');
  await page.waitForFunction(() => location.search.includes('check=orphan.broken-link'));
  await waitForText(page, `${said} `);
  await page.waitForSelector('[data-testid=findings] [role=option]');
});

test('the student’s eye is moved through the term by key, and says what it sees', async () => {
  await shell.goTo('prove/student?day=2027-02-03');
  await waitForText(page, 'What students get on Wednesday, 3 February 2027');
  expect(await seriousProblems(page)).toEqual([]);
  await page.focus('input[type=range]');
  await page.keyboard.press('ArrowRight');
  await waitForHeading('What students get on Thursday, 4 February 2027');
  await waitForAddress(page, 'day=2027-02-04');
  await page.keyboard.press('End');
  await waitForHeading('What students get on Sunday, 9 May 2027');
  await page.click('ol[aria-label="Weeks of the term"] li:first-child button');
  await waitForHeading('What students get on Monday, 11 January 2027');
});

test('what students get, what differs and dead ends are lists that lead on', async () => {
  const seen = await rowCount('What they get');
  expect(seen).toBeGreaterThan(20);
  await clickText(page, '[role=group] button', 'What you see and they don’t');
  await waitForAddress(page, 'show=differs');
  await clickText(page, '[role=group] button', 'Dead ends');
  const ends = await rowCount('Dead ends');
  expect(ends).toBeGreaterThan(0);
  expect(await page.$$eval('[data-testid=eye-list] [role=option]', (rows) => rows.length)).toBeGreaterThan(0);
  await waitForText(page, 'which is not in the shell');
  expect(await seriousProblems(page)).toEqual([]);
});

test('a page is shown as students see it, in a frame in which nothing runs', async () => {
  await clickText(page, '[role=group] button', 'What they get');
  await page.focus('[data-testid=eye-list]');
  for (let n = 0; n < 40; n += 1) {
    await page.keyboard.press('ArrowDown');
    if (await page.$('main aside iframe')) break;
    await new Promise((resolve) => setTimeout(resolve, 80));
  }
  const sandbox = await page.$eval('main aside iframe', (frame) => frame.getAttribute('sandbox'));
  expect(sandbox).toBe('allow-same-origin');
});
