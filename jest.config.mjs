// Tests that make things go wrong need no log of it.
process.env.CURRYCOMB_LOG_LEVEL = 'silent';
/** Unit and service tests; journeys through the interface live in e2e/. */
const config = {
  testEnvironment: 'node',
  // A limit ends what hangs; on a busy machine anything may take a minute.
  testTimeout: 300_000,
  // All cores: by default one is left free, which on two cores means one test file after the other.
  maxWorkers: '100%',
  roots: ['<rootDir>/src', '<rootDir>/demo', '<rootDir>/scripts', '<rootDir>/stand-ins'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  transform: {
    '\\.(t|j)sx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transformIgnorePatterns: [
    '/node_modules/(?!(parse5|entities|@tanstack|htmlparser2|domhandler|domutils|dom-serializer|domelementtype|ical.js|fast-check|cockatiel|p-queue|p-timeout|eventemitter3|hono|@hono|openapi3-ts|@seriousme|js-yaml|marked)/)',
  ],
};
export default config;
