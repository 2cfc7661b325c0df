import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { bio355AtHost } from '../demo/bio-355/build';
import { CampusHost } from '../stand-ins/campus/host';
import { seedShell } from '../stand-ins/campus/seed-shell';
import { startCampusHost } from '../stand-ins/campus/serve';
import { startOutsideWeb } from '../stand-ins/outside-web/serve';
import { noTroubles } from '../stand-ins/campus/troubles';
import {
  bringIn,
  bringInGeo,
  demoTerm,
  bringInDemo,
  chooseFiles,
  clickText,
  startStage,
  waitForText,
  visit,
} from './browser';

/** Takes one picture of each main view from the demo data. A folder named as argument gets them instead of docs/screenshots. */
const folder = process.argv[2] ?? 'docs/screenshots';
const only = process.argv[3]?.split(',');
mkdirSync(folder, { recursive: true });
const web = await startOutsideWeb();
const webMap = join(mkdtempSync(join(tmpdir(), 'currycomb-pictures-')), 'web.json');
writeFileSync(webMap, JSON.stringify(web.map));
const stage = await startStage({ CURRYCOMB_WEB: webMap });
const shot = async (page: Page, name: string) => {
  if (only && !only.includes(name)) return;
  await new Promise((r) => setTimeout(r, 350));
  await page.screenshot({ path: `${folder}/${name}.png` as `${string}.png` });
};
try {
  const page = await stage.open('/bring-in');
  const id = await bringInDemo(page);
  await waitForText(page, 'Intake report');
  await shot(page, 'inventory');
  await clickText(page, 'a', 'Comb');
  await clickText(page, 'button', 'Comb HYD 214');
  await waitForText(page, 'What students would notice first');
  await shot(page, 'comb');
  await visit(page, `${stage.address}/shells/${id}/decide?family=duplicate&urgency=look-at`);
  await clickText(page, '[role=option]', '“Reading the staff gauge (2)” says the same');
  await waitForText(page, 'Why this one stays');
  await shot(page, 'decide-pair');
  await visit(page, `${stage.address}/shells/${id}/decide/outline`);
  await page.waitForSelector('[role=treegrid] [role=row][aria-level]');
  await page.type('main input', 'week');
  for (const row of [3, 5, 6]) await page.click(`[role=treegrid] [role=row][aria-rowindex="${row}"]`);
  await shot(page, 'outline');
  await visit(page, `${stage.address}/shells/${id}/decide/calendar`);
  await clickText(page, 'label', 'Lab section A');
  await shot(page, 'calendar');
  await visit(page, `${stage.address}/shells/${id}/decide/re-date`);
  await waitForText(page, 'dated things would move');
  await shot(page, 're-date');
  await visit(page, `${stage.address}/shells/${id}/decide/values`);
  await clickText(page, 'button', 'With dates');
  await page.focus('[data-testid=values]');
  await page.keyboard.type('1/15/2027');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.down('Shift');
  for (let n = 0; n < 6; n += 1) await page.keyboard.press('ArrowDown');
  await page.keyboard.up('Shift');
  await clickText(page, 'button', 'Fill a week apart');
  await shot(page, 'values');
  await visit(page, `${stage.address}/shells/${id}/comb`);
  for (const words of ['Delete 86', 'Delete 109']) await clickText(page, 'button', words);
  await clickText(page, 'button', 'Look');
  await clickText(page, 'button', 'Delete 96');
  await waitForText(page, 'Rehearse 2');
  await visit(page, `${stage.address}/shells/${id}/rehearse`);
  await waitForText(page, 'Step by step');
  await shot(page, 'rehearse');
  await visit(page, `${stage.address}/shells/${id}/bring-in/contents?kind=files`);
  await page.waitForSelector('[role=grid]');
  await page.type('main input', 'hand-out-4');
  for (const row of [3, 4, 6]) await page.click(`[role=row][aria-rowindex="${row}"]`);
  await shot(page, 'list');
  await visit(page, `${stage.address}/shells/${id}/decide/outline`);
  await page.waitForSelector('[role=treegrid] [role=row][aria-level]');
  await clickText(page, 'header button', '2');
  await waitForText(page, 'Plans kept by name');
  await page.waitForFunction(() => document.body?.innerText.includes('Looking at the plan') === false);
  await shot(page, 'plan-drawer');
  await visit(page, `${stage.address}/shells/${id}/rehearse`);
  await clickText(page, 'button', 'Carry out');
  await waitForText(page, 'Ledger');
  await shot(page, 'carry-out');
  await visit(page, `${stage.address}/shells/${id}/prove`);
  await waitForText(page, 'Findings by family');
  await shot(page, 'prove');
  await visit(page, `${stage.address}/shells/${id}/prove/outside`);
  await page.click('input[type=checkbox]');
  await page.waitForSelector('button.MuiButton-contained:not([disabled])');
  await clickText(page, 'button', 'Ask the links');
  await waitForText(page, 'outside want a look');
  await waitForText(page, 'to decide on');
  await shot(page, 'outside');
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }]);
  await visit(page, `${stage.address}/shells/${id}/prove/student?day=2027-02-03&show=differs`);
  await page.waitForSelector('[data-testid=eye-list] [role=option]');
  await shot(page, 'student');
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'light' }]);
  await visit(page, `${stage.address}/bring-in`);
  const maps = await bringInGeo(page, demoTerm);
  await visit(page, `${stage.address}/shells/${maps}/carry-out/reset`);
  await waitForText(page, 'things would go');
  await page.type('::-p-aria([name="Exceptions to keep"][role="combobox"])', 'Your map');
  await clickText(page, '[role=option]', 'Your map');
  await waitForText(page, 'stay since these need them');
  await shot(page, 'reset');
  await visit(page, `${stage.address}/bring-in`);
  const evening = await bringIn(
    page,
    { package: 'hyd-214-e/HYD-214-E.imscc', baseline: 'template/template.imscc' },
    { code: 'HYD 214-E', ...demoTerm },
  );
  await visit(page, `${stage.address}/shells/${evening}/bring-in/add`);
  await chooseFiles(page, {
    package: 'hyd-214/HYD-214.imscc',
    events: 'hyd-214/events.ics',
    status: 'hyd-214/status.csv',
  });
  await clickText(page, 'button', 'Compare the package');
  await waitForText(page, 'none is dropped');
  await shot(page, 'bring-over');
  await page.evaluate(async () => {
    const terms = [
      {
        title: 'Spring 2027',
        start: '2027-01-11',
        end: '2027-05-07',
        noClass: ['2027-03-15', '2027-03-16', '2027-03-17', '2027-03-18', '2027-03-19', '2027-04-02'],
      },
      { title: 'Autumn 2027', start: '2027-08-30', end: '2027-12-17' },
    ];
    await fetch('/api/house-rules', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ terms }),
    });
  });
  await visit(page, `${stage.address}/house-rules`);
  await waitForText(page, 'Lists of your house');
  await page.evaluate(() =>
    window.scrollTo(0, document.getElementById('terms')!.getBoundingClientRect().top - 110),
  );
  await shot(page, 'house-rules');
  await showHostRun(page);
  await visit(page, `${stage.address}/`);
  await shot(page, 'shells');
} finally {
  await web.close();
  await stage.close();
}

