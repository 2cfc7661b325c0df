import type { Page } from 'puppeteer-core';
import { blanksWhileScrolling } from './answers';

/** Milliseconds that the outline editor takes for what people do in it, each time anew. */
export interface OutlineFigures {
  readonly opening: number[];
  readonly answers: Readonly<Record<string, number[]>>;
  readonly blank: { readonly gaps: number; readonly frames: number };
}

const rounds = 3;

export async function measureOutline(page: Page, address: string): Promise<OutlineFigures> {
  const opening: number[] = [];
  for (let n = 0; n < rounds; n += 1) {
    const begun = performance.now();
    await page.goto(address, { waitUntil: 'domcontentloaded' });
    await page.waitForFunction(
      () =>
        document.documentElement?.dataset['live'] === 'yes' &&
        document.querySelectorAll('[role=treegrid] [role=row]').length > 3,
      { timeout: 30_000, polling: 'raf' },
    );
    opening.push(performance.now() - begun);
  }
  const answers: Record<string, number[]> = {
    'five hundred chosen moved by key': [],
    'taken back with Ctrl Z': [],
    'pages of a module sorted by name': [],
    'a title found': [],
  };
  for (let n = 0; n < rounds; n += 1) {
    await page.evaluate(chooseFiveHundred);
    answers['five hundred chosen moved by key']?.push(await treeKey(page, 'ArrowDown', 'alt'));
    answers['taken back with Ctrl Z']?.push(await treeKey(page, 'z', 'control'));
    await treeKey(page, 'Escape', null);
    await treeKey(page, 'Home', null);
    await treeKey(page, ' ', null);
    answers['pages of a module sorted by name']?.push(await sorted(page));
    await treeKey(page, 'z', 'control');
    await treeKey(page, 'Escape', null);
    answers['a title found']?.push(await filtered(page));
  }
  const blank = await blanksWhileScrolling(page, '[data-testid=outline]');
  // What was done goes out of the plan again before the next figures are taken.
  await new Promise((resolve) => setTimeout(resolve, 3000));
  return { opening, answers, blank };
}

/** Runs in the page: chooses five hundred rows by keys. */
async function chooseFiveHundred(): Promise<void> {
  const tree = document.querySelector<HTMLElement>('[data-testid=outline]')!;
  const press = (key: string, shiftKey = false) =>
    tree.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey, bubbles: true, cancelable: true }));
  press('Escape');
  press('Home');
  await new Promise((r) => requestAnimationFrame(r));
  for (let n = 0; n < 42; n += 1) {
    press('PageDown', true);
    await new Promise((r) => requestAnimationFrame(r));
  }
  await new Promise((r) => setTimeout(r, 300));
}

/** Milliseconds from a key to the frame that shows other rows, or another choice. */
const treeKey = (page: Page, key: string, held: 'alt' | 'control' | null): Promise<number> =>
  page.evaluate(
    async (k, modifier) => {
      const tree = document.querySelector<HTMLElement>('[data-testid=outline]')!;
      const state = () =>
        [...tree.querySelectorAll('[role=row][aria-level]')]
          .map((row) => `${row.getAttribute('aria-selected')} ${row.textContent}`)
          .join('|');
      const before = state();
      const begun = performance.now();
      tree.dispatchEvent(
        new KeyboardEvent('keydown', {
          key: k,
          altKey: modifier === 'alt',
          ctrlKey: modifier === 'control',
          bubbles: true,
          cancelable: true,
        }),
      );
      while (state() === before && performance.now() - begun < 5_000)
        await new Promise((r) => requestAnimationFrame(r));
      await new Promise((r) => requestAnimationFrame(r));
      return performance.now() - begun;
    },
    key,
    held,
  );

/**
 * Milliseconds from the button that sorts what stands in the chosen module to the rows in their new order. The modules
 * themselves may be in order already, by the findings that were accepted before.
 */
const sorted = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const panel = () => document.querySelector('[aria-label="What to do with the outline"]');
    const find = () =>
      [...document.querySelectorAll('button')].find(
        (b) =>
          b.textContent?.startsWith('Sort by number') && panel()?.textContent?.startsWith('1 item chosen'),
      );
    for (let n = 0; n < 200 && !find(); n += 1) await new Promise((r) => setTimeout(r, 20));
    const button = find();
    if (!button)
      throw new Error(`Nothing offers to sort: ${document.querySelector('main')?.innerText.slice(0, 600)}`);
    const rows = () =>
      [...document.querySelectorAll('[data-testid=outline] [role=row][aria-level]')]
        .map((row) => row.textContent)
        .join('|');
    const before = rows();
    const begun = performance.now();
    button.click();
    while (rows() === before && performance.now() - begun < 5_000)
      await new Promise((r) => requestAnimationFrame(r));
    await new Promise((r) => requestAnimationFrame(r));
    return performance.now() - begun;
  });

/** Milliseconds from a typed word to the rows that it leaves; the word goes again. */
const filtered = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const input = document.querySelector<HTMLInputElement>('main input')!;
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
    const type = (text: string) => {
      set?.call(input, text);
      input.dispatchEvent(new Event('input', { bubbles: true }));
    };
    const count = () => document.querySelector('[role=treegrid]')?.getAttribute('aria-rowcount');
    const before = count();
    const begun = performance.now();
    type('week 1');
    while (count() === before && performance.now() - begun < 5_000)
      await new Promise((r) => requestAnimationFrame(r));
    await new Promise((r) => requestAnimationFrame(r));
    const taken = performance.now() - begun;
    type('');
    await new Promise((r) => setTimeout(r, 200));
    return taken;
  });
