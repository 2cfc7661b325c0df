import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MemoryWatch } from './memory-watch';
import serverEnvironment from '../scripts/server-environment.json';
import puppeteer, { type Browser, type ElementHandle, type HTTPResponse, type Page } from 'puppeteer-core';

export const chromeArguments = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
  '--force-color-profile=srgb',
];

/** A running application of its own with an empty data folder, and a browser beside it. */
export interface Stage {
  readonly address: string;
  readonly browser: Browser;
  readonly dataDir: string;
  open(path: string): Promise<Page>;
  /** Ends the server and starts it again on the same folder; `meanwhile` is done while it stands still. */
  restart(meanwhile?: () => void): Promise<void>;
  /** Resident memory of the server, in bytes. */
  serverMemory(): number;
  close(): Promise<void>;
}

/** `env`: what the application is told besides. */
export async function startStage(env: Readonly<Record<string, string>> = {}): Promise<Stage> {
  const dataDir = mkdtempSync(join(tmpdir(), 'currycomb-e2e-'));
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  let server = await serve(port, dataDir, env);
  const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: [...chromeArguments],
    defaultViewport: { width: 1280, height: 800 },
  });
  return {
    address,
    browser,
    dataDir,
    async open(path) {
      const page = await freshPage(browser);
      await visit(page, `${address}${path}`);
      return page;
    },
    async restart(meanwhile) {
      await ended(server);
      meanwhile?.();
      server = await serve(port, dataDir, env);
    },
    serverMemory: () => MemoryWatch.of(server.pid ?? 0),
    async close() {
      await browser.close();
      await ended(server);
      rmSync(dataDir, { recursive: true, force: true });
    },
  };
}

