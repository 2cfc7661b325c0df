import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { KeyInput, Page } from 'puppeteer-core';
import type { LocalDate } from '@/core/dates/local-date';
import { readShell } from '@/services/do/packages/read-shell';
import {
  bringIn,
  bringInDemo,
  bringInGeo,
  chooseFiles,
  clickText,
  demoTerm,
  startStage,
  waitForText,
  type Stage,
  visit,
} from './browser';
import { inColours, seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
let geo = '';
const sideFiles = {
  package: 'hyd-214/HYD-214.imscc',
  events: 'hyd-214/events.ics',
  status: 'hyd-214/status.csv',
};
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
});
afterAll(() => stage.close());

const heading = () => page.$eval('h1', (h) => (h as HTMLElement).innerText);
const goTo = (path: string) => visit(page, `${stage.address}/shells/${id}/${path}`);

test('a package of another course and term is doubted out loud', async () => {
  geo = await bringInGeo(page, demoTerm);
  const said = await page.$eval('[data-testid=doubts]', (e) => (e as HTMLElement).innerText);
  expect(said).toContain('says “Autumn 2024”, and the shell is for Spring 2027');
  await waitForText(page, 'in grade setup, banks, home pages');
  await inColours(page, 'dark');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'light');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'a', '32');
  await waitForText(page, 'Sum of everything');
  await visit(page, `${stage.address}/bring-in`);
});

test('nothing but the template is called so', async () => {
  await bringIn(
    page,
    { package: 'template/template.imscc', baseline: 'template/template.imscc' },
    { code: 'NEW 1', ...demoTerm },
  );
  expect(await heading()).toBe('Nothing but the template: 4 items, 0 files');
  await visit(page, `${stage.address}/bring-in`);
});

test('a package of another course is doubted before it is added', async () => {
  const other = await bringIn(
    page,
    { package: 'hyd-214-e/HYD-214-E.imscc' },
    { code: 'HYD 214-E', ...demoTerm },
  );
  await visit(page, `${stage.address}/shells/${other}/bring-in/add`);
  await chooseFiles(page, { package: 'geo-130/GEO-130.zip', roster: 'geo-130/roster.zip' });
  await clickText(page, 'button', 'Compare the package');
  await waitForText(page, 'It goes by “GEO 130”, and this shell is HYD 214-E');
  await waitForText(page, 'Grade setup');
  // At double size, and in the dark.
  await page.setViewport({ width: 640, height: 400, deviceScaleFactor: 2 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth + 1)).toBe(true);
  await page.setViewport({ width: 1280, height: 800 });
  await inColours(page, 'dark');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'light');
  await visit(page, `${stage.address}/bring-in`);
});

test('a second package is held against the shell before anything happens', async () => {
  id = await bringIn(
    page,
    { package: 'hyd-214-e/HYD-214-E.imscc', baseline: 'template/template.imscc' },
    { code: 'HYD 214-E', ...demoTerm },
  );
  expect(await heading()).toBe('9 items, 0 files, 0 events');
  await clickText(page, 'a', 'Bring over');
  await waitForText(page, 'Choose a shell or a package');
  expect(await seriousProblems(page)).toEqual([]);
  await chooseFiles(page, sideFiles);
  await clickText(page, 'button', 'Compare the package');
  await waitForText(page, 'as it would become');
  expect(await heading()).toMatch(/^\d+ things come over, 1\d\d of the rest want a look first$/);
  await inColours(page, 'dark');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'light');
  expect(await seriousProblems(page)).toEqual([]);
});

const selected = () =>
  page.$$eval('[role=group][aria-label="Kinds and filters"] button', (buttons) =>
    buttons
      .map((button) => button.innerText.replace(/\s+/g, ' '))
      .find((text) => text.startsWith('Selected')),
  );
const pressKeys = async (...keys: readonly KeyInput[]) => {
  await page.focus('[data-testid=source]');
  for (const key of keys) await page.keyboard.press(key);
};
const targetLines = () =>
  page.$$eval('[data-testid=target] [role=listitem]', (rows) =>
    rows.map(
      (row) => `${row.getAttribute('data-is')}: ${(row as HTMLElement).innerText.split('\n').join(' ')}`,
    ),
  );

