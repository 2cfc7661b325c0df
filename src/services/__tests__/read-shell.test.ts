import {
  mkdtempSync,
  readdirSync,
  rmSync,
  truncateSync,
  writeFileSync,
  statSync,
  readFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDate } from '@/core/dates/local-date';
import { readShell } from '@/services/do/packages/read-shell';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import { item, makeZip, manifest, resource } from './make-package';

const today = '2027-01-04' as LocalDate;
let folder: string;
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'currycomb-read-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
let count = 0;
const newFile = (ending = '.imscc') => join(folder, `f${(count += 1)}${ending}`);

async function read(files: Readonly<Record<string, string | Buffer>>, more: Partial<ShellInputs> = {}) {
  const path = await makeZip(newFile(), files);
  const result = await readShell({ package: { path, name: 'p.imscc' }, today, ...more });
  if (result.ok) result.value.archive.close();
  return result;
}
async function good(files: Readonly<Record<string, string | Buffer>>, more: Partial<ShellInputs> = {}) {
  const result = await read(files, more);
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
}

const page = '<html><head><title>Gauge</title></head><body><p>Read it</p></body></html>';

test('every kind of resource becomes what it is', async () => {
  const { shell, intake } = await good({
    'imsmanifest.xml': manifest(
      item(
        'm',
        'Week 1',
        '',
        item('h', 'Read first') +
          item('p', 'Gauge', 'R1') +
          item('f', 'Map', 'R2') +
          item('l', 'Agency', 'R3') +
          item('d', 'Talk', 'R4') +
          item('a', 'Notebook', 'R5') +
          item('q', 'Check', 'R6') +
          item('v', 'Vendor thing', 'R7') +
          item('t', 'Tool', 'R8'),
      ) + item('e', 'Empty'),
      resource(
        'R1',
        'webcontent',
        'week/gauge.html',
        '<file href="week/pic.png"/><dependency identifierref="R2"/>',
      ) +
        resource('R2', 'webcontent', 'files/map%20one.pdf') +
        resource('R3', 'imswl_xmlv1p1', 'l.xml') +
        resource('R4', 'imsdt_xmlv1p1', 'd.xml') +
        resource('R5', 'assignment_xmlv1p0', 'a.xml') +
        resource('R6', 'imsqti_xmlv1p2/imscc_xmlv1p1/assessment', 'q.xml') +
        resource('R7', 'vendor/odd', 'v.xml') +
        resource('R8', 'imsbasiclti_xmlv1p0', 't.xml') +
        resource('R9', 'imsqti_xmlv1p2/imscc_xmlv1p1/question-bank', 'b.xml') +
        resource('R10', 'webcontent', 'loose.html'),
      {
        metadata:
          '<lom:lom><lom:general><lom:title><lom:string>Stream Ecology</lom:string></lom:title></lom:general></lom:lom>',
      },
    ),
    'week/gauge.html': page,
    'week/pic.png': 'x',
    'files/map one.pdf': 'pdf',
    'l.xml':
      '<webLink xmlns="u"><title>Agency</title><url href="https://example.org/a?b=1&amp;c=2"/></webLink>',
    'd.xml':
      '<topic xmlns="u"><title>Talk</title><text texttype="text/html">&lt;p&gt;Say &amp;amp; hear&lt;/p&gt;</text><attachments><attachment href="files/map one.pdf"/></attachments></topic>',
    'a.xml':
      '<assignment xmlns="u"><title>Notebook</title><text texttype="text/html"><![CDATA[<p>Do</p>]]></text><gradable points_possible="20">true</gradable></assignment>',
    'q.xml':
      '<questestinterop xmlns="u"><assessment ident="A" title="Check"><section><item ident="i"><itemmetadata><qtimetadata><qtimetadatafield><fieldlabel>cc_weighting</fieldlabel><fieldentry>3</fieldentry></qtimetadatafield></qtimetadata></itemmetadata><presentation><material><mattext texttype="text/html">&lt;b&gt;How&lt;/b&gt;?</mattext></material><response_lid ident="r"><render_choice><response_label ident="x1"><material><mattext>one</mattext></material></response_label><response_label ident="x2"><material><mattext>two</mattext></material></response_label></render_choice></response_lid></presentation><resprocessing><respcondition><conditionvar><varequal respident="r">x2</varequal></conditionvar></respcondition></resprocessing></item></section></assessment></questestinterop>',
    'v.xml': '<odd/>',
    't.xml':
      '<cartridge_basiclti_link xmlns:blti="b"><blti:title>Tool</blti:title><blti:launch_url>https://tool.example/</blti:launch_url></cartridge_basiclti_link>',
    'b.xml': '<questestinterop><objectbank ident="BANK"><item ident="z"/></objectbank></questestinterop>',
    'loose.html': page,
    'forgotten.txt': 'x',
  });
  expect(shell.items.map((i) => [i.ref, i.kind, i.parent])).toEqual([
    ['m', 'module', null],
    ['h', 'heading', 'm'],
    ['p', 'page', 'm'],
    ['f', 'file', 'm'],
    ['l', 'web-link', 'm'],
    ['d', 'discussion', 'm'],
    ['a', 'assignment', 'm'],
    ['q', 'quiz', 'm'],
    ['v', 'other', 'm'],
    ['t', 'tool-link', 'm'],
    ['e', 'module', null],
    ['resource:R10', 'page', null],
  ]);
  expect(shell).toMatchObject({ ref: 'man1', title: 'Stream Ecology' });
  const content = (id: string) => shell.contents.find((c) => c.id === id)!;
  expect(content('R3').target).toBe('https://example.org/a?b=1&c=2');
  expect(content('R4').texts).toEqual(['<p>Say &amp; hear</p>', '<a href="files/map one.pdf"></a>']);
  expect(content('R5')).toMatchObject({ points: 20, texts: ['<p>Do</p>'] });
  expect(content('R6')).toMatchObject({ points: 3, texts: ['<b>How</b>?', 'one', 'two'], answerKey: '1' });
  expect(content('R8').target).toBe('https://tool.example/');
  expect(shell.files.map((f) => f.path)).toEqual(['week/pic.png', 'files/map one.pdf']);
  expect(shell.banks).toEqual([{ ref: 'resource:R9', title: 'BANK', content: 'R9' }]);
  expect(intake.map((n) => [n.code, n.where])).toEqual(
    expect.arrayContaining([
      ['carried-through', 'R7'],
      ['not-in-manifest', 'forgotten.txt'],
    ]),
  );
});

