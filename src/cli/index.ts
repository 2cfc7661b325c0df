import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { runCommandLine } from './main';

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0);
});
// Both bundles lie side by side in dist/.
const auditWorker = fileURLToPath(new URL('./workers/audit.mjs', import.meta.url));
process.exitCode = await runCommandLine(process.argv.slice(2), existsSync(auditWorker) ? auditWorker : null);
