import type { Shell } from '@/core/shell/model';
import { gradeColumnRef } from '@/core/refs/refs';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { gradeColumn } from './grade-column';

const column = (ref: string, title: string, results: number | null = 0): Shell['gradeColumns'][number] => ({
  ref: gradeColumnRef(ref),
  title,
  category: null,
  points: 10,
  results,
  extra: {},
});
const build =
  (columns: Shell['gradeColumns'], more: (c: ShellComposer) => void = () => undefined) =>
  (c: ShellComposer) => {
    more(c);
    return { gradeColumns: columns };
  };

checkCases(gradeColumn, {
  fires: [
    {
      name: 'nothing belongs to it',
      build: build([column('a', 'Blogs')]),
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ kind: 'judgement', targets: ['a'] }),
    },
    {
      name: 'a total of a former system says so',
      build: build([column('a', 'Sum of everything')]),
      subjects: [['a']],
      expect: ([f]) => expect(f!.evidence.at(-1)?.value).toContain('former system'),
    },
    {
      name: 'a page of its title is no activity',
      build: build([column('a', 'Lab 1')], (c) => void c.page('Lab 1', '<p>x</p>')),
      subjects: [['a']],
    },
    {
      name: 'the activity of its title names another column',
      build: build(
        [column('a', 'Lab 1'), column('b', 'Labs')],
        (c) => void c.assignment('Lab 1', 'x', 10, { gradeColumn: 'b' }),
      ),
      subjects: [['a']],
    },
    {
      name: 'two columns of one title: a title alone decides for neither',
      build: build([column('a', 'Lab 1'), column('b', 'Lab 1')], (c) => void c.assignment('Lab 1', 'x', 10)),
      subjects: [['a'], ['b']],
    },
    {
      name: 'a longer word that only holds a hand-marked one',
      build: build([column('a', 'Representations of a reach')]),
      subjects: [['a']],
    },
    {
      name: 'house rules without hand-marked words',
      build: build([column('a', 'Participation')]),
      rules: { handMarked: [] },
      subjects: [['a']],
    },
  ],
  silent: [
    {
      name: 'an assignment names it',
      build: build(
        [column('a', 'Lab 1')],
        (c) => void c.assignment('Something else', 'x', 10, { gradeColumn: 'a' }),
      ),
    },
    {
      name: 'a quiz has its title, in other case',
      build: build(
        [column('a', 'unit 1 CHECK')],
        (c) => void c.quiz('Unit 1 check', [{ stem: 'x', answers: ['a'], right: 0, points: 1 }]),
      ),
    },
    {
      name: 'a discussion has its title',
      build: build([column('a', 'Talk')], (c) => void c.discussion('Talk', 'x')),
    },
    {
      name: 'hand-marked, in other letters, with other blanks, in the plural',
      build: build([column('a', 'ＯＲＡＬ\u00a0 Exams'), column('b', 'Presentations, part 2')]),
    },
    {
      name: 'hand-marked by full case folding',
      build: build([column('a', 'GRUSSWORT')]),
      rules: { handMarked: ['Grußwort'] },
    },
    { name: 'it has results', build: build([column('a', 'Blogs', 3)]) },
    { name: 'nobody knows whether it has results', build: build([column('a', 'Blogs', null)]) },
    { name: 'work that is marked by hand', build: build([column('a', 'Participation and attendance')]) },
    {
      name: 'an activity outside the outline belongs to it',
      build: build([column('a', 'Lab 1')], (c) => void c.assignment('Lab 1', 'x', 10, { outside: true })),
    },
  ],
});
