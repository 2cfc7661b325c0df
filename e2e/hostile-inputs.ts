import { hostile, good } from '@/services/__tests__/hostile-list';
import { item, manifest, resource } from '@/services/__tests__/make-package';
import { rawZip, type RawEntry } from '@/services/__tests__/raw-zip';

/** Something that a stranger may hand over: a package, or files beside a good one. */
export interface HostileInput {
  readonly what: string;
  readonly reader: 'package' | 'state file' | 'calendar' | 'roster' | 'status sheet';
  /** Made when it is its turn: some are large. */
  readonly package?: () => Buffer;
  readonly events?: () => Buffer;
  readonly roster?: () => Buffer;
  readonly status?: () => Buffer;
}

const entry = (path: string, data: string | Buffer): RawEntry => ({
  path,
  data: Buffer.isBuffer(data) ? data : Buffer.from(data),
});
const bytes = (text: string | Buffer) => () => (Buffer.isBuffer(text) ? text : Buffer.from(text));
const many = (count: number, make: (n: number) => string) =>
  Array.from({ length: count }, (_, n) => make(n)).join('');
const calendar = (body: string) =>
  Buffer.from(`BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\n${body}END:VCALENDAR\r\n`);
const event = (n: number, lines: string) =>
  `BEGIN:VEVENT\r\nUID:u${n}\r\nDTSTAMP:20270101T000000Z\r\nDTSTART:20270111T090000\r\nSUMMARY:Event ${n}\r\n${lines}END:VEVENT\r\n`;

/** Rules that repeat for ever, never, or far too often; three thousand events of each are some 300 kB. */
const rules = [
  'FREQ=MINUTELY',
  'FREQ=SECONDLY',
  'FREQ=HOURLY',
  'FREQ=DAILY',
  'FREQ=DAILY;COUNT=100000000',
  'FREQ=DAILY;UNTIL=99991231T000000Z',
  'FREQ=DAILY;BYHOUR=0,1,2,3,4,5,6,7,8,9,10,11;BYMINUTE=0,10,20,30,40,50',
  'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=31',
  'FREQ=MONTHLY;BYMONTH=2;BYMONTHDAY=31',
  'FREQ=YEARLY;BYDAY=MO;BYMONTHDAY=31;BYMONTH=2',
  'FREQ=YEARLY;BYWEEKNO=53;BYDAY=MO;BYMONTH=6',
  'FREQ=WEEKLY;INTERVAL=999;BYDAY=MO,TU,WE,TH,FR,SA,SU',
];
const calendars: Readonly<Record<string, () => Buffer>> = {
  ...Object.fromEntries(
    rules.map((rule) => [
      `3,000 events of ${rule}`,
      () => calendar(many(3_000, (n) => event(n, `RRULE:${rule}\r\n`))),
    ]),
  ),
  'a hundred thousand added dates': () =>
    calendar(
      event(
        1,
        many(100_000, (n) => `RDATE:2027${String(101 + (n % 28))}0T${String(100000 + (n % 50000))}\r\n`),
      ),
    ),
  'a hundred thousand excluded dates': () =>
    calendar(event(1, `RRULE:FREQ=DAILY\r\n${many(100_000, () => 'EXDATE:20270112T090000\r\n')}`)),
  'a title of ten megabytes': () =>
    calendar(event(1, `DESCRIPTION:x\r\n`).replace('Event 1', 't'.repeat(10_000_000))),
  'a description of a million folds': () =>
    calendar(event(1, `DESCRIPTION:${'\r\n x'.repeat(1_000_000)}\r\n`)),
  'fifty thousand to-dos without an activity': () =>
    calendar(
      many(
        50_000,
        (n) => `BEGIN:VTODO\r\nUID:t${n}\r\nDUE:20270111T090000Z\r\nSUMMARY:None ${n}\r\nEND:VTODO\r\n`,
      ),
    ),
  'components ten thousand deep': () =>
    calendar(`${'BEGIN:VEVENT\r\n'.repeat(10_000)}${'END:VEVENT\r\n'.repeat(10_000)}`),
  'a time zone that closes its component': () =>
    calendar(event(1, '').replace('DTSTART:', 'DTSTART;TZID="X\r\n END:VEVENT\r\n BEGIN:VEVENT":')),
  'a zone that changes every minute': () =>
    calendar(
      `BEGIN:VTIMEZONE\r\nTZID:Odd\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nRRULE:FREQ=MINUTELY\r\nTZOFFSETFROM:+0000\r\nTZOFFSETTO:+0100\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\n${event(1, '')}`,
    ),
  'twenty thousand overrides of one series': () =>
    calendar(
      event(1, 'RRULE:FREQ=DAILY\r\n') +
        many(20_000, (n) => event(1, `RECURRENCE-ID:2027011${n % 9}T090000\r\n`)),
    ),
  'overrides for all future dates, two thousand in a row': () =>
    calendar(
      event(1, 'RRULE:FREQ=DAILY\r\n') +
        many(2_000, (n) =>
          event(1, `RECURRENCE-ID;RANGE=THISANDFUTURE:20270${1 + (n % 8)}${10 + (n % 19)}T090000\r\n`),
        ),
    ),
  'a start in the year 9999 and a length of a million weeks': () =>
    calendar(event(1, 'DURATION:P1000000W\r\nRRULE:FREQ=DAILY\r\n').replace('20270111', '99991231')),
  'an attachment of twenty megabytes': () =>
    calendar(event(1, `ATTACH;ENCODING=BASE64;VALUE=BINARY:${'QUJD'.repeat(5_000_000)}\r\n`)),
};

