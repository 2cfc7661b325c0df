import type { NextConfig } from 'next';

const config: NextConfig = {
  // The tests build into a folder of their own, so that a demo that runs beside them keeps its pages.
  distDir: process.env['CURRYCOMB_BUILD'] ?? '.next',
  poweredByHeader: false,
  serverExternalPackages: ['better-sqlite3', 'exceljs', 'piscina'],
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
