import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

const root = join(__dirname, '../..');
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'currycomb-rules-'));
  for (const file of ['.dependency-cruiser.cjs', 'tsconfig.json'])
    cpSync(join(root, file), join(folder, file));
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Runs our import rules over a small tree of its own. */
function cruise(files: Readonly<Record<string, string>>): { code: number | null; said: string } {
  for (const [path, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
  const run = spawnSync(
    process.execPath,
    [
      join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'),
      '--config',
      '.dependency-cruiser.cjs',
      'src',
    ],
    { cwd: folder, encoding: 'utf8' },
  );
  return { code: run.status, said: run.stdout + run.stderr };
}

// Each tree breaks one rule on purpose: a rule that catches nothing would be no rule.
test.each([
  [
    'the core may not know the interface',
    {
      'src/core/a.ts': "import { b } from '@/ui/b';\nexport const a = b;\n",
      'src/ui/b.ts': 'export const b = 1;\n',
    },
  ],
  [
    'the core may not know a format',
    {
      'src/core/a.ts': "import { b } from '@/formats/b';\nexport const a = b;\n",
      'src/formats/b.ts': 'export const b = 1;\n',
    },
  ],
  [
    'the core may not read files',
    { 'src/core/a.ts': "import { readFileSync } from 'node:fs';\nexport const a = readFileSync;\n" },
  ],
  [
    'the core may not use React',
    { 'src/core/a.ts': "import { useState } from 'react';\nexport const a = useState;\n" },
  ],
  [
    'formats may not use a service',
    {
      'src/formats/a.ts': "import { b } from '../services/b';\nexport const a = b;\n",
      'src/services/b.ts': 'export const b = 1;\n',
    },
  ],
  [
    'services may not use the interface',
    {
      'src/services/a.ts': "import { b } from '@/ui/b';\nexport const a = b;\n",
      'src/ui/b.ts': 'export const b = 1;\n',
    },
  ],
  [
    'no circles',
    {
      'src/core/a.ts': "import { b } from './b';\nexport const a = (): number => b();\n",
      'src/core/b.ts': "import { a } from './a';\nexport const b = (): number => a();\n",
    },
  ],
])('%s', (_, files) => {
  const { code, said } = cruise(files);
  expect(said).toMatch(/error /);
  expect(code).toBeGreaterThan(0);
});

test('imports that run downward are fine', () => {
  const { code, said } = cruise({
    'src/ui/a.ts': "import { b } from '@/services/b';\nexport const a = b;\n",
    'src/services/b.ts': "import { c } from '@/formats/c';\nexport const b = c;\n",
    'src/formats/c.ts': "import { d } from '@/core/d';\nexport const c = d;\n",
    'src/core/d.ts': 'export const d = 1;\n',
  });
  expect([code, said]).toEqual([0, expect.stringContaining('no dependency violations')]);
});
