// npm run bench:bring-over: how the screen that brings things over answers with a large source, in the real browser.
// Needs `npm run build` before.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { bringIn, chooseFiles, clickText, demoTerm, startStage, visit, waitForText } from '../e2e/browser';
import { writeGenerated } from '../e2e/generated-package';

const size = Number(process.argv[2] ?? 10_000);
const folder = mkdtempSync(join(tmpdir(), 'currycomb-bring-over-'));
const middle = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;
const ms = (n: number) => `${Math.round(n).toLocaleString('en-GB')} ms`;
async function timed(work: () => Promise<unknown>): Promise<number> {
  const begun = performance.now();
  await work();
  return performance.now() - begun;
}

/** Milliseconds from a key in the source to the frame in which the headline has changed. */
const ticked = (page: Page, key: string): Promise<number> =>
  page.evaluate(async (pressed) => {
    const list = document.querySelector<HTMLElement>('[data-testid=source]')!;
    const state = () => document.querySelector('h1')?.textContent ?? '';
    const before = state();
    const begun = performance.now();
    list.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true, cancelable: true }));
    while (state() === before && performance.now() - begun < 5_000)
      await new Promise((resolve) => requestAnimationFrame(resolve));
    await new Promise((resolve) => requestAnimationFrame(resolve));
    return performance.now() - begun;
  }, key);

/** Milliseconds from a text in the filter to the frame in which the list has changed. */
const filtered = (page: Page, text: string): Promise<number> =>
  page.evaluate(async (typed) => {
    const input = document.querySelector<HTMLInputElement>('input[aria-label="Filter by title"]')!;
    const height = () => document.querySelector<HTMLElement>('[data-testid=source] > div')!.style.height;
    const before = height();
    const begun = performance.now();
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, typed);
    input.dispatchEvent(new Event('input', { bubbles: true }));
    while (height() === before && performance.now() - begun < 5_000)
      await new Promise((resolve) => requestAnimationFrame(resolve));
    await new Promise((resolve) => requestAnimationFrame(resolve));
    return performance.now() - begun;
  }, text);

const stage = await startStage();
try {
  const files = await writeGenerated(size, join(folder, 'generated'));
  const page = await stage.open('/bring-in');
  await page.evaluateOnNewDocument('globalThis.__name = (f) => f;');
  const id = await bringIn(
    page,
    { package: 'hyd-214-e/HYD-214-E.imscc' },
    { code: 'HYD 214-E', ...demoTerm },
  );
  const address = `${stage.address}/shells/${id}/bring-in/add`;
  await visit(page, address);
  await chooseFiles(page, { package: files.package, events: files.events });
  const comparing = await timed(async () => {
    await clickText(page, 'button', 'Compare the package');
    await waitForText(page, 'as it would become', 180_000);
  });
  const opening: number[] = [];
  for (let n = 0; n < 3; n += 1)
    opening.push(
      await timed(async () => {
        await visit(page, address);
        await page.waitForSelector('[data-testid=source] [role=treeitem]');
      }),
    );
  const rows = await page.$eval('[data-testid=source] > div', (box) => Math.round(box.scrollHeight / 33));
  await page.focus('[data-testid=source]');
  await page.keyboard.press('Home');
  const ticks: number[] = [];
  // The first row is the whole outline, the second its first module.
  for (let n = 0; n < 6; n += 1) ticks.push(await ticked(page, ' '));
  await page.keyboard.press('ArrowDown');
  const modules: number[] = [];
  for (let n = 0; n < 10; n += 1) modules.push(await ticked(page, ' '));
  const filters: number[] = [];
  for (const text of ['ba', '', 'cor', '', 'nor', '']) filters.push(await filtered(page, text));
  const lines = [
    '# Bringing over from a large source',
    '',
    `Made by \`npm run bench:bring-over\` on ${new Date().toISOString().slice(0, 10)}: a generated source of ${size.toLocaleString('en-GB')} items with its calendar beside HYD 214-E, ${rows.toLocaleString('en-GB')} rows; headless Chromium at 1280×800 on the machine of [performance.md](performance.md). Medians where there are several; from the key to the frame that shows the answer.`,
    '',
    '| what | time | goal |',
    '|---|---|---|',
    `| reading the package and comparing it | ${ms(comparing)} | |`,
    `| opening the screen until rows can be ticked | ${ms(middle(opening))} | 2 s |`,
    `| ticking one module | ${ms(middle(modules))} | 100 ms |`,
    `| ticking the whole outline | ${ms(middle(ticks))} | |`,
    `| a letter in the filter | ${ms(middle(filters))} | 100 ms |`,
    '',
  ];
  console.log(lines.join('\n'));
  writeFileSync('docs/performance-bring-over.md', lines.join('\n'));
} finally {
  await stage.close();
  rmSync(folder, { recursive: true, force: true });
}