test('a tick stands in its place on the right at once, by key and by mouse, with what it needs', async () => {
  await clickText(page, 'button', 'Nothing');
  expect(await selected()).toBe('Selected 0');
  expect((await targetLines()).filter((line) => line.startsWith('landed'))).toEqual([]);
  // The second row is the module “Start here”, the third its first page.
  await pressKeys('Home', 'ArrowDown', 'ArrowDown', 'Space');
  expect(await selected()).toBe('Selected 4');
  await waitForText(page, '3 files come along.');
  const landed = (await targetLines()).filter((line) => line.startsWith('landed'));
  expect(landed).toEqual([expect.stringContaining('Welcome to the stream')]);
  await page.keyboard.press('Space');
  expect(await selected()).toBe('Selected 0');
});

test('a row opens as the page that it is, and closes with Escape', async () => {
  await pressKeys('Enter');
  await page.waitForSelector('[data-testid=look] iframe');
  await page.keyboard.press('Escape');
  await page.waitForSelector('[data-testid=look]', { hidden: true });
});

test('what differs is kept, replaced or put beside on its row', async () => {
  const sites = async () => (await targetLines()).filter((line) => line.includes('Where the sites are'));
  expect(await sites()).toEqual([expect.stringMatching(/^differs:/)]);
  await clickText(page, '[aria-label="“Where the sites are” differs"] button', 'replace');
  expect(await sites()).toEqual([expect.stringMatching(/^replaced:/)]);
  expect(await heading()).toMatch(/^3 things come over, 1 is replaced/);
  await clickText(page, '[aria-label="“Where the sites are” differs"] button', 'put beside');
  expect((await sites()).map((line) => line.split(':')[0])).toEqual(['differs', 'landed']);
  await clickText(page, '[aria-label="“Where the sites are” differs"] button', 'keep');
  expect(await sites()).toEqual([expect.stringMatching(/^differs:/)]);
});

test('the choice lasts over a reload', async () => {
  await clickText(page, 'button', 'As proposed');
  const before = await selected();
  await pressKeys('Home', 'ArrowDown', 'ArrowDown', 'Space');
  const fewer = await selected();
  expect(fewer).not.toBe(before);
  await page.reload();
  await waitForText(page, 'as it would become');
  expect(await selected()).toBe(fewer);
  await clickText(page, 'button', 'As proposed');
  expect(await selected()).toBe(before);
});

test('dates are said old and new before anything is taken, and can be left as they are', async () => {
  await waitForText(page, 'same week and weekday');
  await clickText(page, 'button', 'Change dates and place');
  await clickText(page, 'label', 'Stay as they are');
  await waitForText(page, 'dates stay as they are');
  await clickText(page, 'label', 'Move to the same week and weekday');
  await waitForText(page, 'none is dropped');
  await clickText(page, 'button', 'Close');
  await page.type('input[aria-label="Filter by title"]', 'Reach map');
  await pressKeys('End');
  await page.waitForFunction(() =>
    /Fri 29 Aug 2025\s+Fri 15 Jan 2027/.test(
      document.querySelector<HTMLElement>('[data-testid=target]')?.innerText ?? '',
    ),
  );
  await page.click('input[aria-label="Filter by title"]', { count: 3 });
  await page.keyboard.press('Backspace');
});

test('bringing over is a run: done, in the ledger, with a restore point, and combed by itself', async () => {
  await clickText(page, 'button', 'Bring over ');
  await waitForText(page, 'Ledger');
  expect(await heading()).toMatch(/^Done: \d+ items, \d+ files and \d+ events were added$/);
  expect(await seriousProblems(page)).toEqual([]);
  await goTo('comb');
  await waitForText(page, 'What students would notice first');
  await goTo('bring-in');
  expect(await heading()).toMatch(/^2\d\d items/);
});

test('the same package once more: it is told, and what is there already is refused', async () => {
  const before = await heading();
  await goTo('bring-in/add');
  await chooseFiles(page, sideFiles);
  await clickText(page, 'button', 'Compare the package');
  await waitForText(page, 'This very package was added on');
  const again = await page.evaluate(async (shell) => {
    const view = (await (await fetch(`/api/shells/${shell}/stages/bring-over`)).json()) as {
      id: string;
      preview: { things: { key: string; standing: string }[] };
    };
    const there = view.preview.things.find(
      ({ key, standing }) => key.startsWith('item ') && standing === 'there',
    );
    const answer = await fetch(`/api/shells/${shell}/add`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        incoming: view.id,
        chosen: [there?.key],
        landing: { where: 'end' },
        dating: { mode: 'keep' },
      }),
    });
    return [answer.status, ((await answer.json()) as { trouble?: string }).trouble];
  }, id);
  expect(again).toEqual([
    422,
    'This package was added already, and nothing that is ticked is new; nothing was added.',
  ]);
  await clickText(page, 'a', 'See what that did');
  await waitForText(page, 'Ledger');
  await goTo('bring-in');
  expect(await heading()).toBe(before);
});

