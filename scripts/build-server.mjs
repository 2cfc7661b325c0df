// Bundles the server into dist/server.mjs; the framework stays outside.
import { build } from 'esbuild';
import { bundleOptions } from './bundle-options.mjs';

await build({
  ...bundleOptions,
  external: [...bundleOptions.external, 'next'],
  entryPoints: ['src/server/main.ts'],
  outfile: 'dist/server.mjs',
});
