import { checkCases } from '../__tests__/check-cases';
import { unplacedActivity } from './unplaced-activity';

const question = { stem: 'x', answers: ['a', 'b'], right: 0, points: 1 };

checkCases(unplacedActivity, {
  fires: [
    {
      name: 'an assignment, others are placed',
      build: (c) =>
        void [c.assignment('Placed', '<p>a</p>', 5), c.assignment('Loose', '<p>b</p>', 5, { outside: true })],
      subjects: [['resource:r3']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'place', kind: 'judgement' }),
    },
    {
      name: 'none of that kind is placed: one finding',
      build: (c) =>
        void [
          c.quiz('A', [question], { outside: true }),
          c.quiz('B', [{ ...question, stem: 'y' }], { outside: true }),
        ],
      subjects: [['resource:r1', 'resource:r2']],
    },
    {
      name: 'one alone',
      build: (c) => void c.discussion('Talk', '<p>x</p>', { outside: true }),
      subjects: [['resource:r1']],
    },
    {
      name: 'two kinds are two findings',
      build: (c) =>
        void [
          c.discussion('Talk', '<p>x</p>', { outside: true }),
          c.assignment('A', '<p>y</p>', 5, { outside: true }),
        ],
      subjects: [['resource:r1'], ['resource:r2']],
    },
    {
      name: 'required by something, which is no link',
      build: (c) => {
        c.quiz('Q', [question], { outside: true });
        c.page('P', '<p>x</p>', { requires: ['resource:r1' as never] });
      },
      subjects: [['resource:r1']],
    },
    {
      name: 'two among placed ones, each by itself',
      build: (c) =>
        void [
          c.quiz('P', [question]),
          c.quiz('A', [{ ...question, stem: 'a' }], { outside: true }),
          c.quiz('B', [{ ...question, stem: 'b' }], { outside: true }),
        ],
      subjects: [['resource:r3'], ['resource:r4']],
    },
  ],
  silent: [
    { name: 'placed', build: (c) => void c.assignment('A', '<p>x</p>', 5) },
    {
      name: 'a page links to it',
      build: (c) =>
        void [
          c.page('P', '<a href="a.xml">do it</a>', { path: 'p.html' }),
          c.assignment('A', '<p>x</p>', 5, { outside: true, path: 'a.xml' }),
        ],
    },
    { name: 'a page outside the outline', build: (c) => void c.page('P', '<p>x</p>', { outside: true }) },
    {
      name: 'an announcement',
      build: (c) => {
        c.discussion('News', '<p>x</p>', { outside: true });
        return { items: c.shell().items.map((i) => ({ ...i, kind: 'announcement' as const })) };
      },
    },
    { name: 'a bank', build: (c) => c.bank('b', [question], 'b.xml') },
    { name: 'nothing', build: () => undefined },
  ],
});
