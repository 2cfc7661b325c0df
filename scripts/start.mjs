// Starts the server with the environment that it is to have from its first moment, and ends with it.
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';

/**
 * How the C library deals with the server's memory (mallopt(3)): by itself it keeps a pool for each thread and hardly
 * gives anything back, so that hundreds of megabytes stay behind after every large job. Elsewhere than on Linux with
 * glibc it means nothing.
 */
const serverEnvironment = JSON.parse(readFileSync('scripts/server-environment.json', 'utf8'));

const server = spawn(process.execPath, ['dist/server.mjs', ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...serverEnvironment, ...process.env },
});
process.on('SIGINT', () => server.kill('SIGINT'));
process.on('SIGTERM', () => server.kill('SIGTERM'));
server.on('exit', (code) => process.exit(code ?? 1));
