import { mkdirSync, mkdtempSync, renameSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { copyPlain, plainFile, unreadFiles } from '@/services/do/watched/folder-files';
import { setWatchedFolder } from '@/services/do/watched/watched-folder';
import { DataFolder } from './data-folder';

const outside = mkdtempSync(join(tmpdir(), 'currycomb-outside-'));
const folder = mkdtempSync(join(tmpdir(), 'currycomb-watched-'));
const target = join(outside, 'secret.csv');
let data: DataFolder;
beforeAll(() => {
  data = new DataFolder();
  writeFileSync(target, 'nobody reads this');
  writeFileSync(join(folder, 'plain.imscc'), 'x');
  symlinkSync(target, join(folder, 'link.csv'));
  symlinkSync(outside, join(folder, 'elsewhere'));
  writeFileSync(join(folder, 'back\\slash.zip'), 'x');
  writeFileSync(
    Buffer.concat([Buffer.from(`${folder}/odd-`), Buffer.from([0xff]), Buffer.from('.imscc')]),
    'x',
  );
});
afterAll(async () => {
  await data.close();
  for (const one of [outside, folder]) rmSync(one, { recursive: true, force: true });
});

test('links are no files, wherever on the way they are', () => {
  expect(plainFile(folder, 'plain.imscc')).toMatchObject({ size: 1 });
  expect(plainFile(folder, 'back\\slash.zip')).toMatchObject({ size: 1 });
  for (const path of ['link.csv', 'elsewhere/secret.csv', '../secret.csv', 'gone.csv', 'elsewhere'])
    expect([path, plainFile(folder, path)]).toEqual([path, null]);
});

test('a file that is exchanged for a link after it was looked at is not copied', async () => {
  const copy = join(outside, 'copy');
  await copyPlain(folder, 'plain.imscc', copy);
  rmSync(copy);
  renameSync(join(folder, 'plain.imscc'), join(folder, 'before.imscc'));
  symlinkSync(target, join(folder, 'plain.imscc'));
  await expect(copyPlain(folder, 'plain.imscc', copy)).rejects.toThrow();
  await expect(copyPlain(folder, 'elsewhere/secret.csv', copy)).rejects.toThrow(/exchanged/);
});

test('what is not read is told with its reason', () => {
  const told = unreadFiles(folder).map(({ path, why }) => [path, why.split('.')[0]]);
  expect(told).toEqual(
    expect.arrayContaining([
      ['link.csv', 'it is a link, and links are not followed'],
      ['odd-\ufffd.imscc', 'its name is not written in UTF-8'],
    ]),
  );
  expect(told.map(([path]) => path)).not.toContain('back\\slash.zip');
});

test.each<[string, () => string]>([
  ['everything, by a link', () => '/'],
  ['the data folder, by a link', () => data.dataDir],
  ['a folder around the data folder, by a link', () => data.folder],
])('%s is not watched', (_, to) => {
  const link = join(mkdtempSync(join(outside, 'links-')), 'link');
  symlinkSync(to(), link);
  expect(setWatchedFolder(data.context, { path: link })).toMatchObject({ ok: false });
});

test('another folder is watched where it really is', () => {
  mkdirSync(join(outside, 'packages'));
  symlinkSync(join(outside, 'packages'), join(outside, 'shortcut'));
  expect(setWatchedFolder(data.context, { path: join(outside, 'shortcut') })).toMatchObject({
    ok: true,
    value: { path: expect.stringMatching(/packages$/) as string },
  });
});