const table = (head: string, rows: string) => `${head}\n${rows}`;
const rosterOf = (files: Readonly<Record<string, string | Buffer>>) =>
  rawZip(
    Object.entries({ 'classes.csv': 'sourcedId,title\nk,Class\n', ...files }).map(([path, data]) =>
      entry(path, data),
    ),
  );
const wide = Array.from({ length: 5_000 }, (_, n) => `c${n}`).join(',');
const rosters: Readonly<Record<string, () => Buffer>> = {
  'five thousand columns in five hundred rows': () =>
    rosterOf({
      'results.csv': table(
        `sourcedId,${wide}`,
        many(500, (n) => `${n}${','.repeat(5_000)}\n`),
      ),
    }),
  'five hundred columns in twenty thousand rows': () =>
    rosterOf({
      'results.csv': table(
        `sourcedId,${wide.split(',').slice(0, 499).join(',')}`,
        many(20_000, (n) => `${n}${','.repeat(499)}\n`),
      ),
    }),
  'half a million results': () =>
    rosterOf({
      'results.csv': table(
        'sourcedId,lineItemSourcedId',
        many(500_000, (n) => `r${n},l${n % 40}\n`),
      ),
    }),
  'a quarter of a million enrolments': () =>
    rosterOf({
      'enrollments.csv': table(
        'sourcedId,classSourcedId,role',
        many(250_000, (n) => `e${n},k,role ${n % 90_000}\n`),
      ),
    }),
  'one identifier a hundred thousand times': () =>
    rosterOf({ 'lineItems.csv': table('sourcedId,title', 'same,One\n'.repeat(100_000)) }),
  'a cell of twenty megabytes': () =>
    rosterOf({ 'lineItems.csv': table('sourcedId,title', `l,${'t'.repeat(20_000_000)}\n`) }),
  'weights that are no numbers': () =>
    rosterOf({
      'categories.csv': table('sourcedId,title,weight', 'a,A,1e999\nb,B,NaN\nc,C,-Infinity\nd,D,0x10\n'),
    }),
  'dates that are none': () =>
    rosterOf({
      'academicSessions.csv': table(
        'sourcedId,title,type,startDate,endDate',
        's,S,term,0000-00-00,9999-99-99\n',
      ),
    }),
  'a quotation that never ends': () =>
    rosterOf({ 'lineItems.csv': table('sourcedId,title', `l,"${'x'.repeat(5_000_000)}`) }),
  'nothing but commas': () => rosterOf({ 'lineItems.csv': ','.repeat(5_000_000) }),
  'zero bytes': () => rosterOf({ 'lineItems.csv': Buffer.alloc(5_000_000) }),
  'columns named as what every object has': () =>
    rosterOf({ 'lineItems.csv': table('sourcedId,__proto__,constructor,toString', 'l,1,2,3\n') }),
};

