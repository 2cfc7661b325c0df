import { deflateRawSync } from 'node:zlib';
import { item, manifest, resource } from './make-package';
import { rawZip, type RawEntry } from './raw-zip';

/** One hostile input: a package, or side files beside a good one. `refused`: nothing sensible can be read. */
export interface Hostile {
  readonly what: string;
  readonly zip?: () => Buffer;
  readonly events?: string | Buffer;
  readonly status?: string | Buffer;
  readonly outcome: 'refused' | 'read';
  /** A code that the intake report must name. */
  readonly note?: string;
}

const one = (path: string, data: string | Buffer, more: Partial<RawEntry> = {}): RawEntry => ({
  path,
  data: Buffer.isBuffer(data) ? data : Buffer.from(data),
  ...more,
});
const xml = (text: string) => one('imsmanifest.xml', text);
const plain = manifest(item('a', 'A', 'R'), resource('R', 'webcontent', 'a.html'));
export const good = [xml(plain), one('a.html', '<p>A page</p>')];
const withPage = (html: string | Buffer) => () => rawZip([xml(plain), one('a.html', html)]);
const withBody = (type: string, body: string) => () =>
  rawZip([xml(manifest(item('a', 'A', 'R'), resource('R', type, 'b.xml'))), one('b.xml', body)]);
const nested = (n: number) =>
  `${Array.from({ length: n }, (_, i) => `<item identifier="i${i}"><title>t</title>`).join('')}${'</item>'.repeat(n)}`;
const zeros = (n: number) => Buffer.alloc(n);
const calendar = (lines: string) =>
  `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\n${lines}END:VCALENDAR\r\n`;
const event = (lines: string) =>
  calendar(
    `BEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20270101T000000Z\r\nDTSTART:20270111T090000Z\r\nSUMMARY:x\r\n${lines}END:VEVENT\r\n`,
  );

