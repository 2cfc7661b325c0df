import { item, manifest, resource } from './make-package';
import { rawZip, type RawEntry } from './raw-zip';

/** One oddity that a reader may meet, and what it does: a line of the intake report by its code, or refusal. */
export interface Oddity {
  readonly reader: 'manifest' | 'page' | 'calendar' | 'status sheet' | 'roster' | 'state file';
  readonly oddity: string;
  readonly package?: () => Buffer;
  readonly events?: string | Buffer;
  readonly status?: string | Buffer;
  readonly roster?: Readonly<Record<string, string | Buffer>>;
  /** The code of the line, or that nothing is read. */
  readonly outcome: { readonly told: string } | 'refused';
  /** Where the line says that it is. */
  readonly where?: string;
}

const entry = (path: string, data: string | Buffer): RawEntry => ({
  path,
  data: Buffer.isBuffer(data) ? data : Buffer.from(data),
});
const plain = manifest(item('a', 'A', 'R'), resource('R', 'webcontent', 'a.html'));
const packaged = (xml: string | Buffer, ...more: RawEntry[]) =>
  rawZip([entry('imsmanifest.xml', xml), entry('a.html', '<p>A page</p>'), ...more]);
const withPage = (html: string | Buffer) => () =>
  rawZip([entry('imsmanifest.xml', plain), entry('a.html', html)]);
/** É in windows-1252, which is no UTF-8. */
const latin = (text: string) => Buffer.from(text, 'latin1');

const calendarOf = (lines: string) =>
  `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20270101T000000Z\r\n${lines}END:VEVENT\r\nEND:VCALENDAR\r\n`;
const everySecond =
  'BEGIN:VTIMEZONE\r\nTZID:X\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nRRULE:FREQ=SECONDLY\r\nTZOFFSETFROM:+0000\r\nTZOFFSETTO:+0100\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\n';
const inZone = (zone: string) => calendarOf(`DTSTART;TZID=${zone}:20270111T090000\r\nSUMMARY:x\r\n`);

const categories = (rows: string) => ({
  'categories.csv': `sourcedId,status,dateLastModified,title,weight\n${rows}`,
});
const stateOf = (change: Record<string, unknown>) =>
  JSON.stringify({
    schema: 'currycomb.shell-state/1',
    code: 'HYD 214',
    title: 'Stream Ecology',
    timeZone: 'UTC',
    term: { title: '', start: null, end: null },
    previousTerm: null,
    schoolYear: null,
    noClassDays: [],
    items: {},
    files: {},
    homePages: [],
    banks: [],
    groups: [],
    enrolments: {},
    results: {},
    ...change,
  });
const withState = (state: string) => () => packaged(plain, entry('currycomb/shell-state.json', state));

