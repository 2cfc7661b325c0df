import { allChecks } from '@/core/checks/run/registry';
import type { CheckRow } from '@/core/checks/run/run-checks';
import { openingDay } from './opening-day';
import { openingLines } from './opening-lines';

const row = (check: string, outcome: CheckRow['outcome']): CheckRow => ({ check: check as never, outcome });
const answer = (id: string, rows: readonly CheckRow[], open: Readonly<Record<string, number>> = {}) =>
  openingDay(rows, new Map(Object.entries(open)), (check) => check).find((line) => line.id === id);

describe('the opening-day list', () => {
  it('asks checks that there are, each in one line', () => {
    const known = new Set<string>(allChecks.map(({ id }) => id));
    const asked = openingLines.flatMap(({ checks }) => checks);
    expect(asked.filter((id) => !known.has(id))).toEqual([]);
    expect(new Set(asked).size).toBe(asked.length);
  });

  it('says yes only where something was asked and nothing is open', () => {
    expect(answer('syllabus', [row('readiness.no-syllabus', { state: 'nothing-found' })])?.state).toBe('yes');
    // What was found and left be is settled.
    expect(answer('syllabus', [row('readiness.no-syllabus', { state: 'found', count: 1 })])?.state).toBe(
      'yes',
    );
    const open = answer('syllabus', [row('readiness.no-syllabus', { state: 'found', count: 1 })], {
      'readiness.no-syllabus': 1,
    });
    expect(open).toMatchObject({ state: 'no', open: 1 });
  });

  it('never takes a check that did not look for one that found nothing', () => {
    const reason = 'nothing has a weight';
    const unknown = answer('outside-links', []);
    expect(unknown).toMatchObject({
      state: 'not-asked',
      checks: [{ notAsked: expect.stringMatching(/comb it again/) }],
    });
    const links = answer('outside-links', [
      row('outdated.dead-link', { state: 'not-asked', reason: 'not probed yet' }),
    ]);
    expect(links).toMatchObject({ state: 'not-asked', checks: [{ notAsked: 'not probed yet' }] });
    const off = answer('keys', [row('visibility.exposed-key', { state: 'switched-off' })]);
    expect(off?.state).toBe('not-asked');
    const broken = answer('keys', [row('visibility.exposed-key', { state: 'could-not-run', reason })]);
    expect(broken?.checks[0]?.notAsked).toBe(`could not run: ${reason}`);
    const some = answer('home', [
      row('readiness.no-home-page', { state: 'nothing-found' }),
      row('orphan.unused-home-page', { state: 'not-applicable', reason }),
    ]);
    expect(some?.state).toBe('yes');
    expect(some?.checks[1]?.notAsked).toBe(reason);
  });

  it('is never green where a part was not looked at', () => {
    const nothing = row('readiness.no-home-page', { state: 'nothing-found' });
    const part = (outcome: CheckRow['outcome']) =>
      answer('home', [nothing, row('orphan.unused-home-page', outcome)])?.state;
    expect(part({ state: 'not-applicable', reason: 'no sheet', isMissing: true })).toBe('partly');
    expect(part({ state: 'switched-off' })).toBe('partly');
    expect(part({ state: 'could-not-run', reason: 'x' })).toBe('partly');
    expect(part({ state: 'not-asked', reason: 'not probed yet' })).toBe('partly');
    // There is nothing of its kind, so nothing could be wrong with it.
    expect(part({ state: 'not-applicable', reason: 'there are no home pages' })).toBe('yes');
    expect(answer('home', [nothing])?.state).toBe('partly');
  });
});
