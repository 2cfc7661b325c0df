import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { item, makeZip, manifest, resource } from '@/services/__tests__/make-package';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-interrupt-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A package whose writing takes a while: a page that links to a hundred files, and one file that nothing uses. */
function largePackage(): Promise<string> {
  const names = Array.from({ length: 100 }, (_, n) => `files/log-${n}.bin`);
  const links = names.map((name) => `<a href="${name}">a log</a>`).join(' ');
  const file = (name: string) => resource(name.replace(/\W/g, ''), 'webcontent', name);
  const files = ['page.html', ...names, 'files/unused.bin'].map(file).join('');
  return makeZip(join(folder, 'large.imscc'), {
    'imsmanifest.xml': manifest(item('i', 'Logs of the gauge', 'pagehtml'), files),
    'page.html': `<html><body>${links}</body></html>`,
    'files/unused.bin': 'nothing links here',
    ...Object.fromEntries(names.map((name) => [name, randomBytes(400_000)])),
  });
}

test('Ctrl C while the result is being written leaves nothing behind', async () => {
  const scratch = join(folder, 'tmp');
  mkdirSync(scratch);
  const outDir = join(folder, 'out');
  const args = ['clean', await largePackage(), '--accept', 'orphan.unused-file', '--out-dir', outDir];
  const child = spawn('node', ['--import', 'tsx', 'src/cli/index.ts', ...args], {
    env: { ...process.env, TMPDIR: scratch },
    stdio: 'ignore',
  });
  const ended = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)));
  const isThere = () => readdirSync(scratch).some((name) => name.startsWith('currycomb-clean-'));
  while (!isThere() && child.exitCode === null) await new Promise((resolve) => setTimeout(resolve, 1));
  expect(isThere()).toBe(true);
  child.kill('SIGINT');
  expect(await ended).toBe(130);
  expect(isThere()).toBe(false);
  expect(existsSync(outDir)).toBe(false);
});
