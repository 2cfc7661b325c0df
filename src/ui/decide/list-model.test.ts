import { batchFindings } from '@/core/checks/run/batches';
import type { ListedFinding as Finding } from '@/core/checks/finding/finding';
import { readFilter, writeFilter } from './filter';
import { factsOfFindings } from './finding-facts';
import { listRows } from './list-model';

const finding = (id: string, check: Finding['check'], over: Partial<Finding> = {}): Finding => ({
  id,
  check,
  family: check.split('.')[0] as Finding['family'],
  urgency: 'tidy',
  confidence: 1,
  title: id,
  subjects: [{ type: 'file', ref: id, title: id, path: [] }],
  keep: null,
  remedy: null,
  coveredBy: null,
  batch: '',
  proof: '',
  ...over,
});
const open = [
  finding('a', 'orphan.unused-file'),
  finding('b', 'orphan.unused-file', { coveredBy: 'c' }),
  finding('c', 'calendar.carried-over', { urgency: 'fix-first' }),
  finding('d', 'outdated.typed-year', {
    subjects: [{ type: 'item', ref: 'd', title: 'Site map', path: ['Week 1'] }],
  }),
];
const batches = batchFindings(
  open.filter((f) => !f.coveredBy),
  [],
);
const rows = (query: string) =>
  listRows(
    {
      open: [open[0]!, open[2]!, open[3]!],
      parts: [open[1]!],
      asked: [],
      later: [],
      planned: [open[0]!],
      'left-be': [],
    },
    readFilter(new URLSearchParams(query)),
    batches,
    factsOfFindings(batches, new Map([['d', 'quiz']]), (check) => check),
  );
const keys = (query: string) => rows(query).map((r) => (r.type === 'group' ? `# ${r.title}` : r.finding.id));

test('groups come with what students notice first', () => {
  expect(keys('')).toEqual([
    '# calendar.carried-over',
    'c',
    '# outdated.typed-year',
    'd',
    '# orphan.unused-file',
    'a',
  ]);
});
test('filters narrow the list', () => {
  expect(keys('family=orphan')).toEqual(['# orphan.unused-file', 'a']);
  expect(keys('family=orphan&state=parts')).toEqual(['# orphan.unused-file', 'b']);
  expect(keys('urgency=fix-first')).toEqual(['# calendar.carried-over', 'c']);
  expect(keys(`batch=${batches[0]!.id}`)).toEqual(['# calendar.carried-over', 'c']);
  expect(keys('state=planned')).toEqual(['# orphan.unused-file', 'a']);
  expect(keys('state=left-be')).toEqual([]);
});
test('words, module, kind and check narrow the list, too', () => {
  expect(keys('find=MAP+week')).toEqual(['# outdated.typed-year', 'd']);
  expect(keys('find=map+quiz')).toEqual([]);
  expect(keys('module=Week+1')).toEqual(['# outdated.typed-year', 'd']);
  expect(keys('kind=Quizzes')).toEqual(['# outdated.typed-year', 'd']);
  expect(keys('kind=Files&check=orphan.unused-file')).toEqual(['# orphan.unused-file', 'a']);
});
test.each([
  ['urgency', ['# Fix first', 'c', '# Tidy', 'd', 'a']],
  ['family', ['# Outdated', 'd', '# Orphans', 'a', '# Calendar', 'c']],
  ['check', ['# calendar.carried-over', 'c', '# orphan.unused-file', 'a', '# outdated.typed-year', 'd']],
  ['module', ['# Week 1', 'd', '# Top level', 'c', 'a']],
  ['kind', ['# Files', 'c', 'a', '# Quizzes', 'd']],
])('grouped by %s', (by, expected) => {
  expect(keys(`by=${by}`)).toEqual(expected);
});
test('a filter survives the address, and nonsense in it is left out', () => {
  const filter = {
    state: 'planned',
    family: 'orphan',
    urgency: 'tidy',
    batch: 'x',
    check: 'orphan.unused-file',
    module: 'Week 1 & 2',
    kind: 'Files',
    find: 'staff gauge',
    by: 'module',
  } as const;
  expect(readFilter(new URLSearchParams(writeFilter(filter)))).toEqual(filter);
  expect(readFilter(new URLSearchParams('family=zebra&state=odd&by=weight'))).toEqual({
    state: 'open',
    family: null,
    urgency: null,
    batch: null,
    check: null,
    module: null,
    kind: null,
    find: '',
    by: 'batch',
  });
  expect(writeFilter(readFilter(new URLSearchParams()))).toBe('');
});
