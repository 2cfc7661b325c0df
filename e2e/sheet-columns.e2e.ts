import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { item, makeZip, manifest } from '@/services/__tests__/make-package';
import { clickText, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems } from './watch-page';

let stage: Stage;
let page: Page;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-columns-'));
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
});
afterAll(async () => {
  await stage.close();
  rmSync(folder, { recursive: true, force: true });
});

async function offer(): Promise<void> {
  await visit(page, `${stage.address}/bring-in`);
  const sheet = join(folder, 'report.csv');
  writeFileSync(sheet, 'Item ID,Published,Colour\na,no,green\n');
  const pack = await makeZip(join(folder, 'good.imscc'), {
    'imsmanifest.xml': manifest(item('a', 'Reading the gauge') + item('b', 'Stage marks'), ''),
  });
  for (const [slot, path] of [
    ['package', pack],
    ['status', sheet],
  ] as const) {
    const input = await page.waitForSelector(`[data-testid=file-${slot}]`);
    await (input as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(path);
  }
  await waitForText(page, 'What the columns of the status sheet mean');
}
const shown = () =>
  page.$$eval('fieldset [role=combobox]', (all) => all.map((e) => (e as HTMLElement).innerText));

test('a sheet with names of its own asks what they mean', async () => {
  await offer();
  expect(await shown()).toEqual(['leave it alone', 'leave it alone', 'leave it alone']);
  expect(await seriousProblems(page)).toEqual([]);
  for (const [at, means] of [
    [0, 'which thing (its ref)'],
    [1, 'whether students see it'],
  ] as const) {
    const boxes = await page.$$('fieldset [role=combobox]');
    await boxes[at]!.click();
    await page.waitForSelector('[role=listbox]');
    await clickText(page, '[role=option]', means);
    await page.waitForFunction(() => !document.querySelector('[role=listbox]'));
  }
  await clickText(page, 'button', 'Bring in');
  await waitForText(page, 'Intake report');
  await waitForText(page, '1 hidden, 50 % of the items');
});

test('and does not ask again', async () => {
  await offer();
  expect(await shown()).toEqual(['which thing (its ref)', 'whether students see it', 'leave it alone']);
});
