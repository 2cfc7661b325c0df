// Starts the application and says where it is and what to drop in.
import { spawn } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { hostPort, isFree } from './free-port.mjs';

const port = Number(process.argv[2]);
const address = `http://127.0.0.1:${port}`;
if (!(await isFree(port))) {
  console.error(
    `Port ${port} is in use. Stop the program that uses it, or give another one: PORT=4200 npm run demo.`,
  );
  process.exit(1);
}
// The campus host that stands in is ten ports further, or on the next one that is free.
const host = await hostPort(port + 10, process.env.CURRYCOMB_DATA ?? '.data');
if (!host) {
  console.error(
    `No port from ${port + 10} on is free for the campus host. Give another one: PORT=4200 npm run demo.`,
  );
  process.exit(1);
}
const hostAddress = `http://127.0.0.1:${host.port}`;
const said = [];
const children = [];
let ended = null;
const start = (command, env) => {
  const child = spawn(process.execPath, command, {
    stdio: ['ignore', 'ignore', 'pipe'],
    env: { ...process.env, ...env },
  });
  child.stderr.on('data', (block) => {
    said.push(block);
    // The reason of an end stands in the last lines.
    said.splice(0, said.length - 50);
  });
  children.push(child);
  child.on('exit', (code) => {
    // All or none: where one ends, the others do, too, and what it ended with is what all end with.
    ended ??= code ?? 0;
    stop();
    if (children.some((one) => one.exitCode === null && one.signalCode === null)) return;
    if (said.length) process.stderr.write(Buffer.concat(said));
    process.exit(ended);
  });
};
const stop = () => {
  for (const child of children) child.kill();
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
const web = join(process.env.CURRYCOMB_DATA ?? '.data', 'outside-web.json');
rmSync(web, { force: true });
start(['dist/stand-ins/campus.mjs', String(host.port)], { CAMPUS_DATA: process.env.CURRYCOMB_DATA });
// The web outside stands in, too: no probe of the demo leaves this computer.
start(['dist/stand-ins/outside-web.mjs', web]);
start(['scripts/start.mjs', '--port', String(port)], {
  CURRYCOMB_HOST: hostAddress,
  CURRYCOMB_WEB: web,
});

for (let n = 0; n < 240 && !existsSync(web); n += 1) await new Promise((r) => setTimeout(r, 250));
await answers(address, 'The application');
await answers(hostAddress, 'The campus host');
const greeting = await bringInDemo().catch((error) => {
  console.error(`The shells of the demo could not be brought in: ${error.message}`);
  return 'Bring a shell in yourself, or press “Bring in the demo shells” on the empty list.';
});
if (host.moved)
  console.log(
    `The campus host was on another port before; it is at ${hostAddress} now. Sign in there again.`,
  );
console.log(`
Currycomb is ready: ${address}

${greeting}

A campus host stands in at ${hostAddress}, with BIO 355 on it: bring it in “from a campus host”,
as r.alder with the secret marsh-marigold. What goes wrong there is set on its own page.
The web outside stands in, too: the link probe (Prove, Outside links) asks nothing but this computer.
Stop all with Ctrl C.`);

/** Waits until something answers; gives up after a minute. */
async function answers(url, name) {
  for (let i = 0; ; i += 1) {
    const answer = await fetch(url).catch(() => null);
    if (answer?.ok) return;
    if (i > 240) {
      console.error(`${name} does not answer at ${url}.`);
      stop();
      process.exit(1);
    }
    await new Promise((r) => setTimeout(r, 250));
  }
}

/** Brings the demo's shells in where there is no shell yet, waits until they are here and combed, and says what is there. */
async function bringInDemo() {
  const ask = async (path, body) => {
    const headers = { 'content-type': 'application/json', origin: address };
    const method = body === undefined ? 'GET' : 'POST';
    return (await fetch(`${address}${path}`, { method, headers, body: body && JSON.stringify(body) })).json();
  };
  const isOver = (job) => ['done', 'failed', 'cancelled'].includes(job.state);
  const ended = async (url) => {
    for (;;) {
      const job = await ask(url);
      if (isOver(job)) return job;
      await new Promise((r) => setTimeout(r, 200));
    }
  };
  const { jobIds = [], trouble } = await ask('/api/demo', { onlyIfEmpty: true });
  if (trouble) throw new Error(trouble);
  if (!jobIds.length) return 'What was brought in and done before is still there.';
  for (const id of jobIds) {
    const job = await ended(`/api/jobs/${id}`);
    if (job.state !== 'done') throw new Error(job.trouble);
    const { shellId } = JSON.parse(job.result);
    for (;;) {
      const { job: comb } = await ask(`/api/shells/${shellId}/jobs?kind=comb`);
      if (!comb || isOver(comb)) break;
      await new Promise((r) => setTimeout(r, 200));
    }
  }
  const folder = relative(process.cwd(), 'demo/out');
  return `The shells of the demo are in the list; HYD 214 is combed. Their packages lie in ${folder}/.`;
}
