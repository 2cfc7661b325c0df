// npm run bench:browser: how the interface answers with a large shell, in the real browser. Needs `npm run build` before.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { answered, blanksWhileScrolling, keyed } from './answers';
import { measureOutline } from './outline-answers';
import { chooseFiles, clickText, setField, startStage, waitForText } from '../e2e/browser';
import { writeGenerated } from '../e2e/generated-package';

const size = Number(process.argv[2] ?? 10_000);
const lines: string[] = [];
const say = (line: string) => {
  lines.push(line);
  console.log(line);
};
const ms = (n: number) => `${Math.round(n).toLocaleString('en-GB')} ms`;
const middle = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-browser-'));
const stage = await startStage();
try {
  const files = await writeGenerated(size, join(folder, 'generated'));
  const page = await stage.open('/bring-in');
  // The transpiler names functions by a helper that the page does not have.
  await page.evaluateOnNewDocument('globalThis.__name = (f) => f;');
  await chooseFiles(page, { package: files.package, events: files.events });
  for (const [name, value] of Object.entries({
    code: 'GEN 100',
    termStart: '2027-01-11',
    termEnd: '2027-05-07',
    asOf: '2027-01-04',
  }))
    await setField(page, name, value);
  const bringing = await timed(async () => {
    await clickText(page, 'button', 'Bring in');
    await page.waitForFunction(() => /\/shells\/.+\/bring-in$/.test(location.pathname), { timeout: 120_000 });
    await waitForText(page, 'Intake report');
  });
  const shell = new URL(page.url()).pathname.replace(/\/bring-in$/, '');
  await page.goto(`${stage.address}${shell}/comb`, { waitUntil: 'load' });
  const combing = await timed(async () => {
    await clickText(page, 'button', 'Comb GEN 100');
    await page.waitForFunction(() => document.body?.innerText.includes('What students would notice first'), {
      timeout: 120_000,
    });
  });
  const again = await timed(async () => {
    await clickText(page, 'button', 'Comb again');
    await page.waitForSelector('[role=progressbar]', { timeout: 20_000 });
    await page.waitForFunction(() => !document.querySelector('[role=progressbar]'), { timeout: 120_000 });
  });
  const coat: number[] = [];
  for (let i = 0; i < 3; i += 1) {
    await page.goto(`${stage.address}${shell}/comb`, { waitUntil: 'load' });
    await page.waitForSelector('canvas[data-drawn]');
    coat.push(Number(await page.$eval('canvas[data-drawn]', (c) => c.dataset['drawn'])));
  }
  const opening: number[] = [];
  for (let i = 0; i < 3; i += 1) opening.push(await timed(() => openWorkbench(page, shell)));
  const all = await page.$eval('[data-testid=findings] > div', (d) => Math.round(d.scrollHeight / 50));
  const filters: number[] = [];
  // Each chip is pressed and let go again.
  for (let i = 0; i < 4; i += 1)
    for (const chip of ['Fix first', 'Fix first', 'Tidy', 'Tidy']) filters.push(await answered(page, chip));
  const moving: number[] = [];
  const choosing: number[] = [];
  await page.focus('[data-testid=findings]');
  for (let i = 0; i < 12; i += 1) {
    moving.push(await keyed(page, 'ArrowDown'));
    choosing.push(await keyed(page, ' '));
  }
  const everything = await keyed(page, 'a', true);
  const blank = await blanksWhileScrolling(page);

  await keyed(page, 'Escape');
  const one: number[] = [];
  for (let n = 0; n < 9; n += 1) one.push(await decided(page, 'a'));
  const thousand: number[] = [];
  let many = 0;
  for (let n = 0; n < 3; n += 1) {
    await page.evaluate(chooseThousand);
    many = await countChosen(page);
    thousand.push(await decided(page, 'a'));
  }
  const outline = await measureOutline(page, `${stage.address}${shell}/decide/outline`);
  await stage.restart();
  await page.goto(`${stage.address}${shell}/comb`, { waitUntil: 'load' });
  const combAgain = async () => {
    await clickText(page, 'button', 'Comb again');
    await page.waitForFunction(() => !/Combing:/.test(document.body?.innerText ?? ''), { timeout: 120_000 });
    await page.waitForSelector('canvas[data-drawn]');
  };
  const sameAgain = await timed(combAgain);
  await stage.restart();
  await post(
    '/api/house-rules',
    { schema: 'currycomb.house-rules/1', leftoverPhrases: ['old help line'] },
    'PUT',
  );
  await page.goto(`${stage.address}${shell}/comb`, { waitUntil: 'load' });
  const otherRules = await timed(combAgain);
  for (let n = 0; n < 39; n += 1) await bringInSmall(n);
  const lists: number[] = [];
  const drawn: number[] = [];
  for (let n = 0; n < 9; n += 1) {
    await page.goto('about:blank');
    lists.push(await timed(() => page.goto(`${stage.address}/`, { waitUntil: 'load' })));
    drawn.push(await firstDrawn(page));
  }
  const memory = stage.serverMemory();

  say('# The interface with a large shell');
  say('');
  say(
    `Made by \`npm run bench:browser\` on ${new Date().toISOString().slice(0, 10)}: a generated shell of ${size.toLocaleString('en-GB')} items with its calendar, about ${all.toLocaleString('en-GB')} rows of findings, headless Chromium at 1280×800 on the machine of [performance.md](performance.md). Medians where there are several.`,
  );
  say('');
  say('| | measured | goal |');
  say('|---|---:|---:|');
  say(`| package brought in, to the intake report | ${ms(bringing)} | 6,000 ms |`);
  say(`| combed the first time, to the findings | ${ms(combing)} | |`);
  say(`| combed again | ${ms(again)} | |`);
  say(`| combed again after a restart | ${ms(sameAgain)} | a third of the first |`);
  say(`| combed by other house rules after a restart | ${ms(otherRules)} | |`);
  say(`| one finding accepted by key | ${ms(middle(one))}, slowest ${ms(Math.max(...one))} | 100 ms |`);
  say(
    `| ${many.toLocaleString('en-GB')} findings accepted by key | ${ms(middle(thousand))}, slowest ${ms(Math.max(...thousand))} | 100 ms for 1,000 |`,
  );
  say(
    `| list of 40 shells drawn, its links at hand | ${ms(middle(drawn))}, slowest ${ms(Math.max(...drawn))} | 300 ms |`,
  );
  say(`| its scripts loaded, too | ${ms(middle(lists))}, slowest ${ms(Math.max(...lists))} | |`);
  say(`| memory of the server with 40 shells (resident) | ${Math.round(memory / 1024 ** 2)} MB | |`);
  say(`| Coat drawn | ${ms(middle(coat))} | 200 ms |`);
  say(`| findings usable after opening | ${ms(middle(opening))} | 2,000 ms |`);
  say(`| outline usable after opening | ${ms(middle(outline.opening))} | 1,500 ms |`);
  for (const [what, taken] of Object.entries(outline.answers))
    say(`| outline: ${what} | ${ms(middle(taken))}, slowest ${ms(Math.max(...taken))} | 150 ms |`);
  say(
    `| outline: frames of a fast scroll with a gap | ${outline.blank.gaps} of ${outline.blank.frames} | 0 |`,
  );
  say(`| filter answered | ${ms(middle(filters))}, slowest ${ms(Math.max(...filters))} | 100 ms |`);
  say(`| next finding by key | ${ms(middle(moving))}, slowest ${ms(Math.max(...moving))} | 100 ms |`);
  say(`| finding chosen by key | ${ms(middle(choosing))}, slowest ${ms(Math.max(...choosing))} | 100 ms |`);
  say(`| all chosen by key | ${ms(everything)} | 100 ms |`);
  say(`| frames of a fast scroll in which the list showed a gap | ${blank.gaps} of ${blank.frames} | 0 |`);
  if (process.argv[2] === undefined) writeFileSync('docs/performance-browser.md', `${lines.join('\n')}\n`);
} finally {
  await stage.close();
  rmSync(folder, { recursive: true, force: true });
}

