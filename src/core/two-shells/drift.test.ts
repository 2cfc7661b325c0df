import type { Change, ChangeKind } from './change';
import { driftByThing } from './drift';

const change = (kind: ChangeKind, ref: string, title: string): Change => ({
  kind,
  type: 'item',
  ref,
  other: null,
  title,
  path: ['Week 1'],
  says: [],
  days: null,
});
const against = (id: string, ...changes: readonly Change[]) => ({ id, comparison: { changes } });

test('one row a thing, what drifted from most shells first, the ways in their order', () => {
  const rows = driftByThing([
    against('a', change('moved', 'p1', 'Notes'), change('changed', 'p1', 'Notes')),
    against('b', change('changed', 'p1', 'Notes'), change('added', 'p2', 'New')),
  ]);
  expect(rows.map(({ title, against: how }) => [title, how])).toEqual([
    ['Notes', { a: ['changed', 'moved'], b: ['changed'] }],
    ['New', { b: ['added'] }],
  ]);
});

test('what is missing here is one thing, whatever the others call it inside', () => {
  const rows = driftByThing([
    against('a', change('gone', 'x1', 'Field day')),
    against('b', change('gone', 'y7', 'Field day')),
  ]);
  expect(rows).toHaveLength(1);
  expect(rows[0]?.against).toEqual({ a: ['gone'], b: ['gone'] });
});
