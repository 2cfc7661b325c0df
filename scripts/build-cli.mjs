// Bundles the command line into dist/cli.mjs, and its threads: one audits whole packages, one reads the pages of one.
import { build } from 'esbuild';
import { bundleOptions } from './bundle-options.mjs';

await build({ ...bundleOptions, entryPoints: ['src/cli/index.ts'], outfile: 'dist/cli.mjs' });
await build({
  ...bundleOptions,
  entryPoints: ['src/workers/audit.ts', 'src/workers/pages.ts'],
  outdir: 'dist/workers',
  outExtension: { '.js': '.mjs' },
});
