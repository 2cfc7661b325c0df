// Bundles the stand-ins of the demo into dist/stand-ins/.
import { build } from 'esbuild';
import { bundleOptions } from './bundle-options.mjs';

await build({
  ...bundleOptions,
  entryPoints: { campus: 'stand-ins/campus/main.ts', 'outside-web': 'stand-ins/outside-web/main.ts' },
  outdir: 'dist/stand-ins',
  outExtension: { '.js': '.mjs' },
});