/** Each was made by hand for this project. */
export const oddities: readonly Oddity[] = [
  {
    reader: 'manifest',
    oddity: 'bytes that are no UTF-8',
    package: () => packaged(latin(plain.replace('>A<', '>\u00c9tude<'))),
    outcome: { told: 'odd-encoding' },
    where: 'imsmanifest.xml',
  },
  {
    reader: 'manifest',
    oddity: 'an encoding that nobody knows',
    package: () => packaged(`<?xml version="1.0" encoding="x-tarn"?>${plain.replace(/^<\?xml[^>]*\?>/, '')}`),
    outcome: { told: 'odd-encoding' },
    where: 'imsmanifest.xml',
  },
  {
    reader: 'manifest',
    oddity: 'two equal identifiers',
    package: () =>
      packaged(manifest(item('a', 'A', 'R') + item('a', 'B', 'R'), resource('R', 'webcontent', 'a.html'))),
    outcome: { told: 'identifier-twice' },
  },
  {
    reader: 'manifest',
    oddity: 'a resource that depends on itself',
    package: () =>
      packaged(
        plain.replace('<file href="a.html"/>', '<file href="a.html"/><dependency identifierref="R"/>'),
      ),
    outcome: { told: 'circular-resources' },
    where: 'R',
  },
  {
    reader: 'manifest',
    oddity: 'resources that depend on each other in a circle',
    package: () =>
      packaged(
        manifest(
          item('a', 'A', 'R'),
          resource('R', 'webcontent', 'a.html').replace(
            '/></resource>',
            '/><dependency identifierref="S"/></resource>',
          ) +
            resource('S', 'webcontent', 'b.html').replace(
              '/></resource>',
              '/><dependency identifierref="R"/></resource>',
            ),
        ),
        entry('b.html', '<p>B</p>'),
      ),
    outcome: { told: 'circular-resources' },
  },
  {
    reader: 'manifest',
    oddity: 'a resource that is named and not there',
    package: () =>
      packaged(
        plain.replace('<file href="a.html"/>', '<file href="a.html"/><dependency identifierref="Z"/>'),
      ),
    outcome: { told: 'missing-resource' },
  },
  {
    reader: 'manifest',
    oddity: 'it is cut short',
    package: () => packaged(plain.slice(0, -40)),
    outcome: 'refused',
  },
  {
    reader: 'page',
    oddity: 'bytes that are no UTF-8',
    package: withPage(latin('<meta charset="utf-8"><p>\u00c9tude</p>')),
    outcome: { told: 'odd-encoding' },
    where: 'a.html',
  },
  {
    reader: 'page',
    oddity: 'bytes that are not of the encoding that is declared',
    package: withPage(
      Buffer.concat([
        Buffer.from('<meta charset="shift_jis"><p>'),
        Buffer.from([0x81, 0x20, 0xfd]),
        Buffer.from('</p>'),
      ]),
    ),
    outcome: { told: 'odd-encoding' },
    where: 'a.html',
  },
  {
    reader: 'page',
    oddity: 'an encoding that nobody knows',
    package: withPage('<meta charset="x-tarn"><p>A</p>'),
    outcome: { told: 'odd-encoding' },
    where: 'a.html',
  },
  {
    reader: 'calendar',
    oddity: 'bytes that are no UTF-8',
    events: latin(calendarOf('DTSTART:20270111T090000Z\r\nSUMMARY:\u00c9tude\r\n')),
    outcome: { told: 'odd-encoding' },
    where: 'events.ics',
  },
  {
    reader: 'calendar',
    oddity: 'a time zone that nobody knows',
    events: inZone('Tarn/Upper'),
    outcome: { told: 'unknown-time-zone' },
    where: 'events.ics, line 4',
  },
  {
    reader: 'calendar',
    oddity: 'a time zone that changes every second',
    events: inZone('X').replace('BEGIN:VEVENT', `${everySecond}BEGIN:VEVENT`),
    outcome: { told: 'unknown-time-zone' },
  },
  {
    reader: 'calendar',
    oddity: 'two equal identifiers',
    events: calendarOf(
      'DTSTART:20270111T090000Z\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20270112T090000Z\r\n',
    ),
    outcome: { told: 'uid-twice' },
  },
  { reader: 'calendar', oddity: 'it is none', events: 'hello', outcome: 'refused' },
  {
    reader: 'status sheet',
    oddity: 'bytes that are no UTF-8',
    status: latin('ref,import_batch\na,\u00c9t\u00e9\n'),
    outcome: { told: 'odd-encoding' },
    where: 'status.csv',
  },
  {
    reader: 'status sheet',
    oddity: 'a column that stands twice',
    status: 'ref,visible,visible\na,no,\n',
    outcome: { told: 'column-twice' },
    where: 'status.csv',
  },
  {
    reader: 'status sheet',
    oddity: 'a cell that says yes beside one that says no',
    status: 'ref,visible,visible\na,yes,no\n',
    outcome: { told: 'cells-contradict' },
    where: 'status.csv, row 1',
  },
  {
    reader: 'status sheet',
    oddity: 'a row with too many cells',
    status: 'ref,visible\na,no,what\n',
    outcome: { told: 'row-length' },
    where: 'status.csv, row 1',
  },
  {
    reader: 'status sheet',
    oddity: 'a row with too few cells',
    status: 'ref,visible,points\na,no\n',
    outcome: { told: 'row-length' },
  },
  {
    reader: 'status sheet',
    oddity: 'two rows about one thing',
    status: 'ref,visible\na,no\na,yes\n',
    outcome: { told: 'row-twice' },
    where: 'status.csv, row 2',
  },
  {
    reader: 'status sheet',
    oddity: 'a group that is named and not there',
    status: 'ref,group\na,g7\n',
    outcome: { told: 'missing-group' },
    where: 'a',
  },
  { reader: 'status sheet', oddity: 'a quotation mark is missing', status: 'ref\n"a\n', outcome: 'refused' },
  {
    reader: 'roster',
    oddity: 'bytes that are no UTF-8',
    roster: Object.fromEntries(
      Object.entries(categories('c1,active,,\u00c9tudes,40\n')).map(([name, text]) => [name, latin(text)]),
    ),
    outcome: { told: 'odd-encoding' },
  },
  {
    reader: 'roster',
    oddity: 'a column that stands twice',
    roster: { 'categories.csv': 'sourcedId,status,title,title\nc1,active,Tasks,\n' },
    outcome: { told: 'column-twice' },
  },
  {
    reader: 'roster',
    oddity: 'a row with too few cells',
    roster: categories('c1,active\n'),
    outcome: { told: 'row-length' },
  },
  {
    reader: 'roster',
    oddity: 'two equal identifiers',
    roster: categories('c1,active,,Tasks,40\nc1,active,,Exam,60\n'),
    outcome: { told: 'identifier-twice' },
  },
  {
    reader: 'roster',
    oddity: 'a row without an identifier',
    roster: categories(',active,,Tasks,40\n'),
    outcome: { told: 'row-without-identifier' },
  },
  {
    reader: 'roster',
    oddity: 'a category that is named and not there',
    roster: {
      'lineItems.csv':
        'sourcedId,status,dateLastModified,title,description,assignDate,dueDate,classSourcedId,categorySourcedId\nl1,active,,Report,,,,,c9\n',
    },
    outcome: { told: 'roster-category' },
  },
  { reader: 'roster', oddity: 'it is none', roster: { 'people.csv': 'a,b\n' }, outcome: 'refused' },
  {
    reader: 'state file',
    oddity: 'it fits no schema',
    package: withState('{"schema":"currycomb.shell-state/1"}'),
    outcome: { told: 'state-unreadable' },
  },
  {
    reader: 'state file',
    oddity: 'a home page that is named and not there',
    package: withState(stateOf({ homePages: [{ ref: 'gone', title: 'Start', inUse: true }] })),
    outcome: { told: 'missing-home-page' },
  },
  {
    reader: 'state file',
    oddity: 'a time zone that nobody knows',
    package: withState(stateOf({ timeZone: 'Tarn/Upper' })),
    outcome: { told: 'unknown-time-zone' },
  },
];

/** The table of docs/reliability.md: each reader, each oddity, and what is done. */
export const oddityTable = (): string[] => [
  '| reader | oddity | outcome |',
  '|---|---|---|',
  ...oddities.map(
    ({ reader, oddity, outcome }) =>
      `| ${reader} | ${oddity} | ${outcome === 'refused' ? 'refused with a sentence' : `read, and told as \`${outcome.told}\``} |`,
  ),
];
