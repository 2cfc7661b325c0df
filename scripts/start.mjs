// Starts the server with the environment that it is to have from its first moment, and ends with it.
import { spawn } from 'node:child_process';
import { serverEnvironment } from './server-environment.mjs';

const server = spawn(process.execPath, ['dist/server.mjs', ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...serverEnvironment, ...process.env },
});
process.on('SIGINT', () => server.kill('SIGINT'));
process.on('SIGTERM', () => server.kill('SIGTERM'));
server.on('exit', (code) => process.exit(code ?? 1));
