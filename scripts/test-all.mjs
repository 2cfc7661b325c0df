// Runs every check in order, goes on where one fails, and counts over all of them.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const scratch = mkdtempSync(join(tmpdir(), 'currycomb-test-'));
const results = join(scratch, 'jest.json');
const jest = (config, ...more) => [
  'node',
  'node_modules/jest/bin/jest.js',
  '--config',
  config,
  '--json',
  '--outputFile',
  results,
  ...more,
];
const steps = [
  { name: 'documentation tree', command: ['bash', 'scripts/fetch-doc-tree.sh'] },
  { name: 'demo packages', command: ['npm', 'run', '--silent', 'demo:packages'] },
  { name: 'worker bundle', command: ['npm', 'run', '--silent', 'build:workers'] },
  { name: 'command line bundle', command: ['npm', 'run', '--silent', 'build:cli'] },
  { name: 'server bundle', command: ['npm', 'run', '--silent', 'build:server'] },
  { name: 'stand-in bundle', command: ['npm', 'run', '--silent', 'build:stand-ins'] },
  { name: 'production build', command: ['npx', 'next', 'build'] },
  // Types come after the build, which writes the types of the routes.
  { name: 'types', command: ['npm', 'run', '--silent', 'typecheck'] },
  { name: 'format', command: ['npm', 'run', '--silent', 'format:check'] },
  { name: 'lint', command: ['npm', 'run', '--silent', 'lint'] },
  { name: 'import rules', command: ['npm', 'run', '--silent', 'imports'] },
  { name: 'unit tests', command: jest('jest.config.mjs'), counted: true },
  { name: 'journeys', command: jest('jest.e2e.config.mjs', '--runInBand'), counted: true },
];

let passed = 0;
let failed = 0;
for (const { name, command, counted } of steps) {
  const begin = Date.now();
  console.log(`\n── ${name}`);
  rmSync(results, { force: true });
  // Jest reports on standard error and repeats its JSON on standard output only where no file is named.
  const run = spawnSync(command[0], command.slice(1), { stdio: ['ignore', 'inherit', 'inherit'] });
  const ok = run.status === 0;
  if (counted && existsSync(results)) {
    const report = JSON.parse(readFileSync(results, 'utf8'));
    passed += report.numPassedTests;
    // A suite that did not even load counts as one failure.
    const broken = report.numFailedTests + report.numRuntimeErrorTestSuites;
    failed += broken || (ok ? 0 : 1);
  } else if (ok) passed += 1;
  else failed += 1;
  console.log(`── ${name}: ${ok ? 'passed' : 'FAILED'} after ${((Date.now() - begin) / 1000).toFixed(0)} s`);
}
rmSync(scratch, { recursive: true, force: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
