import type { Page } from 'puppeteer-core';
import readWorkbook from 'read-excel-file/node';
import { bringInGeo, clickText, startStage, waitForText, type Stage } from './browser';
import { seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id: string;
const report = (of: string, as: string) =>
  fetch(`${stage.address}/api/shells/${id}/report?of=${of}&as=${as}`);

beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  id = await bringInGeo(page);
});
afterAll(async () => {
  await stage.close();
  expect(complaints).toEqual([]);
});

test('what is not there yet is said, and asked for it answers with a sentence', async () => {
  await page.goto(`${stage.address}/shells/${id}/comb`, { waitUntil: 'load' });
  expect((await report('audit', 'html')).status).toBe(404);
  expect((await report('everything', 'html')).status).toBe(400);
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'Comb again');
  await page.goto(`${stage.address}/shells/${id}/prove`, { waitUntil: 'load' });
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
  const sheet = await stage.open(`/api/shells/${id}/report?of=sign-off`);
  await waitForText(sheet, 'Looked over by');
  await waitForText(sheet, 'Every link inside the shell leads somewhere');
  expect(await seriousProblems(sheet)).toEqual([]);
  for (const format of ['a4', 'letter'] as const) {
    const pdf = await sheet.pdf({ format, printBackground: true });
    expect(Buffer.from(pdf).subarray(0, 5).toString()).toBe('%PDF-');
  }
  await sheet.close();
});