const sheets: Readonly<Record<string, () => Buffer>> = {
  'sixty thousand rows that fit nothing': bytes(
    table(
      'ref,shown',
      many(60_000, (n) => `nothing-${n},yes\n`),
    ),
  ),
  'sixty thousand rows about one thing': bytes(table('ref,shown', 'a,yes\n'.repeat(60_000))),
  'sixty thousand cells that contradict each other': bytes(
    table('ref,shown,shown', 'a,yes,no\n'.repeat(60_000)),
  ),
  'sixty thousand rows with a cell too many': bytes(table('ref,shown', 'a,yes,x\n'.repeat(60_000))),
  'five thousand columns': bytes(table(`ref,${wide}`, `a${','.repeat(5_000)}\n`)),
  'a hundred thousand columns': bytes(table(`ref${many(100_000, (n) => `,c${n}`)}`, 'a\n')),
  'four hundred unknown columns': bytes(table(`ref${many(400, (n) => `,c${n}`)}`, `a${',x'.repeat(400)}\n`)),
  'a cell of twenty megabytes': () => Buffer.from(table('ref,title', `a,${'t'.repeat(20_000_000)}\n`)),
  'one line of ten megabytes': () => Buffer.from('ref'.padEnd(10_000_000, 'x')),
  'nothing but line breaks': () => Buffer.alloc(10_000_000, '\n'),
  'UTF-16 with a byte-order mark': () =>
    Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('ref,shown\na,yes\n', 'utf16le')]),
  'a quotation mark in every second cell': bytes(table('ref,title', 'a,"b\n'.repeat(50_000))),
  'cells that a spreadsheet would reckon with': bytes(table('ref,title', 'a,=cmd|calc!A0\n')),
  'marks that turn the direction of writing': bytes(table('ref,title', 'a,\u202egnp.exe\n')),
};

const plain = manifest(item('a', 'A', 'R'), resource('R', 'webcontent', 'a.html'));
const packed = (...entries: readonly RawEntry[]) => rawZip([entry('imsmanifest.xml', plain), ...entries]);
const page = (html: string | Buffer) => packed(entry('a.html', html));
const twoPages = (first: string, second: string) =>
  rawZip([
    entry(
      'imsmanifest.xml',
      manifest(
        item('a', 'Reading', 'R') + item('b', 'Reading', 'S'),
        resource('R', 'webcontent', 'a.html') + resource('S', 'webcontent', 'b.html'),
      ),
    ),
    entry('a.html', first),
    entry('b.html', second),
  ]);
const words = (count: number, step: number) => many(count, (n) => `w${(n * step) % 49_999} `);
const packages: Readonly<Record<string, () => Buffer>> = {
  'a title of ten megabytes': () =>
    rawZip([
      entry('imsmanifest.xml', plain.replace('>A<', `>${'t'.repeat(10_000_000)}<`)),
      entry('a.html', 'x'),
    ]),
  'an identifier of a megabyte': () =>
    rawZip([
      entry('imsmanifest.xml', plain.replaceAll('"a"', `"${'i'.repeat(1_000_000)}"`)),
      entry('a.html', 'x'),
    ]),
  'an identifier with line breaks': () =>
    rawZip([
      entry('imsmanifest.xml', plain.replaceAll('"a"', '"a&#13;&#10;END:VTODO"')),
      entry('a.html', 'x'),
    ]),
  'an entry without a name': () => packed(entry('a.html', 'x'), entry('', 'nameless')),
  'an absolute path with backslashes': () => packed(entry('a.html', 'x'), entry('\\evil.txt', 'x')),
  'forty thousand entries': () =>
    packed(...Array.from({ length: 40_000 }, (_, n) => entry(`f/${n}.txt`, `text ${n}`))),
  'a folder a thousand deep': () => packed(entry('a.html', 'x'), entry(`${'d/'.repeat(1_000)}x.txt`, 'x')),
  'a page of ten million opening brackets': () => page('<'.repeat(10_000_000)),
  'a page with a hundred thousand links': () => page(many(100_000, (n) => `<a href="gone-${n}.html">x</a>`)),
  'a page with a million attributes': () => page(`<p ${many(1_000_000, (n) => `a${n}=1 `)}>x</p>`),
  'a comment that never ends': () => page(`<p>x</p><!-- ${'-'.repeat(10_000_000)}`),
  'a page two hundred thousand deep': () => page('<div>'.repeat(200_000)),
  'two long texts of one title with the same words in another order': () =>
    twoPages(`<p>${words(60_000, 7)}</p>`, `<p>${words(60_000, 11)}</p>`),
  'two texts of one letter': () =>
    twoPages(`<p>${'a '.repeat(300_000)}</p>`, `<p>${'a '.repeat(299_999)}</p>`),
};

