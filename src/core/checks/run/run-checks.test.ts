import { z } from 'zod';
import { defineCheck, type CheckRecord } from '@/core/checks/check/check';
import { batchFindings } from './batches';
import { headlineOf } from './headline';
import { listed } from '@/core/checks/finding/finding';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { chooseKeeper, type Candidate } from '@/core/checks/check/keeper';
import { allChecks } from './registry';
import { runChecks } from './run-checks';
import { smoothnessOf } from '@/core/checks/finding/smoothness';
import { shellFrom } from '@/core/checks/__tests__/check-cases';

const crashing = defineCheck({
  id: 'structure.crashing',
  title: 'Crashes',
  urgency: 'tidy',
  remedyKind: 'none',
  needs: [],
  options: z.object({}),
  messages: { one: '{x}' },
  things: ['thing', 'things'],
  page: { means: '', why: '', example: '', remedy: '', notWhen: '' },
  notApplicable: () => null,
  *find() {
    throw new Error('on purpose');
  },
}) as unknown as CheckRecord;

const doubled = shellFrom((c) => {
  for (const k of ['a', 'b'])
    for (let n = 0; n < 6; n += 1)
      c.page(`Page ${n}`, `<p>The ${n}th text about the stream and its gauge.</p>`, {
        ref: `${k}${n}`,
        shown: true,
      });
  c.file('left.txt', 'left over');
});

test('a check that fails is a row of its own; the others go on', () => {
  const audit = runChecks(doubled, {
    checks: [crashing, ...allChecks],
    rules: defaultHouseRules([crashing, ...allChecks]),
  });
  const states = Object.fromEntries(audit.checks.map((c) => [c.check, c.outcome.state]));
  expect(states['structure.crashing']).toBe('could-not-run');
  expect(states['duplicate.repeated-import']).toBe('found');
  expect(states['duplicate.same-file']).toBe('not-applicable');
  expect(states['visibility.hidden-item']).toBe('nothing-found');
});

test('a check sees only the facts that it names', () => {
  const greedy = {
    ...crashing,
    id: 'structure.greedy',
    *find({ facts }: never) {
      void (facts as { links: { broken: unknown } }).links.broken;
    },
  } as unknown as CheckRecord;
  const audit = runChecks(doubled, { checks: [greedy], rules: defaultHouseRules(allChecks) });
  expect(audit.checks[0]!.outcome.state).toBe('could-not-run');
});

test('the pairs within a repeated import are covered by it, and both keep the same one', () => {
  const { findings } = runChecks(doubled, { checks: allChecks });
  const broad = findings.find((f) => f.check === 'duplicate.repeated-import')!;
  const pairs = findings.filter((f) => f.check === 'duplicate.same-content');
  expect(pairs).toHaveLength(6);
  expect(pairs.every((p) => p.coveredBy === broad.id && p.keep!.startsWith('a'))).toBe(true);
  expect(findings.find((f) => f.check === 'orphan.unused-file')!.coveredBy).toBeNull();
});

test('a check can be switched off, and given another urgency', () => {
  const rules = defaultHouseRules(allChecks);
  const changed = {
    ...rules,
    checks: {
      ...rules.checks,
      'duplicate.repeated-import': { on: false },
      'orphan.unused-file': { urgency: 'fix-first' },
    },
  };
  const audit = runChecks(doubled, { checks: allChecks, rules: changed });
  expect(audit.checks.find((c) => c.check === 'duplicate.repeated-import')!.outcome.state).toBe(
    'switched-off',
  );
  expect(audit.findings.find((f) => f.check === 'orphan.unused-file')!.urgency).toBe('fix-first');
});

test('batches: fix first before tidy, one decision for many, and a headline that counts', () => {
  const { findings } = runChecks(doubled, { checks: allChecks });
  const batches = batchFindings(findings.filter((f) => !f.coveredBy).map(listed), allChecks);
  expect(batches.map((b) => [b.check, b.things, b.touches, b.safe])).toEqual([
    ['duplicate.repeated-import', 6, 6, true],
    ['readiness.no-syllabus', 1, 0, true],
    ['orphan.unused-file', 1, 1, true],
  ]);
  expect(headlineOf(batches)).toBe('6 items stand twice, and 1 file nothing points at');
  expect(headlineOf([])).toMatch(/Nothing stands out/);
});

test('a finding that joins two things counts once in its batch', () => {
  const shell = shellFrom(
    (c) =>
      void [
        c.page('Open', '<a href="t.html">there</a>', { path: 'o.html' }),
        c.page('Target', '<p>x</p>', { path: 't.html', shown: false }),
      ],
  );
  const batches = batchFindings(runChecks(shell, { checks: allChecks }).findings.map(listed), allChecks);
  expect(batches.find((b) => b.check === 'visibility.hidden-target')).toMatchObject({
    things: 1,
    title: 'link to something students cannot open',
  });
});

test('smoothness counts each thing once and lets what stays lie smooth', () => {
  const audit = runChecks(doubled, { checks: allChecks });
  expect(smoothnessOf(audit.counts, audit.findings)).toEqual({ percent: 46, smooth: 6, total: 13 });
  expect(smoothnessOf(audit.counts, [])).toEqual({ percent: 100, smooth: 13, total: 13 });
});

describe('which one stays', () => {
  const plain: Candidate = {
    ref: 'x',
    placed: true,
    studentWork: 0,
    shown: true,
    linksTo: 0,
    copyMark: false,
    changed: null,
    place: 5,
  };
  test.each<[string, Partial<Candidate>, Partial<Candidate>, string]>([
    ['in the outline before outside', {}, { placed: false, studentWork: 9 }, 'it stands in the outline'],
    ['student work before none', { studentWork: 1, shown: false }, {}, 'it has student work'],
    ['shown before hidden', {}, { shown: false, linksTo: 9 }, 'students can see it'],
    ['more links', { linksTo: 2, copyMark: true }, { linksTo: 1 }, 'more links point at it'],
    ['no copy mark', {}, { copyMark: true, changed: '2027-01-01' }, 'its title carries no copy mark'],
    [
      'newer content',
      { changed: '2026-02-01', place: 9 },
      { changed: '2026-01-01', place: 1 },
      'its content is newer',
    ],
    ['the earlier place', { place: 1, changed: '2026-01-01' }, { place: 2 }, 'it comes first'],
  ])('%s', (_, stays, goes, rule) => {
    for (const pair of [
      [
        { ...plain, ...stays, ref: 'stays' },
        { ...plain, ...goes, ref: 'goes' },
      ],
      [
        { ...plain, ...goes, ref: 'goes' },
        { ...plain, ...stays, ref: 'stays' },
      ],
    ])
      expect(chooseKeeper(pair)).toEqual({ keep: 'stays', rule });
  });
});
