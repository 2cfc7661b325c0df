import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { bringIn, bringInDemo, clickText, startStage, waitForText, type Stage, visit } from './browser';
import { smallPdf } from './small-pdf';
import { inColours, seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
let looks = '';
const folder = mkdtempSync(join(tmpdir(), 'currycomb-judging-'));

beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  id = await bringInDemo(page);
  await combed(id, 'HYD 214');
  await visit(page, `${stage.address}/bring-in`);
  looks = await bringIn(
    page,
    { package: await packageOfLooks(), status: statusOfLooks() },
    {
      code: 'LOOK 1',
      termStart: '2027-01-11',
      termEnd: '2027-05-07',
      asOf: '2027-01-04',
    },
  );
  await combed(looks, 'LOOK 1');
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await stage.close();
});

async function combed(shell: string, code: string): Promise<void> {
  await visit(page, `${stage.address}/shells/${shell}/comb`);
  await clickText(page, 'button', `Comb ${code}`);
  await waitForText(page, 'smooth');
  await page.waitForFunction(() => /Combed|combed/.test(document.body?.innerText ?? ''));
}

/** A page that would run a script and fetch from elsewhere, a PDF that nothing leads to, and pages alike. */
async function packageOfLooks(): Promise<string> {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'w1' });
  composer.page(
    'Ford',
    '<h1>The ford</h1><p>Meet at the ford on <b>Mondays of Autumn</b>\n 2025.</p>' +
      '<script>parent.document.title = "taken"</script>' +
      '<img src="https://elsewhere.example/spy.png" alt="the ford" onerror="parent.document.title = \'taken\'">',
    { ref: 'ford', parent: 'w1', path: 'ford.html' },
  );
  for (const n of [1, 2, 3])
    composer.page('Gauge', '<p>Read the staff gauge at eye level, and note the time beside it.</p>', {
      ref: `gauge${n}`,
      parent: 'w1',
      path: `gauge${n}.html`,
    });
  composer.file('hand-outs/sheet.pdf', smallPdf('Stage sheet'));
  composer.file('hand-outs/broken.pdf', 'no PDF at all');
  const path = join(folder, 'looks.imscc');
  await composer.write(path);
  return path;
}

/** Its pages were last changed long before the term. */
function statusOfLooks(): string {
  const path = join(folder, 'status.csv');
  const rows = ['ford', 'gauge1', 'gauge2', 'gauge3'].map((ref) => `${ref},2024-03-01T09:00:00`);
  writeFileSync(path, ['ref,modified', ...rows, ''].join('\n'));
  return path;
}

const decide = (query = '', shell = id) => visit(page, `${stage.address}/shells/${shell}/decide${query}`);
const listed = () => page.$$eval('[role=option]', (rows) => rows.map((row) => row.textContent ?? ''));
const planIs = (size: number) =>
  page.waitForFunction(
    (n) => document.querySelector('[data-testid=plan-size]')?.textContent === String(n),
    {},
    size,
  );
const chosenIn = async (label: string, option: string) => {
  const field = `::-p-aria([name="${label}"][role="combobox"])`;
  await (await page.waitForSelector(field))!.click();
  await clickText(page, '[role=option]', option);
  await page.waitForFunction(() => document.querySelector('[role=listbox] [data-value]') === null);
};

describe('a page of the package stands around its sentence', () => {
  test('the sentence is marked over several elements; nothing of the page runs or is fetched', async () => {
    const asked: string[] = [];
    page.on('request', (request) => asked.push(request.url()));
    await decide('?find=ford&family=outdated', looks);
    const frame = await page.waitForSelector('iframe[title="Ford, as a page"]');
    const inside = await frame!.contentFrame();
    await inside.waitForSelector('mark');
    const marked = await inside.$$eval('mark', (marks) => marks.map((mark) => mark.textContent).join(''));
    expect(marked.replace(/\s+/g, ' ')).toBe('Meet at the ford on Mondays of Autumn 2025.');
    expect(await inside.$eval('body', (body) => body.innerHTML)).not.toMatch(/script|onerror|elsewhere/);
    expect(await page.title()).not.toBe('taken');
    expect(asked.filter((url) => !url.startsWith(stage.address) && !url.startsWith('data:'))).toEqual([]);
    expect(await seriousProblems(page)).toEqual([]);
  });

  test('the first page of a PDF is drawn; a broken one is said to be so', async () => {
    await decide('?find=sheet.pdf', looks);
    await waitForText(page, 'One page.');
    const ink = await page.$eval('canvas[role=img]', (canvas) => {
      const context = canvas.getContext('2d');
      const { width, height } = canvas;
      const pixels = context?.getImageData(0, 0, width, height).data ?? new Uint8ClampedArray();
      return pixels.filter((value, n) => n % 4 === 0 && value < 100).length;
    });
    expect(ink).toBeGreaterThan(200);
    await waitForText(page, 'Nothing in the outline links to “sheet.pdf” or shows it.');
    await decide('?find=broken.pdf', looks);
    await waitForText(page, 'This PDF can’t be read');
  });

  test('the week of an event shows what else stands in it', async () => {
    await decide('?family=calendar');
    await waitForText(page, 'Teaching week 1, from 2027-01-11');
    const asked = await page.$$eval('td [data-asked=true]', (marks) => marks.map((mark) => mark.textContent));
    expect(asked).toEqual(['14:00 Lab section A', '14:00 Lab section A']);
  });
});

