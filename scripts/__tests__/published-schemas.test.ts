import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020';
import { runCommandLine } from '@/cli/main';
import { filePath } from '@/core/refs/refs';
import { openArchive } from '@/formats/archive/read-archive';
import { item, makeZip, manifest } from '@/services/__tests__/make-package';
import { publishedSchemas, schemaText } from '../published-schemas';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-schemas-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const published = (name: string): string =>
  readFileSync(join(__dirname, '../../docs/schemas', `${name}.schema.json`), 'utf8');

test.each(Object.keys(publishedSchemas))(
  'docs/schemas/%s.schema.json is the schema in force (npm run docs:checks)',
  (name) => {
    expect(published(name)).toBe(schemaText(publishedSchemas[name]!));
  },
);

describe('real output keeps to the published schemas, as a validator from the registry reads them', () => {
  const check = (name: string, value: unknown) => {
    // The schemas go through Ajv (JSON Schema draft 2020-12), not through the library that made them.
    const validate = new Ajv({ strict: false }).compile(JSON.parse(published(name)) as object);
    return validate(value) ? [] : (validate.errors ?? []);
  };
  async function output(...args: string[]): Promise<unknown> {
    let out = '';
    const spy = jest
      .spyOn(process.stdout, 'write')
      .mockImplementation((text) => ((out += String(text)), true));
    try {
      expect(await runCommandLine(args)).toBe(0);
    } finally {
      spy.mockRestore();
    }
    return JSON.parse(out);
  }
  const course = () =>
    makeZip(join(folder, 'course.imscc'), {
      'imsmanifest.xml': manifest(
        item('m', 'Empty') + item('a', 'Weir', 'r-a'),
        '<resource identifier="r-a" type="webcontent" href="a.html"><file href="a.html"/></resource><resource identifier="r-b" type="webcontent" href="b.txt"><file href="b.txt"/></resource>',
      ),
      'a.html': '<p>The weir</p>',
      'b.txt': 'left over',
    });
  test('audit', async () =>
    expect(check('audit', await output('audit', await course(), '--format', 'json'))).toEqual([]));
  test('preview-add', async () =>
    expect(
      check(
        'preview-add',
        await output('preview-add', await course(), '--into', await course(), '--format', 'json'),
      ),
    ).toEqual([]));
  test('clean, its plan and the state file', async () => {
    const out = join(folder, 'out');
    expect(
      check(
        'clean',
        await output('clean', await course(), '--accept', 'safe', '--out-dir', out, '--format', 'json'),
      ),
    ).toEqual([]);
    expect(check('clean', JSON.parse(readFileSync(join(out, 'summary.json'), 'utf8')))).toEqual([]);
    expect(check('plan', JSON.parse(readFileSync(join(out, 'plan.json'), 'utf8')))).toEqual([]);
    const archive = await openArchive(join(out, 'shell.imscc'), 'shell.imscc');
    if (!archive.ok) throw new Error(archive.trouble.message);
    const state = archive.value.read(filePath('currycomb/shell-state.json'));
    archive.value.close();
    expect(state.ok && check('shell-state', JSON.parse(state.value.toString('utf8')))).toEqual([]);
  });
  test('and what does not keep to them is refused', () => {
    expect(
      check('plan', {
        schema: 'currycomb.plan/1',
        base: 'x',
        steps: [{ action: 'explode', targets: ['a'] }],
      }),
    ).not.toEqual([]);
    expect(check('house-rules', { nonsense: true })).not.toEqual([]);
    expect(check('house-rules', { schema: 'currycomb.house-rules/1', keyMarks: ['AK'] })).toEqual([]);
  });
});
