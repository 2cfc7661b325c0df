import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';

const axeSource = readFileSync(join(process.cwd(), 'node_modules/axe-core/axe.min.js'), 'utf8');

/** What we expose to every page is refused in the frames in which nothing runs: that they refuse is as it should be. */
const refusedHere = "Blocked script execution in 'about:srcdoc'";

/**
 * Everything a page complained about: errors, refused scripts and styles, failed requests, and moments in
 * which it had no title (a screen reader that asks then is told nothing).
 */
export async function watchPage(page: Page): Promise<string[]> {
  const complaints: string[] = [];
  page.on('pageerror', (error) =>
    complaints.push(`error: ${error instanceof Error ? error.message : String(error)}`),
  );
  page.on('console', (message) => {
    if (message.type() === 'error' && !message.text().startsWith(refusedHere))
      complaints.push(`console: ${message.text()} ${message.location().url ?? ''}`.trim());
  });
  await page.exposeFunction('titleWentAway', (path: string) => complaints.push(`no title on ${path}`));
  await page.evaluateOnNewDocument(watchTitle);
  await page.evaluate(watchTitle);
  return complaints;
}

/** Runs in the page. Asks whether there is a title whenever something in the head has changed. */
function watchTitle(): void {
  const { titleWentAway } = window as unknown as { titleWentAway: (path: string) => void };
  const look = () => {
    if (document.readyState === 'complete' && document.title === '') titleWentAway(location.pathname);
  };
  new MutationObserver(look).observe(document, { subtree: true, childList: true });
}

interface Violation {
  readonly id: string;
  readonly impact: string | null;
  readonly nodes: readonly { readonly target: unknown; readonly failureSummary?: string }[];
}

/** What axe finds serious or critical on the page as it stands (WCAG 2.2 A and AA rules). */
export async function seriousProblems(page: Page): Promise<string[]> {
  await coloursSettled(page);
  await page.evaluate(axeSource);
  const violations = await page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: { run(options: unknown): Promise<{ violations: Violation[] }> };
    };
    return (await axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] })).violations;
  });
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes
          .slice(0, 3)
          .map((n) => `${JSON.stringify(n.target)} ${n.failureSummary ?? ''}`)
          .join(' | ')}`,
    );
}

/**
 * Waits until what fades in or out is there: a button half way between disabled and enabled has colours
 * that no style names. What moves for ever, such as a bar of progress, is not waited for.
 */
async function coloursSettled(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const fading = document
      .getAnimations()
      .filter((animation) => Number.isFinite(animation.effect?.getComputedTiming().endTime));
    const longest = new Promise((resolve) => setTimeout(resolve, 1_000));
    await Promise.race([Promise.allSettled(fading.map((animation) => animation.finished)), longest]);
  });
}

/** Shows a page in light or dark, and waits until its colours have gone over. */
export async function inColours(page: Page, scheme: 'light' | 'dark'): Promise<void> {
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
  await page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 400)));
}
