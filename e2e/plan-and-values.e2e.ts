import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { bringIn, clickText, startStage, waitForText, type Stage, visit } from './browser';
import { inColours, seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
const folder = mkdtempSync(join(tmpdir(), 'currycomb-values-'));
const weeks = 10;

beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  const about = { termStart: '2027-01-11', termEnd: '2027-05-07', asOf: '2027-01-04' };
  id = await bringIn(page, { package: await termPackage() }, { code: 'HYD 120', ...about });
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await stage.close();
});

/** Ten weeks with a report each, forty pages that stand outside the outline, and hand-outs that no item shows. */
async function termPackage(): Promise<string> {
  const composer = new ShellComposer();
  for (let n = 1; n <= weeks; n += 1) {
    composer.module(`Week ${n}: Stage ${n}`, { ref: `w${n}` });
    composer.assignment(`Report ${n}`, `<p>Report of week ${n}</p>`, 10, { ref: `r${n}`, parent: `w${n}` });
  }
  for (let n = 0; n < 40; n += 1)
    composer.page(`Week ${(n % weeks) + 1} note ${n}`, `<p>Note ${n} about the stream.</p>`, {
      outside: true,
      path: `loose/n${n}.html`,
    });
  for (const n of [2, 5]) composer.file(`hand-outs/week-${n}-slides.txt`, `slides ${n}`);
  const path = join(folder, 'term.imscc');
  await composer.write(path);
  return path;
}

const goTo = (path: string) => visit(page, `${stage.address}/shells/${id}/${path}`);
const planIs = (size: number) =>
  page.waitForFunction(
    (n) => document.querySelector('[data-testid=plan-size]')?.textContent === String(n),
    {},
    size,
  );
const clearPlan = () =>
  page.evaluate((shell) => fetch(`/api/shells/${shell}/plan`, { method: 'DELETE' }), id);
let clicks = 0;
const click = async (selector: string, words: string) => {
  clicks += 1;
  await clickText(page, selector, words);
};
const withKey = async (held: 'Control' | 'Shift', key: 'ArrowDown' | 'd' | 'z' | 'v' | 'c') => {
  await page.keyboard.down(held);
  await page.keyboard.press(key);
  await page.keyboard.up(held);
};
const paste = (text: string) =>
  page.$eval(
    '[data-testid=values]',
    (grid, pasted) => {
      const data = new DataTransfer();
      data.setData('text/plain', pasted);
      grid.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    },
    text,
  );
const cell = (row: number, column: number) =>
  page.$eval(`#value-${row}-${column}`, (e) => e.textContent ?? '');

test('forty loose pages go into their weeks with four clicks, carried out', async () => {
  await goTo('decide');
  clicks = 0;
  await goTo('decide/outline');
  await click('button', 'Place by number: 40');
  await planIs(40);
  await goTo('comb');
  await clickText(page, 'button', 'Comb HYD 120');
  await waitForText(page, 'smooth');
  await click('a', 'Rehearse');
  await waitForText(page, 'Carry out 40');
  await click('button', 'Carry out 40');
  await waitForText(page, 'Done:');
  expect(clicks).toBeLessThanOrEqual(4);
  await goTo('decide/outline');
  await page.waitForSelector('[role=treegrid] [role=row][aria-level]');
  const rows = await page.$$eval('[role=treegrid] [role=row][aria-level]', (all) =>
    all.slice(0, 7).map((row) => row.querySelector('[role=gridcell] span[title]')?.textContent),
  );
  expect(rows).toEqual([
    'Week 1: Stage 1',
    'Report 1',
    'Week 1 note 0',
    'Week 1 note 10',
    'Week 1 note 20',
    'Week 1 note 30',
    'Week 2: Stage 2',
  ]);
});

