import type { LocalDateTime } from '@/core/dates/local-date';
import { checkCases } from '../__tests__/check-cases';
import { undatedActivity } from './undated-activity';

const question = { stem: 'x', answers: ['a', 'b'], right: 0, points: 2 };
const due = '2027-03-01T23:59:59' as LocalDateTime;

checkCases(undatedActivity, {
  fires: [
    {
      name: 'an assignment',
      build: (c) => void c.assignment('A', '<p>x</p>', 10, { ref: 'a' }),
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'a quiz whose questions give points',
      build: (c) => void c.quiz('Q', [question], { ref: 'q' }),
      subjects: [['q']],
    },
    {
      name: 'all are one finding',
      build: (c) =>
        void [c.assignment('A', '<p>x</p>', 10, { ref: 'a' }), c.quiz('Q', [question], { ref: 'q' })],
      subjects: [['a', 'q']],
    },
    {
      name: 'a discussion with points',
      build: (c) => void c.discussion('D', '<p>x</p>', { ref: 'd', points: 5 }),
      subjects: [['d']],
    },
    {
      name: 'it only closes',
      build: (c) => void c.quiz('Q', [question], { ref: 'q', closes: due }),
      subjects: [['q']],
    },
    {
      name: 'beside one with a date',
      build: (c) =>
        void [
          c.assignment('A', '<p>x</p>', 10, { ref: 'a', due }),
          c.assignment('B', '<p>y</p>', 10, { ref: 'b' }),
        ],
      subjects: [['b']],
    },
  ],
  silent: [
    { name: 'due', build: (c) => void c.assignment('A', '<p>x</p>', 10, { due }) },
    { name: 'no points', build: (c) => void c.assignment('A', '<p>x</p>', null) },
    { name: 'nought points', build: (c) => void c.assignment('A', '<p>x</p>', 0) },
    { name: 'hidden', build: (c) => void c.assignment('A', '<p>x</p>', 10, { shown: false }) },
    {
      name: 'in a hidden module',
      build: (c) => void c.assignment('A', '<p>x</p>', 10, { parent: c.module('M', { shown: false }) }),
    },
    { name: 'a page with points', build: (c) => void c.page('P', '<p>x</p>', { points: 3 }) },
    { name: 'a discussion without points', build: (c) => void c.discussion('D', '<p>x</p>') },
  ],
});
