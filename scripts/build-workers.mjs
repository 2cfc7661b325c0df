// Bundles each worker thread into dist/workers/, and puts the worker that reads PDFs where pages find it.
import { copyFileSync } from 'node:fs';
import { build } from 'esbuild';
import { bundleOptions } from './bundle-options.mjs';

await build({
  ...bundleOptions,
  entryPoints: ['src/workers/job.ts', 'src/workers/stage.ts'],
  outdir: 'dist/workers',
  outExtension: { '.js': '.mjs' },
});

copyFileSync('node_modules/pdfjs-dist/build/pdf.worker.min.mjs', 'public/pdf.worker.min.mjs');
