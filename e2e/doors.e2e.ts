import { readFileSync } from 'node:fs';
import { request } from 'node:http';
import puppeteer from 'puppeteer-core';
import { listRoutes } from '../scripts/routes';
import { chromeArguments, startStage, type Stage } from './browser';

/** Every address of the application, every method, from everywhere but its own page: none comes in. */
let stage: Stage;
beforeAll(async () => {
  stage = await startStage();
});
afterAll(() => stage.close());

interface Asked {
  readonly status: number;
  readonly text: string;
}

/** Asks as a program may that writes its own headers. */
function ask(path: string, method: string, headers: Readonly<Record<string, string>>): Promise<Asked> {
  const { port } = new URL(stage.address);
  return new Promise((resolve, reject) => {
    const sent = request({ host: '127.0.0.1', port, path, method, headers, setHost: false }, (response) => {
      let text = '';
      response.on('data', (block: Buffer) => (text += block.toString()));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, text }));
    });
    sent.on('error', reject);
    sent.end();
  });
}

const example = (path: string) => path.replace(/\[\w+\]/g, '00000000-0000-4000-8000-000000000000');
const routes = listRoutes();
const files = ['/mark.svg', '/pdf.worker.min.mjs', '/_next/static/chunks/any.js', '/favicon.ico', '/nowhere'];
const paths = [...routes.map(({ path }) => example(path)), ...files];
const methods = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];
const prefetches: readonly Readonly<Record<string, string>>[] = [
  {},
  { 'next-router-prefetch': '1' },
  { purpose: 'prefetch', 'x-middleware-prefetch': '1' },
  { rsc: '1', 'next-router-state-tree': '%5B%22%22%5D' },
  { 'x-middleware-subrequest': 'src/proxy:src/proxy:src/proxy:src/proxy:src/proxy' },
  { 'x-forwarded-host': '127.0.0.1', 'x-invoke-path': '/' },
];

test('the routes that the test lists are those of the documentation', () => {
  expect(routes.length).toBeGreaterThan(50);
  const documented = readFileSync('docs/security.md', 'utf8');
  for (const { path, methods: answered } of routes)
    expect(documented).toContain(`| \`${path}\` | ${answered.join(', ')} |`);
});

test('no address is answered for a foreign host, by any method, with any header', async () => {
  const open: string[] = [];
  for (const path of paths)
    for (const method of methods)
      for (const more of prefetches) {
        const { status } = await ask(path, method, { host: 'rebound.example', ...more });
        if (status !== 421) open.push(`${method} ${path} ${JSON.stringify(more)}: ${status}`);
      }
  expect(open).toEqual([]);
});

test('no address is answered without a host', async () => {
  const open: string[] = [];
  // A request of HTTP 1.1 without a host is refused by the server itself (RFC 9112, 3.2).
  for (const path of paths) {
    const { status } = await ask(path, 'GET', {});
    if (status !== 400 && status !== 421) open.push(`${path}: ${status}`);
  }
  expect(open).toEqual([]);
});

test('nothing is changed for a foreign origin', async () => {
  const open: string[] = [];
  const { host } = new URL(stage.address);
  const foreign = [
    { origin: 'http://rebound.example' },
    { origin: 'null' },
    { origin: 'http://127.0.0.1:9' },
    { 'sec-fetch-site': 'cross-site' },
    { 'sec-fetch-site': 'same-site', origin: stage.address },
  ];
  for (const path of paths)
    for (const method of ['POST', 'PUT', 'PATCH', 'DELETE'])
      for (const from of foreign) {
        const { status } = await ask(path, method, { host, ...(from as Record<string, string>) });
        if (status !== 403) open.push(`${method} ${path} ${JSON.stringify(from)}: ${status}`);
      }
  expect(open).toEqual([]);
});

test('odd addresses and methods are answered with a sentence, never with an error of the server', async () => {
  const { host } = new URL(stage.address);
  const odd = [
    '/%E0%A4%A',
    '/api/%00',
    '/shells/%2e%2e%2f%2e%2e',
    '/shells/..%5c..%5c',
    `/shells/${'a'.repeat(4000)}`,
    '/api/shells/%F0%28%8C%28/comb',
    '/api/jobs/1%20OR%201=1/events',
    '/api/folder/backup/..%2f..%2fin-use.sqlite',
    '/checks/constructor',
    '/checks/__proto__',
    '/shells/x/decide?state=%00&find=%FF',
    '//127.0.0.1/',
    '/?__proto__[x]=1',
  ];
  const bare: string[] = [];
  for (const path of [...odd, ...paths])
    for (const method of ['GET', 'POST', 'DELETE', 'PATCH']) {
      const { status, text } = await ask(path, method, { host, origin: stage.address });
      if (status >= 500) bare.push(`${method} ${path}: ${status} ${text.slice(0, 80)}`);
    }
  expect(bare).toEqual([]);
});

test('a page that turned its name to this computer reads nothing, in Chromium', async () => {
  const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: [...chromeArguments, '--host-resolver-rules=MAP rebound.example 127.0.0.1'],
  });
  try {
    const page = await browser.newPage();
    const { port } = new URL(stage.address);
    const answer = await page.goto(`http://rebound.example:${port}/`);
    expect(answer?.status()).toBe(421);
    expect(await page.evaluate(() => document.body.innerText)).toContain('this computer only');
    const read = await page.evaluate(() =>
      fetch('/api/house-rules', { headers: { 'next-router-prefetch': '1', purpose: 'prefetch' } }).then(
        (response) => response.status,
      ),
    );
    expect(read).toBe(421);
  } finally {
    await browser.close();
  }
});
