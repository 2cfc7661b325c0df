import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { item, makeZip, manifest } from '@/services/__tests__/make-package';
import { auditPackage } from './audit-package';
import { PageThread } from './page-thread';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-pages-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const bundle = join(process.cwd(), 'dist/workers/pages.mjs');

/** Three hundred pages of five kilobytes, some of which name an old term, a placeholder, another page or each other's words. */
async function course(): Promise<string> {
  const words = (n: number) =>
    Array.from(
      { length: 700 },
      (_, i) => `w${Math.imul(Math.imul(n + 1, 2_654_435_761) ^ (i * 40_503), 0x5bd1e995) >>> 20}`,
    ).join(' ');
  const pages = Array.from({ length: 300 }, (_, n) => {
    const welcome = n % 50 === 7 ? 'Welcome to Autumn 2025! Room: TBA' : '';
    const odd =
      n % 40 === 3 ? `<a href="p${n - 1}.html">before</a><img src="none.png" alt="Spring 2024">` : 'é—ü';
    return [
      `p${n}.html`,
      `<html><head><title>Page ${n}</title></head><body><h1>Page ${n}</h1><p>${words(n % 30 === 5 ? 1 : n)}</p><p>${welcome || odd}</p></body></html>`,
    ] as const;
  });
  return makeZip(join(folder, 'course.imscc'), {
    'imsmanifest.xml': manifest(
      pages.map(([, _], n) => item(`i${n}`, `Page ${n}`, `r${n}`)).join(''),
      pages
        .map(
          ([path], n) =>
            `<resource identifier="r${n}" type="webcontent" href="${path}"><file href="${path}"/></resource>`,
        )
        .join(''),
    ),
    ...Object.fromEntries(pages),
  });
}
const audit = async (path: string, pageWorker: string | null) => {
  const result = await auditPackage(
    {
      inputs: {
        package: { path, name: 'course.imscc' },
        code: 'HYD 214',
        termStart: '2027-01-11' as never,
        termEnd: '2027-05-07' as never,
        today: '2027-01-04' as never,
      },
      format: 'json',
      timing: false,
    },
    pageWorker,
  );
  if (!result.ok) throw new Error(result.trouble);
  return result.text;
};

test('a second thread changes nothing in what an audit says', async () => {
  expect(existsSync(bundle)).toBe(true);
  const offered = jest.spyOn(PageThread.prototype, 'offer');
  const path = await course();
  const alone = await audit(path, null);
  expect(offered).not.toHaveBeenCalled();
  const together = await audit(path, bundle);
  expect(offered).toHaveBeenCalledTimes(300);
  expect(together).toBe(alone);
  expect(JSON.parse(alone).findings.map((f: { check: string }) => f.check)).toEqual(
    expect.arrayContaining([
      'outdated.past-term-mention',
      'outdated.placeholder-text',
      'orphan.broken-link',
      'duplicate.near-content',
    ]),
  );
  offered.mockRestore();
});

test('a thread that breaks leaves the work to this one', async () => {
  const path = await course();
  const alone = await audit(path, null);
  expect(await audit(path, join(folder, 'nowhere.mjs'))).toBe(alone);
  const dying = join(folder, 'dying.mjs');
  writeFileSync(
    dying,
    "import { parentPort, workerData } from 'node:worker_threads'; parentPort.on('message', ({ number }) => { Atomics.store(workerData.claims, number, 1); throw new Error('gone'); });",
  );
  expect(await audit(path, dying)).toBe(alone);
});

test('it is not worth it for a few pages', () =>
  expect([PageThread.forPages(bundle, 1000), PageThread.forPages(null, 10 ** 9)]).toEqual([null, null]));
