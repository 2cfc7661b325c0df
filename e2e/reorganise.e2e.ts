import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { bringIn, clickText, startStage, waitForText, type Stage, visit } from './browser';
import { inColours, seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
const folder = mkdtempSync(join(tmpdir(), 'currycomb-reorganise-'));
const demo = 'demo/out/hyd-214';
const term = { termStart: '2027-01-11', termEnd: '2027-05-07', asOf: '2027-01-04' };
const oldTerm = { previousTermStart: '2025-08-25', previousTermEnd: '2025-12-12' };
const flags = [
  ...['--events', `${demo}/events.ics`, '--previous-events', `${demo}/previous-events.ics`],
  ...['--status', `${demo}/status.csv`, '--code', 'HYD 214', '--as-of', term.asOf],
  ...['--term-start', term.termStart, '--term-end', term.termEnd],
  ...['--previous-term-start', oldTerm.previousTermStart, '--previous-term-end', oldTerm.previousTermEnd],
];

beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  const files = {
    package: 'HYD-214.imscc',
    events: 'events.ics',
    previousEvents: 'previous-events.ics',
    status: 'status.csv',
  };
  const paths = Object.fromEntries(Object.entries(files).map(([slot, name]) => [slot, `hyd-214/${name}`]));
  id = await bringIn(page, paths, { code: 'HYD 214', ...term, ...oldTerm });
  await goTo('comb');
  await clickText(page, 'button', 'Comb HYD 214');
  await waitForText(page, 'What students would notice first');
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await stage.close();
});

const goTo = (path: string) => visit(page, `${stage.address}/shells/${id}/${path}`);
const planSize = () => page.$eval('[data-testid=plan-size]', (e) => Number(e.textContent));
const planGrows = async (before: number) => {
  await page.waitForFunction(
    (n) => Number(document.querySelector('[data-testid=plan-size]')?.textContent) > n,
    {},
    before,
  );
  return planSize();
};
const planIs = (size: number) =>
  page.waitForFunction(
    (n) => document.querySelector('[data-testid=plan-size]')?.textContent === String(n),
    {},
    size,
  );
const titles = () =>
  page.$$eval('[role=treegrid] [role=row][aria-level]', (rows) =>
    rows.map((row) => row.querySelector('[role=gridcell] span[title]')?.textContent ?? ''),
  );
const press = async (keys: string) => {
  const parts = keys.split('+');
  const last = parts.pop() ?? '';
  for (const key of parts) await page.keyboard.down(key as 'Alt');
  await page.keyboard.press(last as 'Enter');
  for (const key of parts) await page.keyboard.up(key as 'Alt');
};
/** Clicks, counted. */
let clicks = 0;
const click = async (selector: string, words: string) => {
  clicks += 1;
  await clickText(page, selector, words);
};

test('weeks that stand out of order are sorted with two clicks, and taken back with Ctrl Z', async () => {
  await goTo('decide');
  clicks = 0;
  await click('a', 'Outline');
  await waitForText(page, 'numbered modules out of order');
  await click('button', 'Sort by number or name');
  await page.waitForFunction(
    () => document.body?.innerText.includes('numbered modules out of order') === false,
  );
  expect(clicks).toBeLessThanOrEqual(3);
  expect(await planGrows(0)).toBeGreaterThan(10);
  await page.focus('[data-testid=outline]');
  await press('Control+z');
  await waitForText(page, 'numbered modules out of order');
  await planIs(0);
});

test('an item is moved, hidden and renamed by keys alone; the row says so at once', async () => {
  await goTo('decide/outline');
  await page.waitForSelector('[role=treegrid] [role=row][aria-level]');
  const before = await titles();
  await page.focus('[data-testid=outline]');
  await press('ArrowDown');
  await press('Alt+ArrowDown');
  await page.waitForFunction(
    (title) =>
      document.querySelectorAll('[role=treegrid] [role=row][aria-level]')[2]?.textContent?.includes(title),
    {},
    before[1]!,
  );
  await press('ArrowDown');
  await press('h');
  await page.waitForFunction(() =>
    document.querySelectorAll('[role=treegrid] [role=row][aria-level]')[2]?.textContent?.includes('Hidden'),
  );
  await press('F2');
  await page.waitForSelector('aside form input');
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.press('Escape');
  await planIs(2);
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'dark');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'light');
});

test('a row is dragged before another, and a sentence says what will happen', async () => {
  await goTo('decide/outline');
  await page.waitForSelector('[role=treegrid] [role=row][aria-level]');
  const before = await planSize();
  const [, first, , , last] = await page.$$('[role=treegrid] [role=row][aria-level]');
  const [from, to] = [(await last!.boundingBox())!, (await first!.boundingBox())!];
  await page.mouse.move(from.x + 200, from.y + 16);
  await page.mouse.down();
  await page.mouse.move(to.x + 200, to.y + 20, { steps: 6 });
  await page.mouse.move(to.x + 200, to.y + 4, { steps: 3 });
  await waitForText(page, 'It comes before');
  const moved = (await titles())[4];
  await page.mouse.up();
  await page.waitForFunction(
    (title) =>
      document.querySelectorAll('[role=treegrid] [role=row][aria-level]')[1]?.textContent?.includes(title),
    {},
    moved!,
  );
  expect(await planGrows(before)).toBe(before + 1);
});

