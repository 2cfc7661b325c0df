import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { shellRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { compareSchema } from '@/formats/report/compare-report';
import { runHere as run } from './__tests__/run-here';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-compare-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function course(name: string, weeks: readonly number[]): Promise<string> {
  const c = new ShellComposer({ ref: shellRef('s'), title: 'Stream Ecology', code: 'HYD 214' });
  for (const n of weeks)
    c.page(`Week ${n}`, `<p>What we measure at gauge ${n}.</p>`, { ref: `w${n}`, path: `w${n}.html` });
  const path = join(folder, `${name}.imscc`);
  await c.write(path);
  return path;
}

describe('compare', () => {
  test('a package and itself are the same; JSON keeps to its schema', async () => {
    const path = await course('one', [1, 2, 3]);
    const { code, out } = await run('compare', path, path, '--format', 'json');
    expect(code).toBe(0);
    const { counts, changes } = compareSchema.parse(JSON.parse(out));
    expect(changes).toEqual([]);
    expect(counts).toEqual({ gone: 0, added: 0, changed: 0, 're-dated': 0, moved: 0, reordered: 0, same: 3 });
  });

  test('what is missing, new and in another order is listed by kind', async () => {
    const source = await course('source', [1, 2, 3]);
    const copy = await course('copy', [3, 1, 4]);
    const { out } = await run('compare', source, copy);
    expect(out).toContain('HYD 214 Stream Ecology, compared with HYD 214 Stream Ecology: 1 thing the same');
    expect(out).toContain('Missing here: 1\n  item: Week 2\n');
    expect(out).toContain('Only here: 1\n  item: Week 4\n');
    expect(out).toContain('In another order: 1\n  item: Week 3 (1st of 2 instead of 2nd)\n');
  });

  test('each of the two packages is named where it can’t be read', async () => {
    const path = await course('two', [1]);
    const nowhere = join(folder, 'nowhere.imscc');
    expect(await run('compare', nowhere, path)).toMatchObject({
      code: 3,
      err: expect.stringMatching(/^currycomb: The first package: .*nowhere/),
    });
    expect(await run('compare', path, nowhere)).toMatchObject({
      code: 3,
      err: expect.stringMatching(/^currycomb: The second package: .*nowhere/),
    });
    expect((await run('compare', path)).code).toBe(2);
    expect((await run('compare', path, path, '--format', 'yaml')).code).toBe(2);
  });
});
