import base from './jest.config.mjs';

/** Journeys through the real interface in Chromium, against the production build. */
const config = { ...base, roots: ['<rootDir>/e2e'], testMatch: ['**/*.e2e.ts'], testTimeout: 300_000 };
export default config;