/** Each was made by hand for this project. */
export const hostile: readonly Hostile[] = [
  // The container.
  { what: 'no bytes at all', zip: () => Buffer.alloc(0), outcome: 'refused' },
  { what: 'text with a zip’s name', zip: () => Buffer.from('hello, I am a course'), outcome: 'refused' },
  { what: 'a zip cut short', zip: () => rawZip(good).subarray(0, 120), outcome: 'refused' },
  { what: 'only the end record of a zip', zip: () => rawZip([]), outcome: 'refused' },
  {
    what: 'an end record that counts more entries than there are',
    zip: () => patch(rawZip(good), -12, 60_000, 2),
    outcome: 'refused',
  },
  {
    what: 'a directory that begins behind the end',
    zip: () => patch(rawZip(good), -6, 0x7fffffff, 4),
    outcome: 'refused',
  },
  { what: 'no manifest', zip: () => rawZip([one('a.html', 'x')]), outcome: 'refused' },
  {
    what: 'the manifest in a folder',
    zip: () => rawZip([one('course/imsmanifest.xml', plain)]),
    outcome: 'refused',
  },
  {
    what: 'the manifest under another case',
    zip: () => rawZip([one('IMSMANIFEST.XML', plain)]),
    outcome: 'refused',
  },
  {
    what: 'a path that climbs out',
    zip: () => rawZip([...good, one('../../evil.sh', 'x')]),
    outcome: 'read',
    note: 'path-leaves-package',
  },
  {
    what: 'a path with backslashes that climbs out',
    zip: () => rawZip([...good, one('..\\..\\evil.bat', 'x')]),
    outcome: 'read',
  },
  {
    what: 'an absolute path',
    zip: () => rawZip([...good, one('/etc/passwd', 'x')]),
    outcome: 'read',
    note: 'path-leaves-package',
  },
  {
    what: 'a drive letter',
    zip: () => rawZip([...good, one('C:/windows/x', 'x')]),
    outcome: 'read',
    note: 'path-leaves-package',
  },
  {
    what: 'a zero byte in a name',
    zip: () => rawZip([...good, one('a\u0000.html', 'x')]),
    outcome: 'read',
    note: 'path-leaves-package',
  },
  {
    what: 'a link',
    zip: () => rawZip([...good, one('link', '/etc/passwd', { mode: 0o120777 })]),
    outcome: 'read',
    note: 'link-entry',
  },
  {
    what: 'an encrypted entry',
    zip: () => rawZip([...good, one('secret', 'x', { flags: 1 })]),
    outcome: 'read',
    note: 'encrypted-entry',
  },
  {
    what: 'an unknown way of packing',
    zip: () => rawZip([...good, one('odd', 'x', { method: 99 })]),
    outcome: 'read',
    note: 'unknown-compression',
  },
  {
    what: 'the same name twice',
    zip: () => rawZip([...good, one('a.html', 'other')]),
    outcome: 'read',
    note: 'same-name-twice',
  },
  {
    what: 'names that differ by case',
    zip: () => rawZip([...good, one('A.HTML', 'other')]),
    outcome: 'read',
    note: 'names-differ-by-case',
  },
  {
    what: 'a bomb of zeros',
    zip: () => rawZip([...good, one('bomb', zeros(300 * 1024 ** 2), { method: 8 })]),
    outcome: 'read',
    note: 'suspicious-ratio',
  },
  {
    what: 'a bomb that lies about its size',
    zip: () => rawZip([...good, one('bomb.html', zeros(50 * 1024 ** 2), { method: 8, saysBytes: 1000 })]),
    outcome: 'read',
    note: 'damaged-entry',
  },
  {
    what: 'an entry that claims four gigabytes',
    zip: () => rawZip([...good, one('big.bin', 'x', { saysBytes: 0xfffffff0 })]),
    outcome: 'read',
    note: 'suspicious-ratio',
  },
  { what: 'entries that unpack the same bytes', zip: overlapping, outcome: 'refused' },
  {
    what: 'a wrong check sum',
    zip: () => rawZip([...good, one('b.html', 'text', { saysCrc: 1 })]),
    outcome: 'read',
    note: 'damaged-entry',
  },
  {
    what: 'a wrong check sum on the manifest',
    zip: () => rawZip([{ ...xml(plain), saysCrc: 1 }]),
    outcome: 'refused',
  },
  {
    what: 'fifty thousand empty entries',
    zip: () => rawZip([...good, ...Array.from({ length: 50_000 }, (_, i) => one(`e/${i}`, ''))]),
    outcome: 'read',
  },
  {
    what: 'a name of sixty thousand letters',
    zip: () => rawZip([...good, one('x'.repeat(60_000), 'x')]),
    outcome: 'read',
  },
  {
    what: 'a name that is no UTF-8',
    zip: () => rawZip([...good, one('a', 'x', { rawName: Buffer.from([0xff, 0xfe, 0x41]), flags: 0x800 })]),
    outcome: 'read',
  },
  // The manifest.
  { what: 'an empty manifest', zip: () => rawZip([xml('')]), outcome: 'refused' },
  {
    what: 'a manifest that is HTML',
    zip: () => rawZip([xml('<html><body>Not found</body></html>')]),
    outcome: 'refused',
  },
  {
    what: 'a manifest that is not closed',
    zip: () => rawZip([xml('<manifest><organizations>')]),
    outcome: 'refused',
  },
  {
    what: 'a document type that names a file',
    zip: () =>
      rawZip([xml('<!DOCTYPE m [<!ENTITY x SYSTEM "file:///etc/passwd">]><manifest>&x;</manifest>')]),
    outcome: 'refused',
  },
  {
    what: 'entities that multiply',
    zip: () =>
      rawZip([
        xml(
          `<!DOCTYPE m [<!ENTITY a "${'x'.repeat(99)}">${'bcdefghij'
            .split('')
            .map((c, i) => `<!ENTITY ${c} "${`&${'abcdefghi'[i]};`.repeat(10)}">`)
            .join('')}]><manifest>&j;</manifest>`,
        ),
      ]),
    outcome: 'refused',
  },
  {
    what: 'a manifest in a manifest',
    zip: () => rawZip([xml('<manifest identifier="a"><manifest identifier="b"/></manifest>')]),
    outcome: 'refused',
  },
  {
    what: 'items nested a hundred thousand deep',
    zip: () => rawZip([xml(manifest(nested(100_000), ''))]),
    outcome: 'refused',
  },
  {
    what: 'items nested two hundred deep',
    zip: () => rawZip([xml(manifest(nested(200), ''))]),
    outcome: 'read',
  },
  {
    what: 'a hundred thousand items of one identifier',
    zip: () => rawZip([xml(manifest(item('same', 'A').repeat(100_000), ''))]),
    outcome: 'refused',
  },
  {
    what: 'a thousand items of one identifier',
    zip: () => rawZip([xml(manifest(item('same', 'A').repeat(1_000), ''))]),
    outcome: 'read',
    note: 'identifier-twice',
  },
  {
    what: 'a thousand and one resources of one identifier',
    zip: () => rawZip([xml(manifest('', resource('same', 'webcontent', 'a.html').repeat(1_001)))]),
    outcome: 'refused',
  },
  {
    what: 'resources that depend on each other in a circle',
    zip: () =>
      rawZip([
        xml(
          manifest(
            item('a', 'A', 'R'),
            resource('R', 'webcontent', 'a.html', '<dependency identifierref="S"/>') +
              resource('S', 'webcontent', 'b.html', '<dependency identifierref="R"/>'),
          ),
        ),
        one('a.html', 'a'),
        one('b.html', 'b'),
      ]),
    outcome: 'read',
  },
  {
    what: 'a resource that depends on itself',
    zip: () =>
      rawZip([
        xml(
          manifest(
            item('a', 'A', 'R'),
            resource('R', 'webcontent', 'a.html', '<dependency identifierref="R"/>'),
          ),
        ),
        one('a.html', 'a'),
      ]),
    outcome: 'read',
  },
  {
    what: 'addresses out of the package',
    zip: () =>
      rawZip([xml(manifest(item('a', 'A', 'R'), resource('R', 'webcontent', '../../../etc/passwd')))]),
    outcome: 'read',
    note: 'missing-file',
  },
  {
    what: 'an address with a bad escape',
    zip: () => rawZip([xml(manifest(item('a', 'A', 'R'), resource('R', 'webcontent', '%E0%A4%A.html')))]),
    outcome: 'read',
    note: 'missing-file',
  },
  {
    what: 'a file address of the machine',
    zip: () =>
      rawZip([xml(manifest(item('a', 'A', 'R'), resource('R', 'webcontent', 'file:///etc/passwd')))]),
    outcome: 'read',
    note: 'missing-file',
  },
  {
    what: 'names of the language’s own',
    zip: () =>
      rawZip([
        xml(
          manifest(
            item('__proto__', 'A', 'constructor') + item('toString', 'B'),
            resource('constructor', 'webcontent', '__proto__'),
          ),
        ),
        one('__proto__', 'x'),
      ]),
    outcome: 'read',
  },
  {
    what: 'a manifest in UTF-16',
    zip: () =>
      rawZip([
        one('imsmanifest.xml', Buffer.from(`\ufeff${plain.replace('UTF-8', 'UTF-16')}`, 'utf16le')),
        one('a.html', 'x'),
      ]),
    outcome: 'read',
  },
  {
    what: 'a manifest that lies about its encoding',
    zip: () => rawZip([one('imsmanifest.xml', Buffer.from(plain.replace('UTF-8', 'UTF-32')))]),
    outcome: 'read',
  },
  {
    what: 'a manifest with control characters',
    zip: () => rawZip([xml(plain.replace('A</title>', 'A\u0001</title>'))]),
    outcome: 'refused',
  },
  {
    what: 'a title of ten million letters',
    zip: () => rawZip([xml(manifest(item('a', 'x'.repeat(10_000_000)), ''))]),
    outcome: 'read',
  },
  {
    what: 'a state file that is nonsense',
    zip: () =>
      rawZip([
        ...good,
        one('currycomb/shell-state.json', '{"schema": "currycomb.shell-state/1", "items": 7}'),
      ]),
    outcome: 'read',
    note: 'state-unreadable',
  },
  {
    what: 'a state file that is nested without end',
    zip: () => rawZip([...good, one('currycomb/shell-state.json', '['.repeat(200_000))]),
    outcome: 'read',
    note: 'state-unreadable',
  },
  // Bodies.
  { what: 'a page of angle brackets', zip: withPage('<'.repeat(2_000_000)), outcome: 'read' },
  {
    what: 'a page of forty thousand weekdays and dates',
    zip: withPage('Monday, 14 October '.repeat(40_000)),
    outcome: 'read',
  },
  {
    what: 'a page of a hundred thousand academic years',
    zip: withPage('2023-24 '.repeat(100_000)),
    outcome: 'read',
  },
  {
    what: 'a page of a hundred thousand open brackets',
    zip: withPage('[insert '.repeat(100_000)),
    outcome: 'read',
  },
  {
    what: 'a page of sixty thousand quotations',
    zip: withPage('<q>Autumn 2025</q> '.repeat(60_000)),
    outcome: 'read',
  },
  {
    what: 'a page of ten thousand lists of references',
    zip: withPage('<h2>References</h2><p>Autumn 2025</p>'.repeat(10_000)),
    outcome: 'read',
  },
  { what: 'a page of half-open tags', zip: withPage('<a href="'.repeat(300_000)), outcome: 'read' },
  {
    what: 'a page nested a hundred thousand deep',
    zip: withPage(`${'<div>'.repeat(100_000)}x`),
    outcome: 'read',
  },
  { what: 'a page of comments that never end', zip: withPage('<!--'.repeat(400_000)), outcome: 'read' },
  {
    what: 'a tag with a hundred thousand attributes',
    zip: withPage(`<img ${Array.from({ length: 100_000 }, (_, i) => `a${i}="x"`).join(' ')}>`),
    outcome: 'read',
  },
  {
    what: 'a srcset of a million commas',
    zip: withPage(`<img srcset="${','.repeat(1_000_000)}">`),
    outcome: 'read',
  },
  {
    what: 'a style of open brackets',
    zip: withPage(`<style>${'url('.repeat(300_000)}</style>`),
    outcome: 'read',
  },
  {
    what: 'a page of random bytes',
    zip: withPage(Buffer.from(Array.from({ length: 300_000 }, (_, i) => (i * 7919) % 256))),
    outcome: 'read',
  },
  {
    what: 'an address of a million dots',
    zip: withPage(`<a href="${'../'.repeat(300_000)}x.html">x</a>`),
    outcome: 'read',
  },
  {
    what: 'a quiz with a document type',
    zip: withBody(
      'imsqti_xmlv1p2/imscc_xmlv1p1/assessment',
      '<!DOCTYPE q [<!ENTITY a "b">]><questestinterop>&a;</questestinterop>',
    ),
    outcome: 'read',
    note: 'body-document-type',
  },
  {
    what: 'a quiz nested without end',
    zip: withBody(
      'imsqti_xmlv1p2/imscc_xmlv1p1/assessment',
      `${'<section>'.repeat(80_000)}${'</section>'.repeat(80_000)}`,
    ),
    outcome: 'read',
    note: 'body-too-deep',
  },
  {
    what: 'a topic that is cut off',
    zip: withBody('imsdt_xmlv1p1', '<topic><text>'),
    outcome: 'read',
    note: 'body-not-well-formed',
  },
  {
    what: 'a web link to a script',
    zip: withBody('imswl_xmlv1p1', '<webLink><title>x</title><url href="javascript:alert(1)"/></webLink>'),
    outcome: 'read',
  },
  // Side files.
  {
    what: 'a calendar that is a picture',
    events: Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0]),
    outcome: 'refused',
  },
  {
    what: 'a calendar cut off in an event',
    events: event('').slice(0, 120),
    outcome: 'read',
    note: 'calendar-cut-short',
  },
  { what: 'an event without an end in sight', events: event('RRULE:FREQ=SECONDLY\r\n'), outcome: 'read' },
  {
    what: 'a rule that never comes true',
    events: event('RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30\r\n'),
    outcome: 'read',
  },
  {
    what: 'a rule of seconds that never comes true',
    events: event('RRULE:FREQ=SECONDLY;BYMONTH=2;BYMONTHDAY=31\r\n'),
    outcome: 'read',
  },
  {
    what: 'a rule with a step of nothing',
    events: event('RRULE:FREQ=DAILY;INTERVAL=0\r\n'),
    outcome: 'read',
  },
  {
    what: 'a rule with a huge step',
    events: event('RRULE:FREQ=DAILY;INTERVAL=999999999999\r\n'),
    outcome: 'read',
  },
  { what: 'a rule that is nonsense', events: event('RRULE:FREQ=SOMETIMES;BYDAY=XX\r\n'), outcome: 'read' },
  { what: 'an event in the year 99999', events: event('').replace('20270111', '99990111'), outcome: 'read' },
  {
    what: 'an event on a day that does not exist',
    events: event('').replace('20270111', '20270231'),
    outcome: 'read',
  },
  {
    what: 'an event without UID',
    events: event('').replace('UID:1\r\n', ''),
    outcome: 'read',
    note: 'event-unreadable',
  },
  {
    what: 'a time zone that is nonsense',
    events: calendar(
      'BEGIN:VTIMEZONE\r\nTZID:X\r\nBEGIN:STANDARD\r\nDTSTART:nonsense\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;TZID=X:20270111T090000\r\nEND:VEVENT\r\n',
    ),
    outcome: 'read',
  },
  {
    what: 'components nested without end',
    events: calendar('BEGIN:VEVENT\r\n'.repeat(50_000)),
    outcome: 'read',
  },
  {
    what: 'a line of five million letters',
    events: event(`DESCRIPTION:${'x'.repeat(5_000_000)}\r\n`),
    outcome: 'read',
  },
  { what: 'a sheet without columns', status: 'just,some,words\n1,2,3\n', outcome: 'refused' },
  { what: 'a sheet with an open quotation', status: 'ref,title\n"a,b\nc,d\n', outcome: 'refused' },
  {
    what: 'a sheet of formulas',
    status: 'ref,title\n=cmd|calc,+1\n@x,-y\n',
    outcome: 'read',
    note: 'unknown-ref',
  },
  {
    what: 'a sheet with a hundred thousand unknown refs',
    status: `ref,visible\n${Array.from({ length: 100_000 }, (_, i) => `nobody${i},no`).join('\n')}\n`,
    outcome: 'read',
    note: 'unknown-ref',
  },
  { what: 'a sheet of zero bytes', status: zeros(100_000), outcome: 'refused' },
  { what: 'a sheet that requires in a circle', status: 'ref,requires\na,a\n', outcome: 'read' },
];

/** Writes a number over the bytes at a place counted from the end. */
function patch(zip: Buffer, fromEnd: number, value: number, bytes: number): Buffer {
  zip.writeUIntLE(value, zip.length + fromEnd, bytes);
  return zip;
}

/** Sixty entries whose records all point at the same packed bytes (as the quine-like bombs do). */
function overlapping(): Buffer {
  const kernel = deflateRawSync(
    Buffer.from(Array.from({ length: 200_000 }, (_, i) => (i * 31 + (i >> 7)) % 251)),
  );
  const zip = rawZip([...good, one('kernel', kernel)], { againLast: 60 });
  return zip;
}