test('Content Packaging keeps its visibility, LOM roles keep staff material from students', async () => {
  const { shell } = await good({
    'imsmanifest.xml': `<manifest identifier="m" xmlns="http://www.imsglobal.org/xsd/imscp_v1p1"><metadata><schema>IMS Content</schema><schemaversion>1.1</schemaversion></metadata><organizations><organization identifier="o"><title>Course</title><item identifier="a" identifierref="R" isvisible="false"><title>A</title></item><item identifier="b" identifierref="S"><title>B</title></item></organization></organizations><resources>${resource('R', 'webcontent', 'a.html')}<resource identifier="S" type="webcontent" href="b.html"><metadata><lom xmlns="x"><educational><intendedEndUserRole><source>LOMv1.0</source><value>Instructor</value></intendedEndUserRole></educational></lom></metadata><file href="b.html"/></resource></resources></manifest>`,
    'a.html': page,
    'b.html': page,
  });
  expect(shell.frame.format).toBe('content-packaging');
  expect(shell.items.map((i) => [i.ref, i.shown, i.staffOnly])).toEqual([
    ['a', false, false],
    ['b', null, true],
  ]);
});

describe('what is wrong is reported, the rest is read', () => {
  test.each<[string, string, Record<string, string | Buffer>, string]>([
    [
      'a missing file',
      'missing-file',
      { 'imsmanifest.xml': manifest(item('a', 'A', 'R'), resource('R', 'webcontent', 'gone.html')) },
      'R',
    ],
    [
      'an address that leaves the package',
      'missing-file',
      { 'imsmanifest.xml': manifest(item('a', 'A', 'R'), resource('R', 'webcontent', '../../etc/x.html')) },
      'R',
    ],
    [
      'a missing resource',
      'missing-resource',
      { 'imsmanifest.xml': manifest(item('a', 'A', 'NONE'), '') },
      'a',
    ],
    [
      'no identifier',
      'missing-identifier',
      { 'imsmanifest.xml': manifest('<item><title>A</title></item>', '') },
      'imsmanifest.xml, line 4',
    ],
    [
      'two equal identifiers',
      'identifier-twice',
      { 'imsmanifest.xml': manifest(item('a', 'A') + item('a', 'B'), '') },
      'imsmanifest.xml, line 4',
    ],
    [
      'a body with a document type',
      'body-document-type',
      {
        'imsmanifest.xml': manifest(item('a', 'A', 'R'), resource('R', 'imsdt_xmlv1p1', 'd.xml')),
        'd.xml': '<!DOCTYPE t [<!ENTITY x "y">]><topic><text>&x;</text></topic>',
      },
      'R',
    ],
    [
      'a body that is cut short',
      'body-not-well-formed',
      {
        'imsmanifest.xml': manifest(item('a', 'A', 'R'), resource('R', 'imsdt_xmlv1p1', 'd.xml')),
        'd.xml': '<topic><text>abc',
      },
      'R',
    ],
    [
      'names that differ by case',
      'names-differ-by-case',
      { 'imsmanifest.xml': manifest('', ''), 'a.txt': 'x', 'A.txt': 'y' },
      'A.txt',
    ],
  ])('%s', async (_, code, files, where) => {
    const { intake } = await good(files);
    expect(intake).toContainEqual(expect.objectContaining({ code, where }));
    expect(intake.every((n) => n.message.length > 5)).toBe(true);
  });
  test('a dependency circle is read and ends', async () => {
    const { shell } = await good({
      'imsmanifest.xml': manifest(
        item('a', 'A', 'R'),
        resource('R', 'webcontent', 'a.html', '<dependency identifierref="S"/>') +
          resource('S', 'webcontent', 'b.html', '<dependency identifierref="R"/>'),
      ),
      'a.html': page,
      'b.html': page,
    });
    expect(shell.contents).toHaveLength(2);
  });
  test('other encodings are read as what they are', async () => {
    const { shell } = await good({
      'imsmanifest.xml': manifest(
        item('a', 'A', 'R') + item('b', 'B', 'S'),
        resource('R', 'webcontent', 'a.html') + resource('S', 'webcontent', 'b.html'),
      ),
      'a.html': Buffer.from(
        '<html><head><meta charset="iso-8859-1"></head><body>Z\xfcrich</body></html>',
        'latin1',
      ),
      'b.html': Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('<p>Zürich</p>', 'utf16le')]),
    });
    expect(shell.contents.map((c) => c.texts[0])).toEqual([
      expect.stringContaining('Zürich'),
      '<p>Zürich</p>',
    ]);
  });
});

