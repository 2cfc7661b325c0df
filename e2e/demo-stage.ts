import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser } from 'puppeteer-core';
import { chromeArguments, freePort } from './browser';

/** The demo as its one command starts it: the application with the demo's shells, and the campus host beside it. */
export interface DemoStage {
  readonly address: string;
  readonly hostAddress: string;
  readonly browser: Browser;
  /** What was printed. */
  readonly said: string;
  close(): Promise<void>;
}

/** Starts the demo on a folder of its own; `troubles` is what goes wrong at the host. */
export async function startDemo(troubles: string): Promise<DemoStage> {
  const dataDir = mkdtempSync(join(tmpdir(), 'currycomb-demo-'));
  const port = await freePort();
  const env = {
    ...process.env,
    CURRYCOMB_DATA: dataDir,
    CAMPUS_TROUBLES: troubles,
    NEXT_TELEMETRY_DISABLED: '1',
  };
  const demo = spawn('node', ['scripts/start-demo.mjs', String(port)], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const said = await untilReady(demo);
  const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: [...chromeArguments],
    defaultViewport: { width: 1280, height: 800 },
  });
  return {
    address: `http://127.0.0.1:${port}`,
    hostAddress: `http://127.0.0.1:${port + 10}`,
    browser,
    said,
    async close() {
      await browser.close();
      const gone = new Promise((resolve) => demo.once('exit', resolve));
      demo.kill('SIGINT');
      await gone;
      rmSync(dataDir, { recursive: true, force: true });
    },
  };
}

function untilReady(demo: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let said = '';
    demo.stdout?.on('data', (block: Buffer) => {
      said += block.toString();
      if (said.includes('Ctrl C')) resolve(said);
    });
    demo.once('exit', () => reject(new Error(`the demo ended before it was ready:\n${said}`)));
  });
}
