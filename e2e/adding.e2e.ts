import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
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
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
});
afterAll(() => stage.close());

const heading = () => page.$eval('h1', (h) => (h as HTMLElement).innerText);
const goTo = (path: string) => visit(page, `${stage.address}/shells/${id}/${path}`);

test('a package of another course and term is doubted out loud', async () => {
  await bringInGeo(page, demoTerm);
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
  await clickText(page, 'button', 'Hold it against');
  await waitForText(page, 'It goes by “GEO 130”, and this shell is HYD 214-E');
  await waitForText(page, '3 grade categories, 20 grade columns');
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
  await clickText(page, 'a', 'Add a package');
  await waitForText(page, 'It is held against the shell first');
  expect(await seriousProblems(page)).toEqual([]);
  await chooseFiles(page, {
    package: 'hyd-214/HYD-214.imscc',
    events: 'hyd-214/events.ics',
    status: 'hyd-214/status.csv',
  });
  await clickText(page, 'button', 'Hold it against');
  await waitForText(page, 'Where it lands');
  expect(await heading()).toMatch(/^9\d\d things are new; proposed: 3\d\d items, 3\d\d files, 120 events$/);
  expect(await seriousProblems(page)).toEqual([]);
  // The two weeks that are there receive what belongs to them; the page about the sites stands there in other words.
  await waitForText(page, 'Differs 1');
});

test('ticks follow the tree, by mouse and by key, and what is needed comes along', async () => {
  const chosen = () => page.$eval('aside [role=status]', (e) => (e as HTMLElement).innerText);
  await clickText(page, 'button', 'Nothing');
  expect(await chosen()).toBe('nothing');
  await page.focus('[data-testid=incoming]');
  await page.keyboard.press('Home');
  for (let i = 0; i < 2; i += 1) await page.keyboard.press('ArrowDown');
  // The second thing is the first page of the module “Start here”.
  await page.keyboard.press('Space');
  expect(await chosen()).toBe('1 item, 3 files');
  await waitForText(page, 'come along, since what you ticked needs them');
  await page.keyboard.press('Space');
  expect(await chosen()).toBe('nothing');
  await clickText(page, 'button', 'As proposed');
});

test('adding is a run: done, in the ledger, with a restore point', async () => {
  await clickText(page, 'label', 'Same week and weekday');
  await clickText(page, 'aside button', 'Add ');
  await waitForText(page, 'Ledger');
  expect(await heading()).toMatch(/^Done: 3\d\d items, 3\d\d files and 120 events were added$/);
  await page.waitForFunction(() =>
    /Bring in\s+3\d\d items/.test(document.querySelector('header')?.innerText ?? ''),
  );
  expect(await seriousProblems(page)).toEqual([]);
  await goTo('bring-in');
  expect(await heading()).toMatch(/^3\d\d items/);
});

test('the same package once more: nothing is new, and nothing can be added', async () => {
  const before = await heading();
  await goTo('bring-in/add');
  await chooseFiles(page, {
    package: 'hyd-214/HYD-214.imscc',
    events: 'hyd-214/events.ics',
    status: 'hyd-214/status.csv',
  });
  await clickText(page, 'button', 'Hold it against');
  await waitForText(page, 'This very package was added on');
  // What was left out the first time is still not there, and still not proposed.
  expect(await heading()).toBe('Nothing of this package is proposed');
  expect(await page.$eval('aside button[class*=contained]', (b) => b.disabled)).toBe(true);
  // Ticked all the same, what is there already is refused.
  const doubled = await page.evaluate(async (shell) => {
    const html = await (await fetch(`/shells/${shell}/bring-in/add`)).text();
    const incoming = /\\"id\\":\\"([0-9a-f-]{36})\\",\\"packageName/.exec(html)?.[1];
    const answer = await fetch(`/api/shells/${shell}/add`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ incoming, chosen: ['item start-1'], landing: { where: 'end' }, dating: 'keep' }),
    });
    return [answer.status, ((await answer.json()) as { trouble?: string }).trouble];
  }, id);
  expect(doubled).toEqual([
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

test('the package that a shell was read from brings nothing new, and adding it changes nothing', async () => {
  await visit(page, `${stage.address}/bring-in`);
  const other = await bringInDemo(page);
  const before = await heading();
  await visit(page, `${stage.address}/shells/${other}/bring-in/add`);
  await chooseFiles(page, {
    package: 'hyd-214/HYD-214.imscc',
    events: 'hyd-214/events.ics',
    status: 'hyd-214/status.csv',
  });
  await clickText(page, 'button', 'Hold it against');
  await waitForText(page, 'This shell was read from this very package');
  expect(await heading()).toBe('Nothing in this package is new');
  await waitForText(page, 'New 0 Differs 0 Would be doubled 0 Already there 908');
  expect(await page.$eval('aside button[class*=contained]', (b) => b.disabled)).toBe(true);
  // Every box ticked by hand: refused, with the reason.
  await page.focus('[data-testid=incoming]');
  await page.keyboard.press('Home');
  await page.keyboard.press('Space');
  await clickText(page, 'aside button', 'Add ');
  await waitForText(page, 'nothing that is ticked is new; nothing was added');
  await visit(page, `${stage.address}/shells/${other}/bring-in`);
  expect(await heading()).toBe(before);
});

test('a package that can’t be read leaves nothing behind', async () => {
  await goTo('bring-in/add');
  await clickText(page, 'button', 'Put it away');
  await waitForText(page, 'It is held against the shell first');
  await chooseFiles(page, { package: 'hyd-214/events.ics' });
  await clickText(page, 'button', 'Hold it against');
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