describe('what can’t be read is refused with one sentence', () => {
  const refused = async (files: Record<string, string | Buffer>) => {
    const result = await read(files);
    if (result.ok) throw new Error('it was read');
    return result.trouble.message;
  };
  test('no manifest', async () =>
    expect(await refused({ 'a.html': page })).toMatch(
      /^The package has no imsmanifest.xml, so it is no course package; export /,
    ));
  test('the manifest in a folder', async () =>
    expect(await refused({ 'x/imsmanifest.xml': manifest('', '') })).toMatch(
      /in a folder \(x\/imsmanifest.xml\)/,
    ));
  test('a manifest with a document type', async () =>
    expect(
      await refused({
        'imsmanifest.xml': `<!DOCTYPE manifest SYSTEM "x">${manifest('', '').replace(/^.*\n/, '')}`,
      }),
    ).toMatch(/imsmanifest.xml has a document type, which is not allowed/));
  test('broken XML', async () =>
    expect(await refused({ 'imsmanifest.xml': '<manifest><organizations>' })).toMatch(
      /is not well-formed XML \(line 1\)/,
    ));
  test('another document', async () =>
    expect(await refused({ 'imsmanifest.xml': '<rss/>' })).toMatch(/begins with <rss>/));
  test('a manifest inside the manifest', async () =>
    expect(
      await refused({
        'imsmanifest.xml': manifest('', '', {
          tail: '<manifest identifier="x"><organizations/><resources/></manifest>',
        }),
      }),
    ).toMatch(/manifest inside the manifest/));
  test('a truncated zip', async () => {
    const path = await makeZip(newFile(), { 'imsmanifest.xml': manifest('', ''), 'a.txt': 'x'.repeat(5000) });
    truncateSync(path, statSync(path).size - 60);
    const result = await readShell({ package: { path, name: 'half.imscc' }, today });
    expect(!result.ok && result.trouble.message).toMatch(
      /“half.imscc” can’t be read as a zip archive: it is damaged, cut short/,
    );
  });
  test('no zip at all, an empty file, no file', async () => {
    const path = newFile();
    writeFileSync(path, 'hello');
    expect(await readShell({ package: { path, name: 'x' }, today })).toMatchObject({
      ok: false,
      trouble: { code: 'not-an-archive' },
    });
    writeFileSync(path, '');
    expect(await readShell({ package: { path, name: 'x' }, today })).toMatchObject({
      ok: false,
      trouble: { code: 'not-an-archive' },
    });
    expect(await readShell({ package: { path: `${path}-none`, name: 'x' }, today })).toMatchObject({
      ok: false,
      trouble: { code: 'no-such-file' },
    });
  });
  test('damaged bytes of one entry are reported, the rest is read', async () => {
    const path = await makeZip(newFile(), {
      'imsmanifest.xml': manifest('', ''),
      'a.txt': 'abcdefgh'.repeat(400),
    });
    const bytes = readFileSync(path);
    const at = bytes.indexOf('a.txt') + 12;
    bytes.fill(0x55, at, at + 6);
    writeFileSync(path, bytes);
    const result = await readShell({ package: { path, name: 'x' }, today });
    if (result.ok) result.value.archive.close();
    expect(result.ok && result.value.intake.map((n) => n.code)).toContain('damaged-entry');
  });
  test.each([
    ['a calendar that is none', { events: 'hello' }, /“side” is not an iCalendar file/],
    ['a sheet without ref', { status: 'name,color\nx,y\n' }, /neither a column “ref” nor a column “title”/],
    ['a sheet with a stray quotation mark', { status: 'ref,title\n"a,b\nc,d' }, /not a readable CSV file/],
  ] as const)('%s', async (_, side, sentence) => {
    const [key, text] = Object.entries(side)[0]!;
    const path = newFile('.side');
    writeFileSync(path, text);
    const result = await read({ 'imsmanifest.xml': manifest('', '') }, { [key]: { path, name: 'side' } });
    expect(!result.ok && result.trouble.message).toMatch(sentence);
  });
  test.each([
    [{ timeZone: 'Mars/Olympus' }, /“Mars\/Olympus” is no time zone/],
    [{ termStart: '2027-05-07', termEnd: '2027-01-11' }, /ends on 2027-01-11, before it begins/],
  ])('%j', async (more, sentence) => {
    const result = await read({ 'imsmanifest.xml': manifest('', '') }, more as Partial<ShellInputs>);
    expect(!result.ok && result.trouble.message).toMatch(sentence);
  });
});

