// Starts the application and says where it is and what to drop in.
import { spawn } from 'node:child_process';
import { relative } from 'node:path';

const port = Number(process.argv[2]);
const address = `http://127.0.0.1:${port}`;
const server = spawn(
  process.execPath,
  ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
  { stdio: ['ignore', 'ignore', 'pipe'] },
);
const said = [];
server.stderr.on('data', (d) => said.push(d));
const stop = () => server.kill();
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
server.on('exit', (code) => {
  if (said.length) process.stderr.write(Buffer.concat(said));
  process.exit(code ?? 0);
});

for (let i = 0; ; i += 1) {
  const answer = await fetch(address).catch(() => null);
  if (answer?.ok) break;
  if (i > 240) {
    console.error(`The application does not answer at ${address}.`);
    stop();
    process.exit(1);
  }
  await new Promise((r) => setTimeout(r, 250));
}
const greeting = await bringInDemo().catch((error) => {
  console.error(`The shells of the demo could not be brought in: ${error.message}`);
  return 'Bring a shell in yourself, or press “Bring in the demo shells” on the empty list.';
});
console.log(`
Currycomb is ready: ${address}

${greeting}
Stop with Ctrl C.`);

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
