import { runCommandLine } from './main';

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0);
});
process.exitCode = await runCommandLine(process.argv.slice(2));
