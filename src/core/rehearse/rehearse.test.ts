import type { Finding } from '@/core/checks/finding/finding';
import { compareAudits } from './rehearse';

const found = (id: string, ...refs: string[]) =>
  ({
    id,
    check: 'duplicate.same-content',
    subjects: refs.map((ref) => ({ type: 'item', ref })),
  }) as unknown as Finding;
const ids = (findings: readonly Finding[]) => findings.map((f) => f.id);

test('what is left of a larger finding is told apart from what the run caused', () => {
  const before = {
    findings: [found('gone', 'a', 'b'), found('large', 'c', 'd', 'e'), found('stays', 'f', 'g')],
  };
  const after = { findings: [found('rest', 'c', 'd'), found('stays', 'f', 'g'), found('fresh', 'c', 'h')] };
  const { closed, caused, leftOver } = compareAudits(before, after);
  expect(ids(closed)).toEqual(['gone', 'large']);
  expect(ids(caused)).toEqual(['fresh']);
  expect(ids(leftOver)).toEqual(['rest']);
  expect(before.findings.length - closed.length + caused.length + leftOver.length).toBe(
    after.findings.length,
  );
});

test('a finding whose things are all still found is not closed', () => {
  const before = { findings: [found('pair', 'a', 'b')] };
  const after = { findings: [found('other way', 'b', 'a')] };
  const { closed, caused, leftOver } = compareAudits(before, after);
  expect([ids(closed), ids(caused), ids(leftOver)]).toEqual([[], [], ['other way']]);
});