async function serve(
  port: number,
  dataDir: string,
  more: Readonly<Record<string, string>>,
): Promise<ChildProcess> {
  const address = `http://127.0.0.1:${port}`;
  const server = spawn('node', ['dist/server.mjs', '--port', String(port)], {
    env: {
      ...process.env,
      ...serverEnvironment,
      ...more,
      CURRYCOMB_DATA: dataDir,
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const said: string[] = [];
  server.stdout?.on('data', (d: Buffer) => said.push(d.toString()));
  server.stderr?.on('data', (d: Buffer) => said.push(d.toString()));
  await reachable(address, server, said);
  return server;
}

function ended(server: ChildProcess): Promise<void> {
  return new Promise((resolve) => {
    server.once('exit', () => resolve());
    server.kill();
  });
}

export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

async function reachable(address: string, server: ChildProcess, said: readonly string[]): Promise<void> {
  for (let i = 0; i < 120; i += 1) {
    if (server.exitCode !== null) throw new Error(`the application did not start:\n${said.join('')}`);
    try {
      await fetch(address);
      return;
    } catch {
      await new Promise((r) => setTimeout(r, 250));
    }
  }
  throw new Error(`the application does not answer:\n${said.join('')}`);
}

/** Chooses files of the demo (paths below demo/out) for the places of a form. */
export async function chooseFiles(page: Page, files: Readonly<Record<string, string>>): Promise<void> {
  for (const [slot, file] of Object.entries(files)) {
    const input = await page.waitForSelector(`[data-testid=file-${slot}]`);
    await (input as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(
      file.startsWith('/') ? file : `demo/out/${file}`,
    );
  }
}

/** Waits until the address bar holds `part`: the browser writes it some frames after the click. */
export async function waitForAddress(page: Page, part: string): Promise<void> {
  await page.waitForFunction((wanted) => location.href.includes(wanted), {}, part);
}

/** Fills in the bring-in form the way a person would, and waits for the inventory. */
export async function bringIn(
  page: Page,
  files: Readonly<Record<string, string>>,
  fields: Readonly<Record<string, string>>,
): Promise<string> {
  await chooseFiles(page, files);
  for (const [name, value] of Object.entries(fields)) await setField(page, name, value);
  await clickText(page, 'button', 'Bring in');
  await page.waitForFunction(() => /\/shells\/.+\/bring-in$/.test(location.pathname), {
    timeout: 120_000,
    polling,
  });
  await waitForText(page, 'Intake report');
  return new URL(page.url()).pathname.split('/')[2]!;
}

const spring2027 = {
  termTitle: 'Spring 2027',
  termStart: '2027-01-11',
  termEnd: '2027-05-07',
  asOf: '2027-01-04',
};
/** The fields of the demo's term, with the one before it. */
export const demoTerm = {
  ...spring2027,
  previousTermStart: '2025-08-25',
  previousTermEnd: '2025-12-12',
};
const geoFiles = {
  package: 'geo-130/GEO-130.zip',
  roster: 'geo-130/roster.zip',
  status: 'geo-130/status.csv',
};

/** The demo's shell of another course, of which nothing of an earlier term is told. */
export const bringInGeo = (
  page: Page,
  fields: Readonly<Record<string, string>> = spring2027,
): Promise<string> => bringIn(page, geoFiles, { code: 'GEO 130', ...fields });

/** The demo's main shell with all its side files. */
export const bringInDemo = (page: Page): Promise<string> =>
  bringIn(
    page,
    {
      package: 'hyd-214/HYD-214.imscc',
      events: 'hyd-214/events.ics',
      previousEvents: 'hyd-214/previous-events.ics',
      status: 'hyd-214/status.csv',
    },
    { code: 'HYD 214', ...demoTerm },
  );

/** Sets a field's value the way typing does; a day is typed in the form of the browser's language (en-US). */
export async function setField(page: Page, name: string, value: string): Promise<void> {
  const isDay = await page.$eval(`input[name=${name}]`, (input) => input.type === 'hidden');
  if (isDay) return typeDay(page, `[data-day=${name}]`, value);
  await page.$eval(
    `input[name=${name}]`,
    (element, text) => {
      const input = element;
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
      set?.call(input, text);
      input.dispatchEvent(new Event('input', { bubbles: true }));
    },
    value,
  );
}

/** Types a day, 2027-01-11, into the field inside an element. */
export async function typeDay(page: Page, around: string, day: string): Promise<void> {
  const [year = '', month = '', date = ''] = day.split('-');
  await page.waitForFunction(() => document.documentElement?.dataset['live'] !== undefined, { polling });
  await page.focus(`${around} [role=spinbutton]`);
  await page.keyboard.type(`${month}${date}${year}`, { delay: 40 });
}

/**
 * A page of its own: the one that the browser opens with, as long as nobody took it. On a slow machine that one may come
 * to the front later than a second one was opened, and nothing is drawn in a page behind another.
 */
export /** What is waited for in a page, at most, in milliseconds: a limit ends what hangs, and says nothing about speed. */
const longestWait = 120_000;

export async function freshPage(browser: Browser): Promise<Page> {
  const [first] = await browser.pages();
  const page = first?.url() === 'about:blank' ? first : await browser.newPage();
  page.setDefaultTimeout(longestWait);
  return page;
}

/** So often a page is looked at, in milliseconds. Frames are no clock: on a busy machine none may come for long. */
const polling = 50;

/** Goes to an address; the page is there when its stage is, too. */
export async function visit(page: Page, address: string): Promise<HTTPResponse | null> {
  const response = await page.goto(address, { waitUntil: 'load' });
  await page.waitForFunction(() => document.querySelector('[data-opening]') === null, {
    timeout: 120_000,
    polling,
  });
  return response;
}

/** Clicks the first element of a kind whose text begins with these words, once it stands still. */
export async function clickText(page: Page, selector: string, words: string): Promise<void> {
  const search = page.waitForFunction(
    // A page that has come in answers only when its scripts have taken it over. One that is only coming in has no root
    // yet: a predicate that throws there would end the waiting for good.
    (s, w) =>
      (document.documentElement?.dataset['live'] === undefined
        ? null
        : [...document.querySelectorAll<HTMLElement>(s)].find(
            (e) =>
              (e.innerText || e.textContent || '').trim().startsWith(w) && !(e as HTMLButtonElement).disabled,
          )) ?? null,
    { timeout: 120_000, polling },
    selector,
    words,
  );
  const found = await search.catch(async () => {
    throw new Error(`No “${selector}” says “${words}”. ${await whatThePageSays(page)}`);
  });
  const element = found as unknown as ElementHandle<HTMLElement>;
  // A page that has just come in may still move: a click aims at where the element stood when it was looked for.
  await element.evaluate(async (e) => {
    for (let still = 0, before = ''; still < 3;) {
      await new Promise((resolve) => {
        requestAnimationFrame(resolve);
        setTimeout(resolve, 200);
      });
      const { x, y, width, height } = e.getBoundingClientRect();
      const now = `${x} ${y} ${width} ${height}`;
      still = now === before ? still + 1 : 0;
      before = now;
    }
  });
  await element.click();
}

/**
 * Waits until a page says something, and tells what it says instead where it does not. A page that is only
 * coming in has no body yet: a predicate that throws there would end the waiting for good.
 */
export async function waitForText(page: Page, words: string, timeout = 40_000): Promise<void> {
  const wait = page.waitForFunction(
    (w) => (document.body?.innerText ?? '').replace(/\s+/g, ' ').includes(w),
    { timeout, polling },
    words,
  );
  await wait.catch(async () => {
    throw new Error(`“${words}” did not come. ${await whatThePageSays(page)}`);
  });
}

async function whatThePageSays(page: Page): Promise<string> {
  const text = await page.evaluate(() => (document.body?.innerText ?? '').replace(/\s+/g, ' '));
  const state = await page.evaluate(() => {
    const isLive = document.documentElement?.dataset['live'] !== undefined;
    const entries = performance.getEntriesByType('resource') as PerformanceResourceTiming[];
    const failed = entries.filter((entry) => entry.responseStatus === 0 || entry.responseStatus >= 400);
    return `${document.readyState}, ${document.visibilityState}, ${isLive ? 'live' : 'not live'}, ${entries.length} asked for, without answer: ${failed.map((entry) => entry.name).join(' ')}`;
  });
  return `${page.url()} (${state}) says: ${text.slice(0, 600)}`;
}
