import { gradeCategoryRef } from '@/core/refs/refs';
import { checkCases } from '../__tests__/check-cases';
import { weights } from './weights';

const weighted =
  (...list: (number | null)[]) =>
  () => ({
    gradeCategories: list.map((weight, k) => ({
      ref: gradeCategoryRef(`c${k}`),
      title: `C${k}`,
      weight,
      extra: {},
    })),
  });

checkCases(weights, {
  fires: [
    {
      name: '90',
      build: weighted(40, 30, 20),
      subjects: [['case']],
      expect: ([f]) =>
        expect(f).toMatchObject({ urgency: 'fix-first', title: expect.stringMatching(/sum up to 90/) }),
    },
    { name: '110', build: weighted(60, 50), subjects: [['case']] },
    { name: 'one lost its weight', build: weighted(40, 30, null), subjects: [['case']] },
    { name: 'one has nought', build: weighted(40, 30, 0), subjects: [['case']] },
    { name: '99.5', build: weighted(49.5, 50), subjects: [['case']] },
    { name: 'shares of 0.9', build: weighted(0.5, 0.4), subjects: [['case']] },
  ],
  silent: [
    { name: '100', build: weighted(40, 30, 30) },
    { name: 'thirds', build: weighted(33.33, 33.33, 33.34) },
    { name: 'tenths', build: weighted(33.3, 33.3, 33.4) },
    { name: 'no weights: points count', build: weighted(null, null) },
    { name: 'all nought', build: weighted(0, 0) },
    { name: 'shares of one', build: weighted(0.25, 0.75) },
    { name: 'no categories', build: weighted() },
  ],
});
