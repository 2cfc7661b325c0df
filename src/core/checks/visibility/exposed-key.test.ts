import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases, type FiringCase, type SilentCase } from '../__tests__/check-cases';
import { exposedKey } from './exposed-key';

const titled = (title: string) => (c: ShellComposer) => void c.page(title, '<p>x</p>', { ref: 'p' });
const fires = (title: string): FiringCase => ({ name: title, build: titled(title), subjects: [['p']] });
const silent = (title: string): SilentCase => ({ name: title, build: titled(title) });

checkCases(exposedKey, {
  fires: [
    ...[
      'Answer key',
      'Quiz 3 answer keys',
      'Marking guide for the report',
      'Marking scheme',
      'Grading key 2',
      'Instructor only: dates',
      'Instructor’s notes',
      'Model answers',
      'Solutions: week 3',
      'Quiz 3 (key)',
      'Quiz 3 – Key',
      'Lab 4 solutions',
      'Quiz 2 AK',
      'KEY Quiz 5',
      'For teachers only',
    ].map(fires),
    {
      name: 'hiding is proposed',
      build: titled('Quiz 3 – Key'),
      subjects: [['p']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'hide', targets: ['p'], kind: 'judgement' }),
    },
    {
      name: 'a file that a page links to',
      build: (c) =>
        void [
          c.page('P', '<a href="q/quiz_3-answer-key.pdf">x</a>', { path: 'p.html' }),
          c.file('q/quiz_3-answer-key.pdf', 'x'),
        ],
      subjects: [['q/quiz_3-answer-key.pdf']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({ action: 'file-access', params: { readers: 'staff' } }),
    },
    {
      name: 'a module once, not what is inside',
      build: (c) => void c.page('Quiz 1 key', '<p>x</p>', { parent: c.module('Answer keys', { ref: 'm' }) }),
      subjects: [['m']],
    },
    {
      name: 'an open staff store',
      build: (c) => void c.page('Quiz 1 key', '<p>x</p>', { parent: c.module('Staff room', { ref: 'm' }) }),
      subjects: [['m']],
      rules: { staffStore: ['staff*'] },
    },
    {
      name: 'a mark of the house rules',
      build: titled('Quiz 2 LSG'),
      subjects: [['p']],
      rules: { keyMarks: ['LSG'] },
    },
  ],
  silent: [
    ...[
      'Key terms of week 3',
      'The key to a good sample',
      'Keyboard shortcuts',
      'Solution chemistry',
      'Buffer solutions and their use',
      'Monkey business',
      'Answering questions',
      'How to answer',
      'Breakwater',
      'Ak Basin field notes',
      'Instructor contact',
      'Turnkey loggers',
      'Meet your teacher',
      'Marking a transect',
      'Guide to marking stones',
    ].map(silent),
    { name: 'hidden', build: (c) => void c.page('Answer key', '<p>x</p>', { shown: false }) },
    {
      name: 'in a hidden module',
      build: (c) => void c.page('Answer key', '<p>x</p>', { parent: c.module('M', { shown: false }) }),
    },
    { name: 'for staff only', build: (c) => void c.page('Answer key', '<p>x</p>', { staffOnly: true }) },
    { name: 'outside the outline', build: (c) => void c.page('Answer key', '<p>x</p>', { outside: true }) },
    {
      name: 'a file that staff alone can read',
      build: (c) =>
        void [
          c.page('P', '<a href="key.pdf">x</a>', { path: 'p.html' }),
          c.file('answer-key.pdf', 'x', { readableBy: 'staff' }),
        ],
    },
    { name: 'a file that nothing leads to', build: (c) => void c.file('answer-key.pdf', 'x') },
    {
      name: 'a hidden staff store',
      build: (c) =>
        void c.page('Quiz 1 key', '<p>x</p>', { parent: c.module('Staff room', { shown: false }) }),
      rules: { staffStore: ['staff*'] },
    },
  ],
});
