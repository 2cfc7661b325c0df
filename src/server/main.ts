import { once } from 'node:events';
import { createServer } from 'node:http';
import { setFlagsFromString } from 'node:v8';
import { Command, InvalidArgumentError, Option } from 'commander';
import { log, logLevels, type LogLevel } from '@/services/keep/log/log';
import { door } from './door';

/** How long one request may take to arrive whole, in milliseconds: a package of 2 GiB over a slow line. */
const longestRequest = 30 * 60_000;
/** How large its head may be, in bytes: the address of a page about a thousand shells names all of them. */
const largestHead = 64 * 1024;
/** How long its head may take. */
const longestHead = 20_000;
/** How long an idle connection is kept. */
const longestIdle = 10_000;

/**
 * How much garbage may gather before it is cleared away, in percent of what is in use. By itself the engine waits for
 * up to 300, in every thread: half a gigabyte beside a shell of ten thousand items.
 */
const mostGarbage = 40;
setFlagsFromString(`--heap-growing-percent=${mostGarbage}`);

interface Options {
  readonly port: number;
  readonly logLevel: LogLevel;
}

const portOf = (text: string): number => {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new InvalidArgumentError('A port is a whole number from 1 to 65535.');
  return port;
};

const { port, logLevel } = new Command()
  .name('currycomb-server')
  .description('Serves Currycomb to the browser of this computer.')
  .option('-p, --port <number>', 'port on 127.0.0.1', portOf, 4140)
  .addOption(
    new Option('--log-level <level>', 'what is logged')
      .choices([...logLevels])
      .env('CURRYCOMB_LOG_LEVEL')
      .default('warn'),
  )
  .parse()
  .opts<Options>();
log.level = logLevel;
// The framework loads its own copy of the code, and threads theirs: they ask the environment.
process.env['CURRYCOMB_LOG_LEVEL'] = logLevel;
Object.assign(process.env, { NODE_ENV: 'production' });
const { default: next } = await import('next');

const hostname = '127.0.0.1';
const application = next({ dev: false, hostname, port });
const server = createServer({
  requestTimeout: longestRequest,
  headersTimeout: longestHead,
  maxHeaderSize: largestHead,
});
server.keepAliveTimeout = longestIdle;
server.on('error', (error: NodeJS.ErrnoException) => {
  const isTaken = error.code === 'EADDRINUSE';
  const why = isTaken ? 'another program uses it already' : (error.code ?? error.message);
  process.stderr.write(`Port ${port} can’t be used: ${why}. Give another one with --port.\n`);
  process.exit(1);
});
// The port is taken first: a second server on it must not touch the folder of the first. What is asked before the
// application is ready waits for it.
const handler = once(server, 'listening')
  .then(() => application.prepare())
  .then(() => application.getRequestHandler());
server.on(
  'request',
  door((request, response) => void handler.then((inside) => inside(request, response))),
);
server.listen(port, hostname, () => void begin());

async function begin(): Promise<void> {
  const address = `http://${hostname}:${port}`;
  // The first question opens the store; a folder that another process has ends this one.
  const health = await fetch(`${address}/health`);
  const state = health.ok ? 'is ready' : 'answers, but its folder can’t be used now';
  process.stdout.write(`Currycomb ${state}: ${address}\n`);
}

/** Answers what is being answered and ends; what takes longer is cut off (see `endInTime`). */
function end(): void {
  server.close(() => process.exit(0));
  server.closeIdleConnections();
}
process.once('SIGTERM', end);
process.once('SIGINT', end);