/** A reset of BIO 355 on a campus host, half-way: slow enough to be looked at, with something to overcome. */
async function showHostRun(page: Page): Promise<void> {
  const host = new CampusHost();
  const { shell, composer } = bio355AtHost();
  seedShell(host, shell, composer.source);
  const running = await startCampusHost(host);
  await visit(page, `${stage.address}/bring-in/from-host`);
  await page.type('input[name=address]', running.address);
  await page.type('input[name=name]', 'r.alder');
  await page.type('input[name=secret]', 'marsh-marigold');
  await clickText(page, 'button', 'Sign in');
  await clickText(page, 'button', 'Read BIO 355');
  await waitForText(page, 'What students would notice first');
  const address = page.url().replace(/\/comb$/, '');
  await visit(page, `${address}/carry-out/reset`);
  await waitForText(page, 'with student work would go for good');
  await page.type('::-p-aria([name="Type BIO 355 to arm it"])', 'BIO 355');
  const number = await page.evaluate(() => /Type (\d+), the things/.exec(document.body.innerText)?.[1] ?? '');
  await page.type(`::-p-aria([name="Type ${number}, the things with student work"])`, number);
  await clickText(page, 'button', 'Rehearse the reset');
  await waitForText(page, 'Carry out');
  host.setTroubles({ ...noTroubles, fail: 0.15, slow: 60, stall: 350, expire: 70 });
  await clickText(page, 'button', 'Carry out');
  await waitForText(page, 'Carrying out on the host');
  await page.waitForFunction(() => /[1-9]\d\d of [\d,]+ changes sent/.test(document.body?.innerText ?? ''));
  await page.evaluate(() => document.querySelector('main details')?.setAttribute('open', ''));
  await shot(page, 'host-run');
  host.setTroubles(noTroubles);
  await page.waitForFunction(() => document.body?.innerText.includes('Empty'), { timeout: 60_000 });
  await running.close();
}
