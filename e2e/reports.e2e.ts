import type { Page } from 'puppeteer-core';
import readWorkbook from 'read-excel-file/node';
import { bringInGeo, clickText, waitForText } from './browser';
import { startWithShell, type ShellStage } from './shell-stage';
import { seriousProblems } from './watch-page';

let shell: ShellStage;
let page: Page;
beforeAll(async () => {
  shell = await startWithShell(bringInGeo);
  ({ page } = shell);
});
afterAll(() => shell.close());

const report = (of: string, as: string) =>
  fetch(`${shell.stage.address}/api/shells/${shell.id}/report?of=${of}&as=${as}`);

test('what is not there yet is said, and asked for it answers with a sentence', async () => {
  await shell.goTo('comb');
  expect((await report('audit', 'html')).status).toBe(404);
  expect((await report('everything', 'html')).status).toBe(400);
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'Comb again');
  await shell.goTo('prove');
  await waitForText(page, 'after something is carried out');
  expect(await seriousProblems(page)).toEqual([]);
});

test('every report is there as a page, as CSV, as JSON and as a workbook', async () => {
  for (const kind of ['audit', 'sign-off']) {
    const asJson = (await (await report(kind, 'json')).json()) as {
      tables: { id: string; rows: unknown[] }[];
    };
    const [first] = asJson.tables;
    expect(first?.rows.length).toBeGreaterThan(5);
    const csv = await (await report(kind, 'csv')).text();
    expect(csv.split('\r\n').length).toBeGreaterThan(first?.rows.length ?? 0);
    const sheets = await readWorkbook(Buffer.from(await (await report(kind, 'xlsx')).arrayBuffer()));
    expect(sheets).toHaveLength(asJson.tables.length + 1);
    expect(sheets[1]?.data).toHaveLength((first?.rows.length ?? 0) + 1);
  }
});

test('the page to be signed runs and loads nothing, and prints on A4 and on Letter', async () => {
  const sheet = await shell.stage.open(`/api/shells/${shell.id}/report?of=sign-off`);
  await waitForText(sheet, 'Looked over by');
  await waitForText(sheet, 'Every link inside the shell leads somewhere');
  expect(await seriousProblems(sheet)).toEqual([]);
  for (const format of ['a4', 'letter'] as const) {
    const pdf = await sheet.pdf({ format, printBackground: true });
    expect(Buffer.from(pdf).subarray(0, 5).toString()).toBe('%PDF-');
  }
  await sheet.close();
});