test('the adding is taken back whole', async () => {
  await goTo('carry-out');
  await clickText(page, 'button', 'Take back this run');
  await waitForText(page, 'The last run was taken back');
  await goTo('bring-in');
  expect(await heading()).toBe('9 items, 0 files, 0 events');
});

test('the package that a shell was read from brings nothing new', async () => {
  await visit(page, `${stage.address}/bring-in`);
  const other = await bringInDemo(page);
  await visit(page, `${stage.address}/shells/${other}/bring-in/add`);
  await chooseFiles(page, sideFiles);
  await clickText(page, 'button', 'Compare the package');
  await waitForText(page, 'This shell was read from this very package');
  expect(await heading()).toBe('Nothing comes over yet');
  expect(
    await page.$$eval(
      'button',
      (buttons) => buttons.find((b) => b.innerText.startsWith('Bring over'))?.disabled,
    ),
  ).toBe(true);
});

test('another shell of the list is a source as a package is', async () => {
  await goTo('bring-in/add');
  await clickText(page, 'button', 'Discard');
  await waitForText(page, 'Choose a shell or a package');
  await page.click('input[role=combobox]');
  await clickText(page, '[role=option]', 'HYD 214 ');
  await waitForText(page, 'as it would become');
  expect(await heading()).toMatch(/^\d+ things come over/);
});

test('the same goes into another shell at once, as far as it is new there', async () => {
  await clickText(page, 'button', 'Nothing');
  await pressKeys('Home', 'ArrowDown', 'ArrowDown', 'Space');
  await clickText(page, 'button', 'Also into…');
  await page.click('[class*=also] input[role=combobox]');
  await clickText(page, '[role=option]', 'GEO 130');
  await page.keyboard.press('Escape');
  await waitForText(page, '1 thing is new there, 0 are not');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Bring over 1 into 2 shells');
  await waitForText(page, 'Ledger');
  expect(await heading()).toBe('Done: 1 item and 3 files were added');
  await visit(page, `${stage.address}/shells/${geo}/carry-out`);
  // The module around it comes along there.
  await waitForText(page, 'Done: 2 items and 3 files were added');
  await clickText(page, 'button', 'Take back this run');
  await waitForText(page, 'The last run was taken back');
  await goTo('carry-out');
  await clickText(page, 'button', 'Take back this run');
  await waitForText(page, 'The last run was taken back');
});

test('a package that can’t be read leaves nothing behind', async () => {
  await goTo('bring-in/add');
  await waitForText(page, 'Choose a shell or a package');
  await chooseFiles(page, { package: 'hyd-214/events.ics' });
  await clickText(page, 'button', 'Compare the package');
  await waitForText(page, 'can’t be read as a zip archive');
  await goTo('bring-in');
  expect(await heading()).toBe('9 items, 0 files, 0 events');
});

test('a part of a shell goes out as a package of its own', async () => {
  await goTo('prove/part');
  expect(await seriousProblems(page)).toEqual([]);
  await page.focus('[data-testid=incoming]');
  for (const key of ['Home', 'ArrowDown', 'ArrowDown', 'Space'] as const) await page.keyboard.press(key);
  await waitForText(page, '1 item');
  const answer = await page.evaluate(async () => {
    const form = document.querySelector('aside form') as HTMLFormElement;
    const data = new FormData(form);
    data.set('what', 'package');
    const response = await fetch(form.action, { method: 'POST', body: data });
    return [
      response.status,
      response.headers.get('content-disposition'),
      [...new Uint8Array(await response.arrayBuffer())],
    ] as const;
  });
  expect([answer[0], answer[1]]).toEqual([200, "attachment; filename*=UTF-8''HYD-214-E-part.imscc"]);
  const file = join(mkdtempSync(join(tmpdir(), 'currycomb-part-')), 'part.imscc');
  writeFileSync(file, Buffer.from(answer[2]));
  const read = await readShell({ package: { path: file, name: 'part' }, today: '2027-01-04' as LocalDate });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  expect(read.value.shell.items.map((i) => i.title)).toEqual(['Honest work']);
});

test('the pages had nothing to complain about beyond the refusals themselves', () => {
  expect(complaints.filter((c) => !/status of 422/.test(c))).toEqual([]);
});
