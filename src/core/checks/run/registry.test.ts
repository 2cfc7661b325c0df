import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { families, urgencies } from '@/core/checks/finding/finding';
import { defaultHouseRules, readHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from './registry';

const here = join(process.cwd(), 'src/core/checks');
/** Files beside the checks that are parts of one, and no check of their own. */
const helpers = new Set([
  'repeated-runs',
  'repeats',
  'repeated-stretches',
  'near-groups',
  'series',
  'counted-series',
  'carried-events',
  'open-doors',
  'shadowed-items',
  'asked-for',
  'hosts',
  'mentions',
  'phrases',
  'versions',
]);

test('every check file is in the registry, sorted, with its cases and its page', () => {
  const files = families.flatMap((family) =>
    existsSync(join(here, family))
      ? readdirSync(join(here, family))
          .filter((f) => /^[a-z-]+\.ts$/.test(f) && !helpers.has(f.replace('.ts', '')))
          .map((f) => `${family}.${f.replace('.ts', '')}`)
      : [],
  );
  expect(allChecks.map((c) => c.id)).toEqual(files.sort());
  for (const check of allChecks) {
    const [family, name] = check.id.split('.');
    expect(existsSync(join(here, family!, `${name}.test.ts`))).toBe(true);
    expect(existsSync(join(process.cwd(), 'docs/checks', `${check.id}.md`))).toBe(true);
    expect(Object.isFrozen(check)).toBe(true);
    expect(urgencies).toContain(check.urgency);
    expect(Object.values(check.page).every((text) => text.length > 10)).toBe(true);
  }
});

describe('house rules', () => {
  test('every key is optional', () => {
    const rules = defaultHouseRules(allChecks);
    expect(rules.keyMarks).toEqual(['AK', 'KEY']);
    expect(rules.checks['outdated.date-outside-term']).toEqual({ days: 14, on: true, urgency: 'fix-first' });
  });
  test.each([
    [{ staffStor: [] }, /"staffStor" at the top level is no setting; the nearest one is "staffStore"/],
    [
      { checks: { 'duplicate.same-fil': {} } },
      /"duplicate.same-fil" at checks is no setting; the nearest one is "duplicate.same-file"/,
    ],
    [
      { checks: { 'outdated.date-outside-term': { day: 3 } } },
      /"day" at checks.outdated.date-outside-term is no setting; the nearest one is "days"/,
    ],
    [{ checks: { 'outdated.date-outside-term': { days: -3 } } }, /checks.outdated.date-outside-term.days/],
    [{ terms: [{ title: 'x', start: '2027-13-01', end: '2027-12-01' }] }, /"2027-13-01" is no day/],
    [{ schema: 'something/2' }, /schema/],
  ])('%j is refused with a sentence', (value, sentence) => {
    const read = readHouseRules(value, allChecks);
    expect('error' in read && read.error).toMatch(sentence);
  });
});