test('of three alike pages another one is kept with one click', async () => {
  await decide('?check=duplicate.same-content', looks);
  await waitForText(page, 'Nothing differs');
  const buttons = await page.$$('button[aria-label="keep this one: Gauge"]');
  expect(buttons.length).toBeGreaterThanOrEqual(2);
  await buttons.at(-1)!.click();
  await planIs(2);
  const steps = await page.evaluate(async (shell) => {
    const plan = (await (await fetch(`/api/shells/${shell}/plan`)).json()) as {
      steps: { step: { action: string; targets: { ref: string }[] } }[];
    };
    return plan.steps.map(({ step }) => [step.action, ...step.targets.map(({ ref }) => ref)]);
  }, looks);
  expect(steps).toEqual([['delete', 'gauge1', 'gauge3']]);
});

describe('the list', () => {
  test('words, module and kind narrow it; the counts agree with what is shown', async () => {
    await decide();
    const openChip = () =>
      page.$eval('button[aria-pressed=true]', (chip) => Number(/\d+/.exec(chip.textContent ?? '')));
    const all = await openChip();
    await page.type('#find-findings', 'gauge');
    await page.waitForFunction(
      (n) => !document.querySelector('button[aria-pressed=true]')?.textContent?.includes(String(n)),
      {},
      all,
    );
    const open = await openChip();
    expect(open).toBeGreaterThan(0);
    expect((await listed()).every((words) => words !== '')).toBe(true);
    expect((await listed()).length).toBe(open);
    await clickText(page, 'button', 'More');
    await chosenIn('Kind', 'Pages');
    expect(await openChip()).toBeLessThanOrEqual(open);
    expect(await seriousProblems(page)).toEqual([]);
    expect(page.url()).toContain('find=gauge');
  });

  test('a view is kept by name, and taken up in another shell', async () => {
    await decide('?family=duplicate&by=module');
    await clickText(page, 'button', 'Views');
    await page.waitForSelector('[role=dialog] input');
    await page.type('[role=dialog] input', 'Duplicates by module');
    await page.keyboard.press('Enter');
    await waitForText(page, 'Duplicates by module');
    expect(await seriousProblems(page)).toEqual([]);
    await decide('', looks);
    await clickText(page, 'button', 'Views (1)');
    await clickText(page, '[role=dialog] button', 'Duplicates by module');
    await page.waitForFunction(() => location.search === '?family=duplicate&by=module');
  });

  test('all keys are told on ?, and / goes to the words', async () => {
    await decide();
    await page.waitForSelector('[role=option]');
    await page.focus('[data-testid=findings]');
    await page.keyboard.press('?');
    await waitForText(page, 'choose the way down');
    expect(await seriousProblems(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('[role=dialog]') === null);
    await page.focus('[data-testid=findings]');
    await page.keyboard.press('/');
    expect(await page.evaluate(() => document.activeElement?.id)).toBe('find-findings');
  });

  test('many findings are changed together', async () => {
    await decide('?family=duplicate&by=family');
    await page.waitForSelector('[role=option]');
    await page.focus('[data-testid=findings]');
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.up('Control');
    await clickText(page, 'button', 'Set aside');
    await page.waitForFunction(
      () => Number(document.querySelector('[data-testid=plan-size]')?.textContent) > 40,
    );
    await inColours(page, 'dark');
    expect(await seriousProblems(page)).toEqual([]);
    await inColours(page, 'light');
  });
});

describe('few clicks', () => {
  let clicks = 0;
  const click = async (selector: string, words: string) => {
    clicks += 1;
    await clickText(page, selector, words);
  };
  const carriedOut = async () => {
    await click('header a', 'Rehearse');
    await waitForText(page, 'Tried on a copy');
    await click('main button', 'Carry out');
    await waitForText(page, 'Done:');
  };
  beforeEach(async () => {
    await page.evaluate((shell) => fetch(`/api/shells/${shell}/plan`, { method: 'DELETE' }), id);
    clicks = 0;
  });

  test('everything that was not used this term is hidden with five', async () => {
    await page.evaluate((shell) => fetch(`/api/shells/${shell}/plan`, { method: 'DELETE' }), looks);
    await visit(page, `${stage.address}/shells/${looks}/bring-in`);
    const figure = await page.waitForSelector('a[href$="kind=unused"]');
    clicks += 1;
    await figure?.click();
    await waitForText(page, 'Seen by students, and not used for this term');
    clicks += 1;
    await page.click('[role=columnheader] span[data-state]');
    await click('button', 'Hide');
    await waitForText(page, 'In the plan: hide');
    await carriedOut();
    expect(clicks).toBeLessThanOrEqual(5);
  });

  test('a double import is gone with three', async () => {
    await visit(page, `${stage.address}/shells/${id}/comb`);
    await click('button', 'Delete 86');
    await planIs(86);
    await carriedOut();
    expect(clicks).toBeLessThanOrEqual(3);
  });
});

test('the pages had nothing to complain about', () => {
  expect(complaints).toEqual([]);
});
