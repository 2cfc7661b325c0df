/**
 * Packages that the server loads once from where they are installed. What is not named here is copied into the bundle of
 * every page and route that uses it, and each copy takes its share of memory.
 */
const sharedPackages = [
  'better-sqlite3',
  'chokidar',
  'csv-parse',
  'csv-stringify',
  'diff',
  'drizzle-orm',
  'entities',
  'exceljs',
  'htmlparser2',
  'ical.js',
  'iconv-lite',
  'luxon',
  'pino',
  'piscina',
  'sanitize-html',
  'saxes',
  'undici',
  'zod',
];

/** @type {import('next').NextConfig} */
const config = {
  // The tests build into a folder of their own, so that a demo that runs beside them keeps its pages.
  distDir: process.env['CURRYCOMB_BUILD'] ?? '.next',
  poweredByHeader: false,
  serverExternalPackages: sharedPackages,
  devIndicators: false,
  // Pages that are drawn without the layout, reports for one, have the browser ask for it by itself.
  async rewrites() {
    return [{ source: '/favicon.ico', destination: '/mark.svg' }];
  },
  async headers() {
    return [
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'Referrer-Policy', value: 'same-origin' },
          { key: 'X-Frame-Options', value: 'DENY' },
        ],
      },
    ];
  },
};
export default config;
