// Bundles the command line into dist/cli.mjs.
import { build } from 'esbuild';
import { bundleOptions } from './bundle-options.mjs';

await build({ ...bundleOptions, entryPoints: ['src/cli/index.ts'], outfile: 'dist/cli.mjs' });
