import type { Page } from 'puppeteer-core';
import { startStage, type Stage, visit } from './browser';
import { watchPage } from './watch-page';

/** The application with one shell brought in, and a page whose complaints are heard. */
export interface ShellStage {
  readonly stage: Stage;
  readonly page: Page;
  readonly id: string;
  /** Opens a page of the shell: `prove/student`. */
  goTo(path: string): Promise<void>;
  /** Ends it all; the page must not have complained of anything. */
  close(): Promise<void>;
}

export async function startWithShell(bringOneIn: (page: Page) => Promise<string>): Promise<ShellStage> {
  const stage = await startStage();
  const page = await stage.open('/bring-in');
  const complaints = await watchPage(page);
  const id = await bringOneIn(page);
  return {
    stage,
    page,
    id,
    goTo: async (path) => {
      await visit(page, `${stage.address}/shells/${id}/${path}`);
    },
    close: async () => {
      await stage.close();
      expect(complaints).toEqual([]);
    },
  };
}
