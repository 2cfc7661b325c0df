#!/usr/bin/env node
// Runs the command line from its bundle, which is built again where a source is newer.
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const bundle = join(root, 'dist/cli.mjs');

function newest(folder) {
  let time = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) time = Math.max(time, newest(path));
    else if (/\.ts$/.test(entry.name) && !/\.test\.ts$/.test(entry.name))
      time = Math.max(time, statSync(path).mtimeMs);
  }
  return time;
}
const sources = ['core', 'formats', 'services', 'cli', 'workers'].map((f) => join(root, 'src', f));
if (!existsSync(bundle) || Math.max(...sources.map(newest)) > statSync(bundle).mtimeMs) {
  // Bundling names its inputs relative to the project; the caller's folder stays the place that paths count from.
  const from = process.cwd();
  process.chdir(root);
  await import('./build-cli.mjs');
  process.chdir(from);
}
await import(pathToFileURL(bundle).href);
