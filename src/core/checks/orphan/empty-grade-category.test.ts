import type { Shell } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef } from '@/core/refs/refs';
import { checkCases } from '../__tests__/check-cases';
import { emptyGradeCategory } from './empty-grade-category';

const category = (ref: string, title: string, weight: number | null = null) => ({
  ref: gradeCategoryRef(ref),
  title,
  weight,
  extra: {},
});
const column = (ref: string, category: string | null, results: number | null = 0) => ({
  ref: gradeColumnRef(ref),
  title: ref,
  category: category === null ? null : gradeCategoryRef(category),
  points: 10,
  results,
  extra: {},
});
const grades =
  (gradeCategories: Shell['gradeCategories'], gradeColumns: Shell['gradeColumns'] = []) =>
  () => ({ gradeCategories, gradeColumns });

checkCases(emptyGradeCategory, {
  fires: [
    {
      name: 'one without weight',
      build: grades([category('a', 'Imported')]),
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ kind: 'safe', targets: ['a'] }),
    },
    {
      name: 'weight 0 is no weight',
      build: grades([category('a', 'Imported', 0)]),
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy?.kind).toBe('safe'),
    },
    {
      name: 'several are one finding',
      build: grades(
        [category('a', 'Imported'), category('b', 'Labs', 100), category('c', 'Blogs', 0)],
        [column('x', 'b')],
      ),
      subjects: [['a', 'c']],
    },
    {
      name: 'one with a weight is judgement, and the sums are said',
      build: grades([category('a', 'Extra', 10), category('b', 'Labs', 90)], [column('x', 'b')]),
      subjects: [['a']],
      expect: ([f]) =>
        expect([f!.remedy?.kind, f!.evidence.at(-1)?.value]).toEqual([
          'judgement',
          '100 in all now, 90 without',
        ]),
    },
    {
      name: 'several with weights are another finding',
      build: grades([category('a', 'Extra', 10), category('b', 'More', 5), category('c', 'Blogs')]),
      subjects: [['a', 'b'], ['c']],
    },
    {
      name: 'columns outside any category fill none',
      build: grades([category('a', 'Imported')], [column('x', null)]),
      subjects: [['a']],
    },
  ],
  silent: [
    { name: 'one column in it', build: grades([category('a', 'Labs')], [column('x', 'a')]) },
    { name: 'one column with results in it', build: grades([category('a', 'Labs')], [column('x', 'a', 22)]) },
    {
      name: 'a column whose results nobody knows',
      build: grades([category('a', 'Labs')], [column('x', 'a', null)]),
    },
    {
      name: 'a name that sounds imported and holds a column',
      build: grades([category('a', 'Imported')], [column('x', 'a')]),
    },
    {
      name: 'two categories of one title, each with a column',
      build: grades([category('a', 'Labs'), category('b', 'Labs')], [column('x', 'a'), column('y', 'b')]),
    },
    { name: 'no grade setup at all', build: grades([]) },
  ],
});