describe('the grid of values', () => {
  test('a first date, filled a week apart by keys, goes into the plan as one step', async () => {
    await goTo('decide/values');
    await clickText(page, 'button', `Activities`);
    await page.waitForFunction(
      () => document.querySelectorAll('[data-testid=values] [role=row]').length === 11,
    );
    await page.focus('[data-testid=values]');
    await page.keyboard.type('1/15/2027');
    await page.keyboard.press('Enter');
    expect(await cell(0, 1)).toMatch(/^Fri 01\/15\/2027,? 11:59 PM$/);
    await page.keyboard.press('ArrowUp');
    for (let n = 1; n < weeks; n += 1) await withKey('Shift', 'ArrowDown');
    await waitForText(page, '10 cells chosen');
    await clickText(page, 'button', 'Fill a week apart');
    expect(await cell(9, 1)).toMatch(/^Fri 03\/19\/2027/);
    expect(await seriousProblems(page)).toEqual([]);
    await inColours(page, 'dark');
    expect(await seriousProblems(page)).toEqual([]);
    await inColours(page, 'light');
    await clickText(page, 'button', 'Put 10 changes into the plan');
    await planIs(10);
    await page.waitForFunction(() =>
      /^Fri 03\/19/.test(document.getElementById('value-9-1')?.textContent ?? ''),
    );
  });

  test('a pasted table fills several columns; what can’t be read is said and stops it', async () => {
    await page.focus('[data-testid=values]');
    await page.keyboard.press('Home');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowDown');
    await page.click('#value-0-3');
    await paste('5\t\n7,5\t\nmany\t');
    await waitForText(page, '“many” is no number of points; write a number from 0 on.');
    const isOff = (words: string) =>
      page.evaluate(
        (text) =>
          [...document.querySelectorAll('button')].find((b) => b.textContent?.startsWith(text))?.disabled,
        words,
      );
    expect(await isOff('Put 2 changes')).toBe(true);
    await page.focus('[data-testid=values]');
    await withKey('Control', 'z');
    expect(await cell(1, 3)).toBe('10');
    // What was typed goes back with one stroke, too.
    await page.keyboard.type('99');
    await page.keyboard.press('Enter');
    expect(await cell(0, 3)).toBe('99');
    await withKey('Control', 'z');
    expect(await cell(0, 3)).toBe('10');
    await page.click('#value-0-3');
    await paste('5\n7,5');
    expect([await cell(0, 3), await cell(1, 3), await cell(2, 3)]).toEqual(['5', '7.5', '10']);
    await clickText(page, 'button', 'Put 2 changes into the plan');
    await planIs(12);
  });
});

describe('the plan as a drawer', () => {
  test('its steps stand by place; a thing is left alone, a step goes, and the counts agree', async () => {
    await goTo('decide/outline');
    await page.waitForSelector('[role=treegrid] [role=row][aria-level]');
    await clickText(page, 'button', '12');
    await waitForText(page, 'The plan 2 steps');
    await page.waitForFunction(() => document.body?.innerText.includes('Looking at the plan') === false);
    expect(await seriousProblems(page)).toEqual([]);
    await clickText(page, '[role=dialog] button', 'Things');
    await clickText(page, '[role=dialog] button', 'Leave alone');
    await planIs(11);
    await waitForText(page, 'Re-date 9');
    const ups = await page.$$('[role=dialog] button[aria-label="Up: step 2"]');
    await ups[0]!.click();
    await page.waitForFunction(() => /1\s+Set points of 2/.test(document.body?.innerText ?? ''));
  });

  test('it is kept under a name, emptied, and used again', async () => {
    await page.type('[role=dialog] form input', 'Dates of spring');
    await page.keyboard.press('Enter');
    await waitForText(page, 'made for HYD 120');
    await clickText(page, '[role=dialog] button', 'Take 1 out');
    await planIs(9);
    await clickText(page, '[role=dialog] button', 'Take 1 out');
    await planIs(0);
    await clickText(page, '[role=dialog] button', 'Use here');
    await waitForText(page, '11 changes came into the plan.');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('[role=dialog]') === null);
    await planIs(11);
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-haspopup'))).toBe('dialog');
  });

  test('steps that say opposite things are told so', async () => {
    await clearPlan();
    await goTo('decide/outline');
    await page.waitForSelector('[role=treegrid] [role=row][aria-level]');
    await page.focus('[data-testid=outline]');
    await page.keyboard.press('h');
    await planIs(1);
    await page.keyboard.press('s');
    await planIs(2);
    await clickText(page, 'button', '2');
    await waitForText(page, 'Step 2 (show) overrides this for 1 of these.');
    await page.keyboard.press('Escape');
    await clearPlan();
  });
});

describe('in lists', () => {
  test('items are moved into a named module', async () => {
    await goTo('bring-in/contents?kind=assignment');
    await page.waitForSelector('[role=grid]');
    await page.focus('[role=grid]');
    await page.keyboard.press('Space');
    await clickText(page, 'button', 'Move 1');
    await page.waitForSelector('[role=dialog] input');
    await page.type('[role=dialog] input', 'Week 7');
    await clickText(page, '[role=option]', 'Week 7: Stage 7');
    expect(await seriousProblems(page)).toEqual([]);
    await clickText(page, '[role=dialog] button[type=submit]', 'Move 1');
    await waitForText(page, 'In the plan: move 1 thing.');
    await planIs(1);
  });

  test('files get items in the weeks that their names say', async () => {
    await goTo('bring-in/contents?kind=files');
    await page.waitForSelector('[role=grid]');
    await page.focus('[role=grid]');
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.up('Control');
    await clickText(page, 'button', 'Move 2');
    await clickText(page, '[role=dialog] button', 'By number or name, each into its module: 2');
    await planIs(3);
    await goTo('decide/outline');
    await page.waitForFunction(() => document.body?.innerText.includes('week 2 slides'));
    await clearPlan();
  });
});

test('the pages had nothing to complain about', () => {
  expect(complaints).toEqual([]);
});
