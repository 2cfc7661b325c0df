import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { Page } from 'puppeteer-core';
import { bringInDemo, clickText, startStage, waitForText, type Stage, visit } from './browser';
import { seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  await bringInDemo(page);
});
afterAll(() => stage.close());

function damage(file: string): void {
  const bytes = readFileSync(file);
  bytes.fill(0x5a, 0, 64 * 1024);
  writeFileSync(file, bytes);
}
function putBack(file: string, bytes: Buffer): void {
  for (const ending of ['-wal', '-shm']) rmSync(`${file}${ending}`, { force: true });
  writeFileSync(file, bytes);
}

const goToFolder = () => visit(page, `${stage.address}/folder`);

test('a folder that nobody looked over says so; looked over it is sound', async () => {
  await goToFolder();
  await waitForText(page, 'Nobody has looked it over yet');
  await waitForText(page, 'Nothing has gone wrong');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Look it over');
  await waitForText(page, 'Nothing is wrong');
});

test('what is damaged is named with its shell and mended by one press', async () => {
  const pack = new Database(join(stage.dataDir, 'blobs', 'pack.sqlite'), { timeout: 10_000 });
  const hash = pack.prepare('SELECT hash FROM blobs WHERE length(bytes) < 2000 LIMIT 1').pluck().get();
  pack.prepare('UPDATE blobs SET bytes = zeroblob(10) WHERE hash = ?').run(hash);
  pack.close();
  await clickText(page, 'button', 'Look it over');
  await waitForText(page, 'they belong to HYD 214');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Mend 1 thing');
  await waitForText(page, '1 thing mended');
});

test('a backup is written and fetched', async () => {
  await clickText(page, 'button', 'Write a backup');
  await waitForText(page, 'Fetch the backup');
  const fetched = await page.$eval('a[download]', async (link) => {
    const response = await fetch(link.href);
    const { size } = await response.blob();
    return { status: response.status, name: response.headers.get('content-disposition'), size };
  });
  expect(fetched.status).toBe(200);
  expect(fetched.name).toMatch(/^attachment; filename="currycomb-.*\.backup"$/);
  expect(fetched.size).toBeGreaterThan(100_000);
});

test('a database that is damaged while Currycomb stands still is told on every page, and works again when it is back', async () => {
  const file = join(stage.dataDir, 'currycomb.sqlite');
  let bytes = Buffer.alloc(0);
  await stage.restart(() => {
    const whole = new Database(file);
    whole.pragma('wal_checkpoint(TRUNCATE)');
    whole.close();
    bytes = readFileSync(file);
    damage(file);
  });
  await goToFolder();
  await waitForText(page, 'is damaged. End Currycomb and run “npm run doctor”');
  await visit(page, `${stage.address}/`);
  await waitForText(page, 'This can’t be shown now');
  await waitForText(page, 'is damaged. End Currycomb');
  putBack(file, bytes);
  await visit(page, `${stage.address}/`);
  await waitForText(page, 'HYD 214');
  expect(complaints.filter((line) => !/503|500|damaged|digest|React error #441/.test(line))).toEqual([]);
});
