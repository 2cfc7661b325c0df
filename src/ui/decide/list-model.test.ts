import { batchFindings } from '@/core/checks/batches';
import type { ListedFinding as Finding } from '@/core/checks/finding';
import { listRows, readFilter, writeFilter } from './list-model';

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
];
const batches = batchFindings(
  open.filter((f) => !f.coveredBy),
  [],
);
const rows = (query: string) =>
  listRows(
    {
      open: [open[0]!, open[2]!],
      parts: [open[1]!],
      asked: [],
      later: [],
      planned: [open[0]!],
      'left-be': [],
    },
    readFilter(new URLSearchParams(query)),
    batches,
    (c) => c,
  );
const keys = (query: string) => rows(query).map((r) => (r.type === 'group' ? `# ${r.title}` : r.finding.id));

test('groups come with what students notice first', () => {
  expect(keys('')).toEqual(['# calendar.carried-over', 'c', '# orphan.unused-file', 'a']);
});
test('filters narrow the list', () => {
  expect(keys('family=orphan')).toEqual(['# orphan.unused-file', 'a']);
  expect(keys('family=orphan&state=parts')).toEqual(['# orphan.unused-file', 'b']);
  expect(keys('urgency=fix-first')).toEqual(['# calendar.carried-over', 'c']);
  expect(keys(`batch=${batches[0]!.id}`)).toEqual(['# calendar.carried-over', 'c']);
  expect(keys('state=planned')).toEqual(['# orphan.unused-file', 'a']);
  expect(keys('state=left-be')).toEqual([]);
});
test('a filter survives the address, and nonsense in it is left out', () => {
  const filter = { state: 'planned', family: 'orphan', urgency: 'tidy', batch: 'x' } as const;
  expect(readFilter(new URLSearchParams(writeFilter(filter)))).toEqual(filter);
  expect(readFilter(new URLSearchParams('family=zebra&state=odd'))).toEqual({
    state: 'open',
    family: null,
    urgency: null,
    batch: null,
  });
});
