import { existsSync, readFileSync, mkdirSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';

/** Can a server take this port of this computer? */
export const isFree = (port) =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });

/** How many ports are tried. */
const mostTried = 40;

/**
 * The port of the campus host of a demo: the one that it had before, so that shells keep their host, else the first free
 * one from `first` on. It is remembered in the demo's folder.
 */
export async function hostPort(first, folder) {
  const file = join(folder, 'campus-port.txt');
  const before = existsSync(file) ? Number(readFileSync(file, 'utf8')) : null;
  const tried = [
    ...(before === null ? [] : [before]),
    ...Array.from({ length: mostTried }, (_, n) => first + n),
  ];
  for (const port of tried) {
    if (!(await isFree(port))) continue;
    mkdirSync(folder, { recursive: true });
    writeFileSync(file, String(port));
    return { port, moved: before !== null && port !== before };
  }
  return null;
}
