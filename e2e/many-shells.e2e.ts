import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import type { LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { clickText, setField, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-sections-'));
let stage: Stage;
let page: Page;
let complaints: string[];

/** A section of one course, as copies of a master have them. */
async function section(name: string): Promise<string> {
  const c = new ShellComposer();
  c.module('Left empty', { ref: 'm1' });
  c.page('Welcome', '<p>[insert your name] teaches this course about maps and their scales.</p>', {
    ref: 'p1',
    path: 'p1.html',
  });
  const due = '2027-02-03T23:59:00' as LocalDateTime;
  c.assignment('Map report', '<p>Hand in the map that you drew this week.</p>', 10, { ref: 'a1', due });
  const path = join(folder, `${name}.imscc`);
  await c.write(path);
  return path;
}
async function choose(files: readonly string[]): Promise<void> {
  const input = await page.waitForSelector('input[name=several]');
  await input?.uploadFile(...files);
}
async function chooseAll(): Promise<void> {
  const box = await page.waitForSelector('input[aria-label="Choose all shells shown"]');
  await box?.click();
}

beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in/many');
  complaints = await watchPage(page);
});
afterAll(async () => {
  await stage.close();
  rmSync(folder, { recursive: true, force: true });
  expect(complaints).toEqual([]);
});

test('whose file is whose is said before anything is read', async () => {
  const packages = [await section('geo-130-a'), await section('geo-130-b'), await section('geo-131-c')];
  const sheet = join(folder, 'geo-130-a.status.csv');
  writeFileSync(sheet, 'ref,shown\nm1,no\n');
  const note = join(folder, 'notes.txt');
  writeFileSync(note, 'to do');
  await choose([...packages, sheet, note]);
  await waitForText(page, 'Status sheet: geo-130-a.status.csv');
  await waitForText(page, '1 file will not be used');
  const codes = await page.$$eval('input[aria-label^="Course code"]', (inputs) =>
    inputs.map((input) => input.value),
  );
  expect(codes).toEqual(['GEO 130', 'GEO 130', 'GEO 131']);
  expect(await seriousProblems(page)).toEqual([]);
});

test('they are brought in and combed with one figure, and each stands in the list', async () => {
  await setField(page, 'termTitle', 'Spring 2027');
  await setField(page, 'termStart', '2027-01-11');
  await setField(page, 'termEnd', '2027-05-07');
  await clickText(page, 'button', 'Bring in and comb 3 shells');
  await waitForText(page, '3 of 3 shells brought in');
  await clickText(page, 'a', 'To the list of shells');
  await page.waitForSelector('input[aria-label="Choose GEO 131"]');
  await page.waitForFunction(
    async () => {
      const { length } = [...document.querySelectorAll('td')].filter(
        (cell) => cell.textContent === 'not yet',
      );
      if (length > 3) location.reload();
      return length <= 3;
    },
    { polling: 1_000 },
  );
});

test('all are combed with one bar', async () => {
  await chooseAll();
  await clickText(page, 'button', 'Comb 3 shells');
  await page.waitForFunction(() => document.body?.innerText.includes('Comb 0 shells'));
  expect(await seriousProblems(page)).toEqual([]);
});

test('one decision for the same finding in all of them, shown shell by shell, and taken back', async () => {
  await chooseAll();
  await clickText(page, 'a', 'Decide together');
  await waitForText(page, 'in more than one of 3 shells');
  await page.waitForSelector('[role=grid]');
  await page.focus('[role=grid]');
  await page.keyboard.press('Space');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Leave be');
  await waitForText(page, 'Leave be 3 findings in 3 shells');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, '[role=dialog] button', 'Leave be 3 findings in 3 shells');
  await waitForText(page, 'Leave be: 3 findings in 3 shells.');
  await clickText(page, 'button', 'Undo');
});

test('what is due in all of them, week by week', async () => {
  await visit(page, stage.address);
  await chooseAll();
  await clickText(page, 'a', 'Load by week');
  await waitForText(page, '3 deadlines in 3 shells');
  await waitForText(page, '1 February 2027');
  expect(await seriousProblems(page)).toEqual([]);
});

test('a department begins with the house’s rules, and shells are put under it', async () => {
  await visit(page, `${stage.address}/house-rules`);
  await page.type('section[aria-label=Departments] input', 'Geography');
  await clickText(page, 'button', 'Begin with these rules');
  await waitForText(page, 'Drop Geography’s rules');
  expect(await seriousProblems(page)).toEqual([]);
  await visit(page, stage.address);
  await chooseAll();
  await clickText(page, 'button', 'House rules');
  await clickText(page, '[role=menuitem]', 'Geography');
  await waitForText(page, '3 shells under the rules of Geography');
});

test('shells are laid by and taken up again; several are removed when their number is typed', async () => {
  await visit(page, stage.address);
  await page.click('input[aria-label="Choose GEO 131"]');
  await clickText(page, 'button', 'Lay by');
  await waitForText(page, 'Laid by: 1');
  await clickText(page, 'button', 'Laid by: 1');
  await waitForText(page, '1 shell laid by');
  await chooseAll();
  await clickText(page, 'button', 'Take up again');
  await clickText(page, 'button', 'Back to those worked on');
  await waitForText(page, '3 shells');
  await chooseAll();
  await clickText(page, 'button', 'Remove 3');
  await page.waitForSelector('[role=dialog] input');
  await page.type('[role=dialog] input', '3');
  await clickText(page, '[role=dialog] button', 'Remove 3 shells');
  await waitForText(page, 'No shell has been brought in yet');
});
