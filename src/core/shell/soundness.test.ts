import { event } from '@/core/checks/__tests__/make-event';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import type { Item, Shell } from './model';
import { pathFault } from './package-path';
import { filePath, itemRef } from '@/core/refs/refs';
import { shellShape } from './shape';
import { mostLevels, mostThings, unsoundnessOf } from './soundness';

const composer = new ShellComposer();
const week = composer.module('Week 1', { ref: 'm1' });
composer.page('Gauges', '<p>Read the gauge.</p>', { ref: 'p1', parent: week });
composer.module('Week 2', { ref: 'm2' });
const shell: Shell = composer.shell();
const [m1, p1, m2] = shell.items;
if (!m1 || !p1 || !m2) throw new Error('the shell has three items');

const withItems = (...items: readonly Item[]): Shell => ({ ...shell, items });
const lab = event('e', 'Lab', '2027-02-01T10:00:00');

test('a shell as it is composed is sound, and has the form of one', () => {
  expect(unsoundnessOf(shell)).toBeNull();
  expect(shellShape.safeParse({ ...shell, events: [lab] }).error).toBeUndefined();
});

const deep = Array.from({ length: mostLevels + 1 }, (_, n): Item => ({
  ...m1,
  ref: itemRef(`level ${n}`),
  parent: n === 0 ? null : itemRef(`level ${n - 1}`),
}));
const many = Array.from({ length: mostThings + 1 }, (_, n) => ({ ...m1, ref: itemRef(String(n)) }));
const file = (path: string): Shell['entries'][number] => ({
  path: filePath(path),
  bytes: 1,
  sha256: 'a'.repeat(64) as never,
  text: null,
});

test.each<[string, Shell, RegExp]>([
  [
    'an item in itself',
    withItems({ ...m1, parent: m1.ref }),
    /“Week 1” is in a module that is missing or comes later/,
  ],
  [
    'two modules in each other',
    withItems({ ...m1, parent: m2.ref }, { ...m2, parent: m1.ref }),
    /“Week 1” is in a module that is missing or comes later/,
  ],
  [
    'all of one ref',
    withItems(m1, { ...p1, ref: m1.ref }, { ...m2, ref: m1.ref }),
    /two of its items .* “m1”/,
  ],
  ['no ref', withItems({ ...m1, ref: itemRef('') }), /one of its items has no identifier/],
  [
    'a module that is not there',
    withItems(m1, { ...p1, parent: itemRef('gone') }),
    /“Gauges” is in a module that is missing/,
  ],
  ['another module between', withItems(m1, m2, p1), /“Gauges” is apart from the other things of its module/],
  [
    'outside first',
    withItems({ ...p1, placed: false, parent: null }, m1),
    /“Week 1” is in the outline, behind/,
  ],
  [
    'outside and in a module',
    withItems(m1, { ...p1, placed: false }),
    /“Gauges” is outside the outline and in a module/,
  ],
  ['too deep', withItems(...deep), /more than 200 levels/],
  ['too many', { ...shell, items: many }, /200,001 items, and at most 200,000/],
  ['a path up', { ...shell, entries: [file('../../../../tmp/evil.html')] }, /leaves the package/],
  [
    'a path of a content up',
    { ...shell, contents: shell.contents.map((c) => ({ ...c, href: filePath('/etc/evil') })) },
    /leaves the package/,
  ],
  [
    'a day that is none',
    withItems({ ...m1, due: '2027-02-30T10:00:00' as LocalDateTime }),
    /“2027-02-30T10:00:00”, which no calendar has/,
  ],
  [
    'an hour that is none',
    withItems({ ...m1, opens: '2027-02-03T25:00:00' as LocalDateTime }),
    /which no calendar has/,
  ],
  [
    'an event on no day',
    { ...shell, events: [{ ...lab, end: 'later' as LocalDateTime }] },
    /the event “Lab” has the date “later”/,
  ],
  ['a no-class day that is none', { ...shell, noClassDays: ['always' as LocalDate] }, /the day “always”/],
  [
    'ten thousand years',
    { ...shell, term: { title: '', start: '1000-01-01' as LocalDate, end: '9999-12-31' as LocalDate } },
    /its term lasts/,
  ],
  ['a time zone of nowhere', { ...shell, timeZone: 'Moon/Base' }, /no time zone is called “Moon\/Base”/],
])('%s is found', (_, unsound, sentence) => expect(unsoundnessOf(unsound)).toMatch(sentence));

test.each(['constructor', 'toString', '__proto__'])('%s is a ref like any other', (name) => {
  const named = withItems({ ...m1, ref: itemRef(name) }, { ...p1, parent: itemRef(name) });
  expect(unsoundnessOf(named)).toBeNull();
});

test.each([
  ['pages/week 1.html', null],
  ['a..b/c', null],
  ['', 'has no name'],
  ['/etc/evil', 'has a path that leaves the package'],
  ['../../../../tmp/evil.html', 'has a path that leaves the package'],
  ['..\\..\\x', 'has a path that leaves the package'],
  ['a/../../b', 'has a path that leaves the package'],
  ['C:\\windows', 'has a path that leaves the package'],
  ['a\u0000b', 'has a zero byte in its name'],
])('the path “%s”: %s', (path, fault) => expect(pathFault(path)).toBe(fault));
