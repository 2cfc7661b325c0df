import type { Page } from 'puppeteer-core';

/** Milliseconds from a click on a chip to the frame in which the list has changed. */
export const answered = (page: Page, chip: string): Promise<number> =>
  page.evaluate(async (words) => {
    const button = [...document.querySelectorAll<HTMLElement>('button, a, [role=button]')].find((b) =>
      b.innerText.trim().startsWith(words),
    )!;
    const list = document.querySelector('[data-testid=findings]')!;
    const state = () =>
      `${list.querySelector('div')!.style.height} ${list.querySelector('[role=option]')?.id}`;
    const before = state();
    const begun = performance.now();
    button.click();
    while (state() === before && performance.now() - begun < 10_000)
      await new Promise((r) => requestAnimationFrame(r));
    await new Promise((r) => requestAnimationFrame(r));
    return performance.now() - begun;
  }, chip);

/** Milliseconds from a key to the next frame that shows what it did. */
export const keyed = (page: Page, key: string, control = false, shift = false): Promise<number> =>
  page.evaluate(
    async (k, ctrl, shifted) => {
      const list = document.querySelector<HTMLElement>('[data-testid=findings]')!;
      const state = () =>
        `${list.getAttribute('aria-activedescendant')} ${list.querySelectorAll('[aria-selected=true]').length}`;
      const before = state();
      const begun = performance.now();
      list.dispatchEvent(
        new KeyboardEvent('keydown', {
          key: k,
          ctrlKey: ctrl,
          shiftKey: shifted,
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
    control,
    shift,
  );

/** Scrolls through the list in forty jumps and looks at every frame whether rows fill the window. */
export const blanksWhileScrolling = (
  page: Page,
  selector = '[data-testid=findings]',
): Promise<{ gaps: number; frames: number }> =>
  page.evaluate(async (wanted) => {
    const list = document.querySelector<HTMLElement>(wanted)!;
    let gaps = 0;
    let frames = 0;
    const step = Math.min(900, (list.scrollHeight - list.clientHeight) / 120);
    for (let at = 0; at < list.scrollHeight - list.clientHeight && frames < 120; at += step) {
      list.scrollTop = at;
      await new Promise((r) => requestAnimationFrame(r));
      await new Promise((r) => setTimeout(r, 0));
      frames += 1;
      const { top, bottom: to } = list.getBoundingClientRect();
      // A head that stays in place covers the first rows; what is below it must be filled.
      const head = list.querySelector('[role=row]:not([style*=absolute])');
      const from = Math.max(top, head?.getBoundingClientRect().bottom ?? top);
      const rows = [...list.querySelectorAll<HTMLElement>('[style*=absolute]')].map((e) =>
        e.getBoundingClientRect(),
      );
      if (Math.min(...rows.map((r) => r.top)) > from + 1 || Math.max(...rows.map((r) => r.bottom)) < to - 1)
        gaps += 1;
    }
    return { gaps, frames };
  }, selector);
