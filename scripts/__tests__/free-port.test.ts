import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-ports-'));
const servers: Server[] = [];
afterAll(() => {
  for (const server of servers) server.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Takes some port of this computer; gives its number. */
const take = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const address = server.address();
      resolve(typeof address === 'object' && address !== null ? address.port : 0);
    });
    servers.push(server);
  });

/** Asks the module in a program of its own, as the demo does. */
function hostPort(first: number): { readonly port: number; readonly moved: boolean } {
  const program = `import { hostPort } from './scripts/free-port.mjs';
    console.log(JSON.stringify(await hostPort(${first}, ${JSON.stringify(folder)})));`;
  const args = ['--input-type=module', '-e', program];
  return JSON.parse(execFileSync(process.execPath, args, { encoding: 'utf8' })) as ReturnType<
    typeof hostPort
  >;
}

test('a second demo ten ports further gets another host port, and keeps it', async () => {
  const taken = await take();
  const { port, moved } = hostPort(taken);
  expect(port).toBeGreaterThan(taken);
  expect(moved).toBe(false);
  expect(hostPort(taken)).toEqual({ port, moved: false });
  const server = createServer();
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', () => resolve()));
  expect(hostPort(taken)).toMatchObject({ moved: true });
});
