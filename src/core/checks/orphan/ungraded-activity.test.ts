import { gradeColumnRef } from '@/core/refs/refs';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { ungradedActivity } from './ungraded-activity';

const columns = (...titles: string[]) => ({
  gradeColumns: titles.map((title, k) => ({
    ref: gradeColumnRef(`g${k}`),
    title,
    category: null,
    points: 10,
    results: 0,
    extra: {},
  })),
});
const question = { stem: 'x', answers: ['a', 'b'], right: 0, points: 2 };
const build =
  (make: (c: ShellComposer) => unknown, ...titles: string[]) =>
  (c: ShellComposer) => {
    make(c);
    return columns(...titles);
  };

checkCases(ungradedActivity, {
  fires: [
    {
      name: 'no column of its name',
      build: build((c) => c.assignment('Lab 2', '<p>x</p>', 10, { ref: 'a' }), 'Lab 1'),
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'a quiz whose questions give points',
      build: build((c) => c.quiz('Check', [question], { ref: 'q' }), 'Lab 1'),
      subjects: [['q']],
    },
    {
      name: 'it names a column that is not there',
      build: build((c) => c.assignment('Lab 1', '<p>x</p>', 10, { ref: 'a', gradeColumn: 'gone' }), 'Lab 9'),
      subjects: [['a']],
    },
    {
      name: 'two columns of its name decide nothing',
      build: build((c) => c.assignment('Lab 1', '<p>x</p>', 10, { ref: 'a' }), 'Lab 1', 'Lab 1'),
      subjects: [['a']],
    },
    {
      name: 'hidden',
      build: build((c) => c.assignment('Lab 2', '<p>x</p>', 10, { ref: 'a', shown: false }), 'Lab 1'),
      subjects: [['a']],
    },
    {
      name: 'two, each by itself',
      build: build(
        (c) => [
          c.assignment('A', '<p>x</p>', 10, { ref: 'a' }),
          c.assignment('B', '<p>y</p>', 10, { ref: 'b' }),
        ],
        'Lab 1',
      ),
      subjects: [['a'], ['b']],
    },
  ],
  silent: [
    { name: 'a column of its name', build: build((c) => c.assignment('Lab 1', '<p>x</p>', 10), 'LAB 1') },
    {
      name: 'a column that it names',
      build: build((c) => c.assignment('Lab 1', '<p>x</p>', 10, { gradeColumn: 'g0' }), 'First lab'),
    },
    { name: 'no points', build: build((c) => c.assignment('Lab 2', '<p>x</p>', null), 'Lab 1') },
    { name: 'a discussion', build: build((c) => c.discussion('Talk', '<p>x</p>', { points: 5 }), 'Lab 1') },
    { name: 'no columns were given', build: (c) => void c.assignment('Lab 2', '<p>x</p>', 10) },
    {
      name: 'a quiz that also stands as an assignment',
      build: build(
        (c) => [
          c.assignment('Lab 1', '<p>x</p>', 10, { gradeColumn: 'g0' }),
          c.quiz('Lab 1', [question], { gradeColumn: 'gone' }),
        ],
        'Lab 1',
      ),
    },
  ],
});
