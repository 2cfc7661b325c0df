import type { Finding } from './finding';
import { listedShare, mostListedOfCheck } from './listed-share';
import type { ShellCounts } from '@/core/inventory/inventory';

const none = { files: 0, events: 0, gradeCategories: 0, gradeColumns: 0, banks: 0, homePages: 0 };
const counts: ShellCounts = { items: 30_000, ...none };
const findingsOf = (check: string, number: number, first = 0) =>
  Array.from(
    { length: number },
    (_, n) =>
      ({
        check,
        keep: null,
        subjects: [{ type: 'item', ref: `i${first + n}`, title: '', path: [] }],
      }) as unknown as Finding,
  );

describe('the share of findings that is listed', () => {
  it('lists everything of an ordinary shell, the same list', () => {
    const findings = findingsOf('orphan.empty-module', 300);
    const { listed, unlisted } = listedShare(findings, counts);
    expect(listed).toHaveLength(300);
    expect(unlisted).toEqual({ findings: 0, things: 0 });
  });

  it('counts what it does not list, by check, and the things that only those are about', () => {
    const many = findingsOf('orphan.empty-module', mostListedOfCheck + 500);
    // A hundred of the things beyond have a finding of another check, too, which is listed.
    const others = findingsOf('visibility.hidden-item', 100, mostListedOfCheck);
    const { listed, unlisted } = listedShare([...many, ...others], counts);
    expect(listed).toHaveLength(mostListedOfCheck + 100);
    expect(listed.slice(-100)).toEqual(others);
    expect(unlisted).toEqual({ findings: 500, things: 400 });
  });
});