test('what the gestures did, the command line does by the same plan, with the same package', async () => {
  await goTo('rehearse/plan');
  await waitForText(page, 'Save the plan as a file');
  const plan = join(folder, 'plan.json');
  const text = await page.evaluate(
    (shell) => fetch(`/api/shells/${shell}/plan/file`).then((r) => r.text()),
    id,
  );
  writeFileSync(plan, text);
  await goTo('rehearse');
  await clickText(page, 'button', 'Carry out');
  await waitForText(page, 'Ledger');
  const bytes = await page.evaluate(
    async (shell) => [
      ...new Uint8Array(await (await fetch(`/api/shells/${shell}/export?what=package`)).arrayBuffer()),
    ],
    id,
  );
  const out = join(folder, 'out');
  execFileSync('node', [
    'scripts/cli.mjs',
    'clean',
    `${demo}/HYD-214.imscc`,
    ...flags,
    '--plan',
    plan,
    '--out-dir',
    out,
  ]);
  expect(existsSync(join(out, 'shell.imscc'))).toBe(true);
  expect(readFileSync(join(out, 'shell.imscc')).equals(Buffer.from(bytes))).toBe(true);
  await clickText(page, 'button', 'Take back this run');
  await waitForText(page, 'Taken back');
});

test('the calendar shows what is stale as a shape; a series goes with two clicks more', async () => {
  await goTo('comb');
  await clickText(page, 'button', 'Comb');
  await waitForText(page, 'What students would notice first');
  await goTo('decide');
  clicks = 0;
  await click('a', 'Calendar');
  await waitForText(page, 'dates carry a finding');
  expect(await seriousProblems(page)).toEqual([]);
  await click('label', 'Events with a finding');
  await waitForText(page, '96 dates chosen');
  const before = await planSize();
  await click('button', 'Delete 96');
  expect(clicks).toBeLessThanOrEqual(4);
  expect(await planGrows(before)).toBe(before + 96);
  await page.waitForFunction(() => document.body?.innerText.includes('Events with a finding') === false);
});

test('days are chosen by key in the sheet, and the month and the list show the same', async () => {
  await goTo('decide/calendar');
  await page.waitForSelector('[data-cell="0 0"]');
  await page.focus('[data-cell="0 0"]');
  await press('Space');
  await waitForText(page, '1 date chosen');
  await press('Enter');
  await waitForText(page, 'dates chosen');
  await press('ArrowRight');
  expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toMatch(
    /^Tuesday 12 January 2027/,
  );
  await clickText(page, 'button', 'Month');
  await waitForText(page, 'January 2027');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Days');
  await page.waitForSelector('[role=grid]');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'dark');
  await clickText(page, 'button', 'Term');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'light');
});

test('dates go from term to term with two clicks, and what has none is said', async () => {
  await goTo('decide');
  clicks = 0;
  await click('a', 'Re-date');
  await waitForText(page, 'dated things would move');
  await waitForText(page, 'things without dates stay untouched');
  expect(await seriousProblems(page)).toEqual([]);
  const before = await planSize();
  await click('button', 'Put');
  expect(clicks).toBeLessThanOrEqual(6);
  await waitForText(page, 'In the plan: re-date');
  await planGrows(before);
  await waitForText(page, 'No date would change.');
  await inColours(page, 'dark');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'light');
});

test('a plan is kept as a file and taken in again; another file is refused with one sentence', async () => {
  const size = await planSize();
  const plan = join(folder, 'again.json');
  writeFileSync(
    plan,
    await page.evaluate((shell) => fetch(`/api/shells/${shell}/plan/file`).then((r) => r.text()), id),
  );
  await page.evaluate((shell) => fetch(`/api/shells/${shell}/plan`, { method: 'DELETE' }), id);
  await goTo('rehearse/plan');
  await planIs(0);
  const takeIn = async (path: string) => {
    const input = await page.waitForSelector('[data-testid=plan-file]');
    await (input as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(path);
  };
  await takeIn(plan);
  await waitForText(page, 'came into the plan');
  await planIs(size);
  const wrong = join(folder, 'wrong.json');
  writeFileSync(wrong, '{"schema":"something"}');
  await takeIn(wrong);
  await waitForText(page, 'This is not a Currycomb plan');
  expect(await planSize()).toBe(size);
});

test('the pages had nothing to complain about', () => {
  // The file that is no plan was refused.
  expect(complaints.filter((complaint) => !complaint.includes('422'))).toEqual([]);
});
