import { Lanes } from './lanes';
import type { JobRow } from '@/services/keep/jobs/job-rows';
import type { JobKind } from '@/services/keep/jobs/job-inputs';
import { jobOf, type AnyJob } from '@/services/wire/jobs/registry';

const job = (id: string, kind: JobKind, shellId: string | null): JobRow => ({
  id,
  kind,
  shellId,
  state: 'running',
  input: '{}',
  done: 0,
  total: 1,
  doing: '',
  result: null,
  trouble: null,
  tries: 1,
  createdAt: '',
  finishedAt: null,
});
const recordOf = (kind: JobKind): AnyJob => {
  const record = jobOf(kind);
  if (!record) throw new Error(kind);
  return record;
};
const lanesWith = (...under: readonly JobRow[]): Lanes => {
  const lanes = new Lanes(2);
  for (const one of under) lanes.enter(one);
  return lanes;
};
const mayEnter = (lanes: Lanes, one: JobRow) => lanes.mayEnter(one, recordOf(one.kind as JobKind));

test('a shell has one lane; another shell goes on beside it, as far as there are threads', () => {
  const lanes = lanesWith(job('1', 'comb', 'a'));
  expect(mayEnter(lanes, job('2', 'rehearse', 'a'))).toBe(false);
  expect(mayEnter(lanes, job('3', 'comb', 'b'))).toBe(true);
  lanes.enter(job('3', 'comb', 'b'));
  expect(mayEnter(lanes, job('4', 'comb', 'c'))).toBe(false);
  lanes.leave('1');
  expect(mayEnter(lanes, job('4', 'comb', 'c'))).toBe(true);
});

test('jobs of no shell share no lane', () => {
  expect(mayEnter(lanesWith(job('1', 'bring-in', null)), job('2', 'bring-in', null))).toBe(true);
});

test('nothing enters beside one that wants all for itself', () => {
  expect(recordOf('sweep').exclusive).toBe(true);
  expect(mayEnter(lanesWith(job('1', 'sweep', null)), job('2', 'comb', 'a'))).toBe(false);
});

test('what waits for the world outside runs aside: beside full threads and its own shell, but one at a time', () => {
  expect(recordOf('probe').aside).toBe(true);
  const lanes = lanesWith(job('1', 'comb', 'a'), job('2', 'comb', 'b'));
  expect(mayEnter(lanes, job('3', 'probe', 'a'))).toBe(true);
  lanes.enter(job('3', 'probe', 'a'));
  expect([lanes.count(true), lanes.count(false)]).toEqual([1, 2]);
  expect(mayEnter(lanes, job('4', 'probe', 'c'))).toBe(false);
  lanes.leave('1');
  expect(mayEnter(lanes, job('5', 'rehearse', 'a'))).toBe(true);
});