/** Chooses a thousand findings by key: a hundred pages of ten. */
async function chooseThousand(): Promise<void> {
  const list = document.querySelector<HTMLElement>('[data-testid=findings]')!;
  for (let n = 0; n < 100; n += 1) {
    list.dispatchEvent(
      new KeyboardEvent('keydown', { key: 'PageDown', shiftKey: true, bubbles: true, cancelable: true }),
    );
    await new Promise((r) => requestAnimationFrame(r));
  }
}

function countChosen(page: Page): Promise<number> {
  return page.evaluate(() =>
    Number(/([\d,]+) chosen/.exec(document.body.innerText)?.[1]?.replace(/,/g, '') ?? 0),
  );
}

/** Milliseconds from a deciding key to the frame in which the decided findings have left the list. */
function decided(page: Page, key: string): Promise<number> {
  return page.evaluate(async (k) => {
    const list = document.querySelector<HTMLElement>('[data-testid=findings]')!;
    const chip = () =>
      // The text as it stands in the tree: asking for the rendered text would lay the page out once more.
      [...document.querySelectorAll('button')].find((b) => b.textContent?.startsWith('In the plan'))
        ?.textContent;
    const before = chip();
    const begun = performance.now();
    list.dispatchEvent(new KeyboardEvent('keydown', { key: k, bubbles: true, cancelable: true }));
    while (chip() === before && performance.now() - begun < 20_000)
      await new Promise((r) => requestAnimationFrame(r));
    await new Promise((r) => requestAnimationFrame(r));
    return performance.now() - begun;
  }, key);
}

