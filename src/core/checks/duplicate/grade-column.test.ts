import { gradeColumnRef } from '@/core/refs/refs';
import { checkCases } from '../__tests__/check-cases';
import { duplicateGradeColumn } from './grade-column';

const column = (ref: string, title: string, results: number | null = 0, points: number | null = 20) => ({
  ref: gradeColumnRef(ref),
  title,
  category: null,
  points,
  results,
  extra: {},
});
const columns =
  (...list: ReturnType<typeof column>[]) =>
  () => ({ gradeColumns: list });

checkCases(duplicateGradeColumn, {
  fires: [
    {
      name: 'twice, neither with results',
      build: columns(column('a', 'Lab 3'), column('b', 'Lab 3')),
      subjects: [['a', 'b']],
      expect: ([f]) =>
        expect(f).toMatchObject({
          keep: 'a',
          remedy: { action: 'delete', targets: ['b'], kind: 'judgement' },
        }),
    },
    {
      name: 'the one with results stays',
      build: columns(column('a', 'Lab 3'), column('b', 'Lab 3', 12)),
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f!.keep).toBe('b'),
    },
    {
      name: 'both have results: look',
      build: columns(column('a', 'Lab 3', 3), column('b', 'Lab 3', 4)),
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f).toMatchObject({ keep: null, remedy: null }),
    },
    {
      name: 'unknown results count as results',
      build: columns(column('a', 'Lab 3', null), column('b', 'Lab 3')),
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f!.remedy!.targets).toEqual(['b']),
    },
    {
      name: 'case and white space aside',
      build: columns(column('a', 'Lab 3'), column('b', ' LAB  3 ')),
      subjects: [['a', 'b']],
    },
    {
      name: 'three',
      build: columns(column('a', 'Lab 3'), column('b', 'Lab 3'), column('c', 'Lab 3', 2)),
      subjects: [['a', 'b', 'c']],
      expect: ([f]) => expect(f!.remedy!.targets).toEqual(['a', 'b']),
    },
    {
      name: 'the one of an activity stays',
      build: (c) => {
        c.assignment('Lab three', '<p>x</p>', 20, { gradeColumn: 'b' });
        return columns(column('a', 'Lab 3'), column('b', 'Lab 3'))();
      },
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f!.keep).toBe('b'),
    },
  ],
  silent: [
    { name: 'other points', build: columns(column('a', 'Lab 3'), column('b', 'Lab 3', 0, 10)) },
    { name: 'other titles', build: columns(column('a', 'Lab 3'), column('b', 'Lab 4')) },
    { name: 'one', build: columns(column('a', 'Lab 3')) },
    { name: 'one without points', build: columns(column('a', 'Lab 3'), column('b', 'Lab 3', 0, null)) },
    { name: 'a word more', build: columns(column('a', 'Lab 3'), column('b', 'Lab 3 report')) },
    { name: 'none', build: columns() },
  ],
});
