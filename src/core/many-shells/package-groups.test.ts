import fc from 'fast-check';
import { groupPackages } from './package-groups';

const sidesOf = (paths: readonly string[]) =>
  Object.fromEntries(groupPackages(paths).groups.map((group) => [group.package, group.sides]));

test('side files called after their package belong to it, however many lie in one folder', () => {
  const paths = [
    'spring/geo-130-a.imscc',
    'spring/geo-130-a.events.ics',
    'spring/GEO-130-A.status.csv',
    'spring/geo-130-b.zip',
    'spring/geo-130-b.roster.zip',
    'spring/geo-130-b.previous-events.ics',
    'spring/geo-130-b.baseline.imscc',
  ];
  expect(sidesOf(paths)).toEqual({
    'spring/geo-130-a.imscc': {
      events: 'spring/geo-130-a.events.ics',
      status: 'spring/GEO-130-A.status.csv',
    },
    'spring/geo-130-b.zip': {
      baseline: 'spring/geo-130-b.baseline.imscc',
      previousEvents: 'spring/geo-130-b.previous-events.ics',
      roster: 'spring/geo-130-b.roster.zip',
    },
  });
});

test('in a folder with one package the rest belongs to that', () => {
  const paths = ['a/course.imscc', 'a/calendar.ics', 'a/last-term.ics', 'a/sheet.csv', 'a/grades.zip'];
  expect(sidesOf(paths)['a/course.imscc']).toEqual({
    events: 'a/calendar.ics',
    previousEvents: 'a/last-term.ics',
    status: 'a/sheet.csv',
    roster: 'a/grades.zip',
  });
});

test('what could belong to several belongs to none, and says what to do', () => {
  const { groups, strangers } = groupPackages([
    'a.imscc',
    'b.imscc',
    'calendar.ics',
    'notes.txt',
    'x/other.ics',
  ]);
  expect(groups.map(({ sides }) => sides)).toEqual([{}, {}]);
  expect(strangers).toEqual([
    { path: 'calendar.ics', why: expect.stringMatching(/as NAME\.events\.ics/) },
    { path: 'notes.txt', why: expect.stringMatching(/no package/) },
    { path: 'x/other.ics', why: expect.stringMatching(/no package in its folder/) },
  ]);
});

test('a second file for one place is said, and systems’ own files are passed over', () => {
  const { strangers } = groupPackages(['a.imscc', 'a.ics', 'b.ics', '.DS_Store', '.git/c.imscc']);
  expect(strangers).toEqual([{ path: 'b.ics', why: 'its place is taken by “a.ics”' }]);
});

test('the code that a name says is offered', () => {
  const codes = groupPackages(['geo-130_section-2.imscc', 'HYD214.imscc', 'welcome.imscc']).groups;
  expect(codes.map(({ code }) => code)).toEqual(['HYD 214', 'GEO 130', '']);
});

test('no file is lost or used twice', () => {
  const name = fc.constantFrom('a', 'b', 'c/a', 'c/b', 'd/x');
  const ending = fc.constantFrom(
    '.imscc',
    '.zip',
    '.events.ics',
    '.ics',
    '.csv',
    '.roster.zip',
    '.txt',
    '.status.csv',
  );
  fc.assert(
    fc.property(fc.uniqueArray(fc.tuple(name, ending).map((parts) => parts.join(''))), (paths) => {
      const { groups, strangers } = groupPackages(paths);
      const placed = groups.flatMap((group) => [group.package, ...Object.values(group.sides)]);
      expect([...placed, ...strangers.map(({ path }) => path)].sort()).toEqual([...paths].sort());
    }),
  );
});
