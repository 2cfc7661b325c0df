import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { runCommandLine } from './main';

// Where the program finds its migrations, whatever folder it is called from.
process.env['CURRYCOMB_ROOT'] ??= fileURLToPath(new URL('..', import.meta.url));
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0);
});
// All bundles lie side by side in dist/.
const worker = (name: string) => {
  const file = fileURLToPath(new URL(`./workers/${name}.mjs`, import.meta.url));
  return existsSync(file) ? file : null;
};
process.exitCode = await runCommandLine(process.argv.slice(2), {
  audit: worker('audit'),
  pages: worker('pages'),
});
