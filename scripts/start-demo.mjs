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
    break;
  }
  await new Promise((r) => setTimeout(r, 250));
}
console.log(`
Currycomb is ready: ${address}

The demo shell lies in ${relative(process.cwd(), 'demo/out/hyd-214') || '.'}/ : drop these four files on “Bring in a shell”:
  HYD-214.imscc  events.ics  previous-events.ics  status.csv
Code HYD 214; term Spring 2027, 2027-01-11 to 2027-05-07; term before 2025-08-25 to 2025-12-12; as of 2027-01-04.
Further shells: demo/out/geo-130 (package, roster, status sheet), demo/out/hyd-214-e (nearly empty; add HYD 214 to it), demo/out/lib-101 (well kept: nothing to find), demo/out/template (the baseline).
Stop with Ctrl C.`);
