// Bundles each worker thread into dist/workers/.
import { build } from 'esbuild';
import { bundleOptions } from './bundle-options.mjs';

await build({
  ...bundleOptions,
  entryPoints: ['src/workers/job.ts'],
  outdir: 'dist/workers',
  outExtension: { '.js': '.mjs' },
});
