import Database from 'better-sqlite3';
import { mkdtempSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { item, makeZip, manifest } from '@/services/__tests__/make-package';
import { clickText, setField, startStage, waitForText, type Stage, visit } from './browser';
import { watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
const folder = mkdtempSync(join(tmpdir(), 'currycomb-bad-'));
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
});
afterAll(async () => {
  await stage.close();
  rmSync(folder, { recursive: true, force: true });
});

async function offer(files: Readonly<Record<string, string>>): Promise<void> {
  await visit(page, `${stage.address}/bring-in`);
  for (const [slot, path] of Object.entries(files)) {
    const input = await page.waitForSelector(`[data-testid=file-${slot}]`);
    await (input as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(path);
  }
}
const alert = async () => {
  await page.waitForSelector('[role=alert]', { timeout: 120_000 });
  return page.$eval('[role=alert]', (e) => (e as HTMLElement).innerText.trim());
};
const good = () => makeZip(join(folder, 'good.imscc'), { 'imsmanifest.xml': manifest(item('a', 'A'), '') });

describe('each gets one clear sentence, and nothing is half stored', () => {
  test('no package at all', async () => {
    await offer({});
    await clickText(page, 'button', 'Bring in');
    expect(await alert()).toBe('Choose a course package first: an .imscc or .zip file.');
  });
  test.each([
    [
      'a truncated zip',
      /^“half.imscc” can’t be read as a zip archive: it is damaged, cut short or something else\. Export the package again\.$/,
    ],
    [
      'a zip without manifest',
      /^The package has no imsmanifest.xml, so it is no course package; export the course as a Common Cartridge\.$/,
    ],
    [
      'a manifest with a document type',
      /^imsmanifest.xml has a document type, which is not allowed here\. Export the package again, or ask whoever made it\.$/,
    ],
    [
      'an .ics that is not one',
      /^“page.ics” is not an iCalendar file: it does not begin with BEGIN:VCALENDAR\. Export the calendar as \.ics\.$/,
    ],
    ['a sheet that is none', /^“sheet.csv” has neither a column “ref” nor a column “title” in its first row/],
  ] as const)('%s', async (what, sentence) => {
    const files: Record<string, string> = {};
    if (what === 'a truncated zip') {
      files['package'] = await makeZip(join(folder, 'half.imscc'), {
        'imsmanifest.xml': manifest('', ''),
        'x.txt': 'y'.repeat(9000),
      });
      truncateSync(files['package'], 120);
    } else if (what === 'a zip without manifest')
      files['package'] = await makeZip(join(folder, 'none.zip'), { 'a.txt': 'x' });
    else if (what === 'a manifest with a document type')
      files['package'] = await makeZip(join(folder, 'doctype.imscc'), {
        'imsmanifest.xml':
          '<!DOCTYPE manifest [<!ENTITY x SYSTEM "file:///etc/passwd">]><manifest>&x;</manifest>',
      });
    else {
      files['package'] = await good();
      const side = join(folder, what === 'an .ics that is not one' ? 'page.ics' : 'sheet.csv');
      writeFileSync(side, 'name,colour\n<html>,red\n');
      files[what === 'an .ics that is not one' ? 'events' : 'status'] = side;
    }
    await offer(files);
    await clickText(page, 'button', 'Bring in');
    expect(await alert()).toMatch(sentence);
    expect(readdirSync(join(stage.dataDir, 'uploads'))).toEqual([]);
    await expectNoBlobs(stage.dataDir);
    await visit(page, stage.address);
    await waitForText(page, 'No shell has been brought in yet');
  });
  test('a day that does not exist', async () => {
    await offer({ package: await good() });
    await setField(page, 'code', 'X 1');
    await setField(page, 'termStart', '2027-02-30');
    expect(await alert()).toMatch(/“Term begins” is no day of the calendar; write it anew, or empty it/);
    const isOff = (button: Element) => (button as HTMLButtonElement).disabled;
    expect(await page.$eval('button[type=submit]', isOff)).toBe(true);
  });
  test('unknown refs in a sheet are reported, the rest comes in', async () => {
    const side = join(folder, 'status.csv');
    writeFileSync(side, 'ref,visible\nnobody,no\na,no\n');
    await offer({ package: await good(), status: side });
    await clickText(page, 'button', 'Bring in');
    await waitForText(page, 'nothing in the package is called “nobody”; the row is left out');
    await waitForText(page, 'status.csv, row 1');
  });
  test('a shell that is not there', async () => {
    await visit(page, `${stage.address}/shells/nothing/comb`);
    await waitForText(page, 'This page is not here');
  });
  test('a thing that is not in a shell is told apart from a shell that is not there', async () => {
    await offer({ package: await good() });
    await clickText(page, 'button', 'Bring in');
    await waitForText(page, 'Is this the right shell?');
    const shell = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
    const troubleOf = (path: string) =>
      page.evaluate(async (address) => {
        const response = await fetch(`/api${address}`);
        return (await response.json()) as { trouble: string };
      }, path);
    expect(await troubleOf(`${shell}/stages/evidence?finding=nothing`)).toEqual({
      trouble: 'This thing is not here any more; go back to the list of shells.',
    });
    expect(await troubleOf('/shells/nothing/stages/comb')).toEqual({
      trouble: 'This shell is not here any more; go back to the list of shells.',
    });
  });
});

test('a shell whose kept contents are gone says so, and the rest of it stays usable', async () => {
  await offer({ package: await good() });
  await clickText(page, 'button', 'Bring in');
  await waitForText(page, 'Is this the right shell?');
  const shell = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
  await visit(page, `${stage.address}${shell}/comb`);
  await clickText(page, 'button', 'Comb');
  await waitForText(page, 'Smoothness');
  await page.goto('about:blank');
  await stage.restart();
  const pack = new Database(join(stage.dataDir, 'blobs/pack.sqlite'));
  pack.exec('DELETE FROM blobs');
  pack.close();
  await visit(page, `${stage.address}${shell}/bring-in/contents`);
  await waitForText(page, 'This can’t be shown');
  expect(await alert()).toBe(
    'The state of this shell is missing from Currycomb’s folder, or is damaged; bring the package in again, or put the folder back from a copy.',
  );
  await clickText(page, 'main a', 'the findings');
  await waitForText(page, 'Smoothness');
  await visit(page, `${stage.address}${shell}/decide`);
  await waitForText(page, 'Why this is looked for');
  await waitForText(page, 'The state of this shell is missing from Currycomb’s folder');
});

describe('only pages of this computer are answered', () => {
  const ask = (path: string, headers: Record<string, string>, method = 'GET') =>
    new Promise<number>((resolve, reject) => {
      const { hostname, port } = new URL(stage.address);
      const req = request(
        { hostname, port, path, method, headers: { host: `127.0.0.1:${port}`, ...headers } },
        (res) => {
          res.resume();
          resolve(res.statusCode ?? 0);
        },
      );
      req.on('error', reject);
      req.end();
    });
  test('foreign hosts are refused', async () => {
    expect(await ask('/', { host: 'evil.example' })).toBe(421);
    expect(await ask('/api/jobs/x', { host: 'evil.example' })).toBe(421);
    // A request that calls itself a prefetch is no exception.
    for (const header of ['next-router-prefetch', 'purpose', 'next-router-state-tree'])
      expect(await ask('/house-rules', { host: 'evil.example', [header]: '1' })).toBe(421);
    expect(await ask('/', {})).toBe(200);
  });
  test('changing requests from foreign origins are refused', async () => {
    expect(
      await ask('/api/bring-in', { origin: 'http://evil.example', 'content-type': 'text/plain' }, 'POST'),
    ).toBe(403);
    expect(await ask('/api/uploads', { 'sec-fetch-site': 'cross-site' }, 'POST')).toBe(403);
  });
});

test('the pages had nothing to complain about beyond the refusals themselves', () => {
  expect(complaints.filter((c) => !/status of (400|404|422)/.test(c))).toEqual([]);
});

/** What a reading left is swept by a job of its own, soon after it ended. */
async function expectNoBlobs(dataDir: string): Promise<void> {
  for (let tries = 0; tries < 100; tries += 1) {
    if (countBlobs(dataDir) === 0) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  expect(countBlobs(dataDir)).toBe(0);
}

function countBlobs(dataDir: string): number {
  const folder = join(dataDir, 'blobs');
  const pack = new Database(join(folder, 'pack.sqlite'), { readonly: true });
  const packed = pack.prepare('SELECT count(*) FROM blobs').pluck().get() as number;
  pack.close();
  const folders = readdirSync(folder, { withFileTypes: true }).filter((entry) => entry.isDirectory());
  return folders.reduce((sum, { name }) => sum + readdirSync(join(folder, name)).length, packed);
}
