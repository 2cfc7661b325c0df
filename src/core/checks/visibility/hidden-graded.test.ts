import { gradeColumnRef } from '@/core/refs/refs';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { hiddenGraded } from './hidden-graded';

const column = (title: string, points: number | null = 100) => ({
  gradeColumns: [{ ref: gradeColumnRef('g'), title, category: null, points, results: 0, extra: {} }],
});
const quiz = (c: ShellComposer, over: object) =>
  c.quiz('Midterm', [{ stem: 'x', answers: ['a', 'b'], right: 0, points: 1 }], { ref: 'q', ...over });
const build =
  (over: object, points: number | null = 100, title = 'Midterm') =>
  (c: ShellComposer) => {
    quiz(c, over);
    return column(title, points);
  };

checkCases(hiddenGraded, {
  fires: [
    {
      name: 'by its title',
      build: build({ shown: false }),
      subjects: [['q', 'g']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'show', targets: ['q'] }),
    },
    {
      name: 'by the column that it names',
      build: build({ shown: false, gradeColumn: 'g' }, 100, 'Exam in March'),
      subjects: [['q', 'g']],
    },
    {
      name: 'in a hidden module',
      build: (c) => {
        c.module('M', { ref: 'm', shown: false });
        return build({ parent: 'm' })(c);
      },
      subjects: [['q', 'g']],
      expect: ([f]) => expect(f!.remedy!.targets).toEqual(['m']),
    },
    {
      name: 'hidden twice over',
      build: (c) => {
        c.module('M', { ref: 'm', shown: false });
        return build({ parent: 'm', shown: false })(c);
      },
      subjects: [['q', 'g']],
      expect: ([f]) => expect(f!.remedy!.targets).toEqual(['m', 'q']),
    },
    {
      name: 'for staff only',
      build: build({ staffOnly: true }),
      subjects: [['q', 'g']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'an assignment',
      build: (c) => {
        c.assignment('Midterm', '<p>x</p>', 10, { ref: 'a', shown: false });
        return column('Midterm');
      },
      subjects: [['a', 'g']],
    },
  ],
  silent: [
    { name: 'shown', build: build({ shown: true }) },
    { name: 'nobody told whether it is shown', build: build({}) },
    { name: 'the column gives no points', build: build({ shown: false }, 0) },
    { name: 'no column belongs to it', build: build({ shown: false }, 100, 'Other') },
    {
      name: 'another activity of that column is shown',
      build: (c) => {
        c.assignment('Midterm', '<p>x</p>', 10, { ref: 'a', gradeColumn: 'g' });
        return build({ shown: false, gradeColumn: 'g' })(c);
      },
    },
    {
      name: 'a hidden page',
      build: (c) => {
        c.page('Midterm', '<p>x</p>', { shown: false });
        return column('Midterm');
      },
    },
    {
      name: 'in a staff store',
      build: (c) => {
        c.module('Staff', { ref: 'm', shown: false });
        return build({ parent: 'm' })(c);
      },
      rules: { staffStore: ['Staff'] },
    },
  ],
});
