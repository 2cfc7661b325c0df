import { gradeCategoryRef, gradeColumnRef } from '@/core/refs/refs';
import { checkCases } from '../__tests__/check-cases';
import { duplicateGradeCategory } from './grade-category';

const category = (ref: string, title: string, weight: number | null = null) => ({
  ref: gradeCategoryRef(ref),
  title,
  weight,
  extra: {},
});
const column = (ref: string, of: string) => ({
  ref: gradeColumnRef(ref),
  title: ref,
  category: gradeCategoryRef(of),
  points: 10,
  results: 3,
  extra: {},
});
const setup =
  (categories: ReturnType<typeof category>[], columns: ReturnType<typeof column>[] = []) =>
  () => ({ gradeCategories: categories, gradeColumns: columns });

checkCases(duplicateGradeCategory, {
  fires: [
    {
      name: 'twice',
      build: setup([category('a', 'Quizzes'), category('b', 'Quizzes')]),
      subjects: [['a', 'b']],
      expect: ([f]) =>
        expect(f).toMatchObject({
          keep: 'a',
          remedy: { action: 'merge', targets: ['b'], params: { with: { b: 'a' } }, kind: 'judgement' },
        }),
    },
    {
      name: 'columns move into the one that stays',
      build: setup(
        [category('a', 'Quizzes'), category('b', 'Quizzes')],
        [column('c', 'b'), column('d', 'b'), column('e', 'a')],
      ),
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f!.keep).toBe('b'),
    },
    {
      name: 'the larger weight stays',
      build: setup([category('a', 'Labs', 10), category('b', 'Labs', 40)]),
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f!.keep).toBe('b'),
    },
    {
      name: 'case aside',
      build: setup([category('a', 'labs'), category('b', 'LABS')]),
      subjects: [['a', 'b']],
    },
    {
      name: 'three',
      build: setup([category('a', 'X'), category('b', 'X'), category('c', 'X')]),
      subjects: [['a', 'b', 'c']],
    },
    {
      name: 'two pairs',
      build: setup([category('a', 'X'), category('b', 'Y'), category('c', 'X'), category('d', 'Y')]),
      subjects: [
        ['a', 'c'],
        ['b', 'd'],
      ],
    },
  ],
  silent: [
    { name: 'a number more', build: setup([category('a', 'Imported'), category('b', 'Imported (2)')]) },
    { name: 'other titles', build: setup([category('a', 'Labs'), category('b', 'Quizzes')]) },
    { name: 'one', build: setup([category('a', 'Labs')]) },
    { name: 'singular and plural', build: setup([category('a', 'Lab'), category('b', 'Labs')]) },
    { name: 'a column of that name', build: setup([category('a', 'Labs')], [{ ...column('Labs', 'a') }]) },
    { name: 'none', build: setup([]) },
  ],
});