/** Milliseconds from the request to the first frame with content (Paint Timing, section 2.2.1); the whole list is in it. */
async function firstDrawn(page: Page): Promise<number> {
  const entry = await page.waitForFunction(
    () => performance.getEntriesByName('first-contentful-paint')[0]?.startTime,
  );
  return Number(await entry.jsonValue());
}

async function post<T>(path: string, body: unknown, method = 'POST'): Promise<T> {
  const response = await fetch(`${stage.address}${path}`, {
    method,
    headers: { 'content-type': 'application/json', origin: stage.address },
    body: JSON.stringify(body),
  });
  return (await response.json()) as T;
}

/** One of the many shells of a designer: the demo's LIB 101 under another code, combed. */
async function bringInSmall(n: number): Promise<void> {
  const body = new Uint8Array(readFileSync('demo/out/lib-101/LIB-101.imscc'));
  const headers = { origin: stage.address };
  const sent = await fetch(`${stage.address}/api/uploads`, { method: 'POST', headers, body });
  const { id } = (await sent.json()) as { id: string };
  const about = { code: `LIB ${200 + n}`, termStart: '2027-01-11', termEnd: '2027-05-07' };
  const ordered = await post<{ jobId: string }>('/api/bring-in', {
    package: { id, name: 'l.imscc' },
    ...about,
  });
  const { shellId } = JSON.parse(await resultOf(ordered.jobId)) as { shellId: string };
  const combing = await post<{ jobId: string }>(`/api/shells/${shellId}/comb`, {});
  await resultOf(combing.jobId);
}

async function resultOf(jobId: string): Promise<string> {
  for (;;) {
    const job = (await (await fetch(`${stage.address}/api/jobs/${jobId}`)).json()) as {
      state: string;
      result: string;
      trouble: string;
    };
    if (job.state === 'done') return job.result;
    if (job.state === 'failed') throw new Error(job.trouble);
    await new Promise((r) => setTimeout(r, 20));
  }
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const begun = performance.now();
  await work();
  return performance.now() - begun;
}

async function openWorkbench(page: Page, shell: string): Promise<void> {
  await page.goto(`${stage.address}${shell}/decide`, { waitUntil: 'domcontentloaded' });
  await page.waitForFunction(
    () =>
      document.documentElement?.dataset['live'] === 'yes' &&
      document.querySelectorAll('[role=option]').length > 3,
    { timeout: 30_000, polling: 'raf' },
  );
}