/** A package of modules in modules, with a state file of its own; its items go by the identifiers `w1`, `w2`, `p1`. */
const withState = (state: unknown): Buffer =>
  rawZip([
    entry(
      'imsmanifest.xml',
      manifest(
        item(
          'w1',
          'Week 1',
          '',
          item('p1', 'Gauge', 'R') + item('w2', 'Week 2', '', item('p2', 'Level', 'S')),
        ),
        resource('R', 'webcontent', 'a.html') + resource('S', 'webcontent', 'b.html'),
      ),
    ),
    entry('a.html', '<p>Read the gauge.</p>'),
    entry('b.html', '<p>Read the level.</p>'),
    entry('currycomb/shell-state.json', typeof state === 'string' ? state : JSON.stringify(state)),
  ]);
const plainState = {
  schema: 'currycomb.shell-state/1',
  code: 'HOS 1',
  title: 'Hostile',
  timeZone: 'UTC',
  term: { title: '', start: '2027-01-11', end: '2027-05-07' },
  previousTerm: null,
  noClassDays: [],
  items: {},
  files: {},
  homePages: [],
  banks: [],
  groups: [],
  enrolments: {},
};
const stateOf = (change: object) => () => withState({ ...plainState, ...change });
const refsOf = (refs: Readonly<Record<string, string>>) =>
  stateOf({ items: Object.fromEntries(Object.entries(refs).map(([of, ref]) => [of, { ref }])) });
const stateFiles: Readonly<Record<string, () => Buffer>> = {
  'an item with the ref of its own module': refsOf({ p1: 'w1' }),
  'a module with the ref of the one around it': refsOf({ w2: 'w1' }),
  'two items that exchange their refs': refsOf({ p1: 'p2', p2: 'p1' }),
  'all items of one ref': refsOf({ w1: 'x', w2: 'x', p1: 'x', p2: 'x' }),
  'refs that every object has': () =>
    withState(
      JSON.stringify({
        ...plainState,
        items: { w1: { ref: 'constructor' }, p1: { ref: 'toString' } },
      }).replace('"items":{', '"items":{"__proto__":{"ref":"__proto__"},"p2":{"ref":"__proto__"},'),
    ),
  'things that wait for each other': stateOf({
    items: { p1: { requires: ['p2'] }, p2: { requires: ['p1'] } },
  }),
  'a term of ten thousand years': stateOf({ term: { title: '', start: '0001-01-01', end: '9999-12-31' } }),
  'a school year of nine thousand years': stateOf({
    schoolYear: { title: '', start: '1000-01-01', end: '9999-12-31' },
  }),
  'half a million days without classes': stateOf({ noClassDays: Array(500_000).fill('2027-03-01') }),
  'points without end': () =>
    withState(JSON.stringify(plainState).replace('"items":{', '"items":{"p1":{"points":1e999}')),
  'a zone that is none': stateOf({ timeZone: '../../../etc/localtime' }),
  'a ref of ten megabytes': refsOf({ p1: 'r'.repeat(10_000_000) }),
  'arrays a hundred thousand deep': () => withState('['.repeat(100_000) + ']'.repeat(100_000)),
  'a million items that are not there': () =>
    withState(
      `${JSON.stringify(plainState).replace('"items":{}', `"items":{${Array.from({ length: 1_000_000 }, (_, n) => `"i${n}":{}`).join(',')}}`)}`,
    ),
};

const inputsOf = (
  reader: HostileInput['reader'],
  slot: 'package' | 'events' | 'roster' | 'status',
  all: Readonly<Record<string, () => Buffer>>,
): HostileInput[] => Object.entries(all).map(([what, make]) => ({ what, reader, [slot]: make }));

const buffer = (data: string | Buffer) => (Buffer.isBuffer(data) ? data : Buffer.from(data));
/** Those of the unit tests, and more that are larger. */
export const hostileInputs: readonly HostileInput[] = [
  ...hostile.map(({ what, zip, events, status }): HostileInput => {
    if (events !== undefined) return { what, reader: 'calendar', events: () => buffer(events) };
    if (status !== undefined) return { what, reader: 'status sheet', status: () => buffer(status) };
    return { what, reader: 'package', package: zip ?? (() => rawZip(good)) };
  }),
  ...inputsOf('package', 'package', packages),
  ...inputsOf('state file', 'package', stateFiles),
  ...inputsOf('calendar', 'events', calendars),
  ...inputsOf('roster', 'roster', rosters),
  ...inputsOf('status sheet', 'status', sheets),
];
export const goodPackage = (): Buffer => rawZip(good);
