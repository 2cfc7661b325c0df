// Bundles the command line into dist/cli.mjs, and the thread that audits for it.
import { build } from 'esbuild';
import { bundleOptions } from './bundle-options.mjs';

await build({ ...bundleOptions, entryPoints: ['src/cli/index.ts'], outfile: 'dist/cli.mjs' });
await build({ ...bundleOptions, entryPoints: ['src/workers/audit.ts'], outdir: 'dist/workers', outExtension: { '.js': '.mjs' } });