describe('names that leave the package, links and bombs', () => {
  /** A zip entry's name spelled another way of the same length, in both of its headers. */
  async function renamed(from: string, to: string) {
    const path = await makeZip(newFile(), { 'imsmanifest.xml': manifest('', ''), [from]: 'x' });
    const bytes = readFileSync(path);
    for (let at = bytes.indexOf(from); at >= 0; at = bytes.indexOf(from, at + 1)) bytes.write(to, at);
    writeFileSync(path, bytes);
    const result = await readShell({ package: { path, name: 'x' }, today });
    if (!result.ok) throw new Error(result.trouble.message);
    result.value.archive.close();
    return result.value;
  }
  test.each([
    ['aaaaaaaa.txt', '../../aa.txt'],
    ['aaaaaaaa.txt', '/aaaaaaa.txt'],
    ['aaaaaaaa.txt', 'C:/aaaaa.txt'],
    ['aaaaaaaa.txt', '..\\..\\aa.txt'],
  ])('%s as %s', async (from, to) => {
    const { shell, intake } = await renamed(from, to);
    expect(intake).toContainEqual(expect.objectContaining({ code: 'path-leaves-package' }));
    expect(shell.entries.map((e) => e.path)).toEqual([]);
  });
  test('an entry that unpacks to two hundred times its size is left out', async () => {
    const { intake } = await good({
      'imsmanifest.xml': manifest('', ''),
      'zeros.bin': Buffer.alloc(3_000_000),
    });
    expect(intake).toContainEqual(expect.objectContaining({ code: 'suspicious-ratio', where: 'zeros.bin' }));
  });
});

test('reading leaves no file behind', async () => {
  const before = readdirSync(folder).length;
  await read({ 'imsmanifest.xml': 'x' });
  expect(readdirSync(folder).length).toBe(before + 1);
});
