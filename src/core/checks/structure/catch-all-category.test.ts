import type { Shell } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef } from '@/core/refs/refs';
import { checkCases } from '../__tests__/check-cases';
import { catchAllCategory } from './catch-all-category';

const category = (ref: string, title: string) => ({
  ref: gradeCategoryRef(ref),
  title,
  weight: null,
  extra: {},
});
const column = (ref: string, title: string, of: string) => ({
  ref: gradeColumnRef(ref),
  title,
  category: gradeCategoryRef(of),
  points: 10,
  results: 0,
  extra: {},
});
const setup = (categories: Shell['gradeCategories'], columns: Shell['gradeColumns']) => () => ({
  gradeCategories: categories,
  gradeColumns: columns,
});

checkCases(catchAllCategory, {
  fires: [
    {
      name: 'Imported, and Quizzes fits',
      build: setup(
        [category('i', 'Imported'), category('q', 'Quizzes'), category('l', 'Labs')],
        [column('c', 'Quiz 3', 'i')],
      ),
      subjects: [['c']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({ action: 'set-category', params: { categories: { c: 'q' } } }),
    },
    {
      name: 'nothing fits',
      build: setup([category('i', 'Uncategorised')], [column('c', 'Essay', 'i')]),
      subjects: [['c']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'several columns are one finding',
      build: setup(
        [category('i', 'Imported (2)'), category('l', 'Lab work')],
        [column('a', 'Lab 1', 'i'), column('b', 'Lab 2', 'i')],
      ),
      subjects: [['a', 'b']],
    },
    {
      name: 'default',
      build: setup([category('d', 'Default category')], [column('c', 'Essay', 'd')]),
      subjects: [['c']],
    },
    {
      name: 'of the house rules',
      build: setup([category('d', 'Misc')], [column('c', 'Essay', 'd')]),
      subjects: [['c']],
      rules: { catchAllCategories: ['misc'] },
    },
    {
      name: 'by the kind of the activity',
      build: (c) => {
        c.quiz('Stage', [{ stem: 'x', answers: ['a'], right: 0, points: 1 }]);
        return setup(
          [category('i', 'Imported'), category('t', 'Tests and exams')],
          [column('c', 'Stage', 'i')],
        )();
      },
      subjects: [['c']],
      expect: ([f]) => expect(f!.remedy!.params.categories).toEqual({ c: 't' }),
    },
    {
      name: 'said by the status sheet only',
      build: (c) => void c.assignment('Essay', '<p>x</p>', 5, { ref: 'a', gradeCategory: 'Imported' }),
      subjects: [['a']],
    },
  ],
  silent: [
    { name: 'a category of its own', build: setup([category('q', 'Quizzes')], [column('c', 'Quiz 3', 'q')]) },
    {
      name: 'an empty catch-all',
      build: setup([category('i', 'Imported'), category('q', 'Quizzes')], [column('c', 'Quiz 3', 'q')]),
    },
    {
      name: 'only part of a word',
      build: setup([category('i', 'Importedness')], [column('c', 'Quiz', 'i')]),
    },
    { name: 'no columns', build: setup([category('i', 'Imported')], []) },
    { name: 'in no category', build: setup([], [{ ...column('c', 'Quiz', 'i'), category: null }]) },
    {
      name: 'the status sheet names a real one',
      build: (c) => void c.assignment('Essay', '<p>x</p>', 5, { gradeCategory: 'Essays' }),
    },
  ],
});
