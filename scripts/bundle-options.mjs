/** How server code is bundled: one file, modules, native packages left outside. */
export const bundleOptions = {
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  external: ['better-sqlite3', 'exceljs', 'piscina'],
  sourcemap: 'linked',
  logLevel: 'warning',
  banner: { js: "import {createRequire as __cr} from 'node:module'; const require=__cr(import.meta.url);" },
};
