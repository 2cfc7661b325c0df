import type { LocalDateTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { unchangedAssessment } from './unchanged-assessment';

const question = { stem: 'x', answers: ['a', 'b'], right: 0, points: 1 };
const at = (day: string) => `${day}T09:00:00` as LocalDateTime;
const quiz =
  (day: string, over: object = {}) =>
  (c: ShellComposer) =>
    void c.quiz('Q', [question], { ref: 'q', modified: at(day), ...over });

checkCases(unchangedAssessment, {
  fires: [
    {
      name: 'a quiz of last September',
      build: quiz('2025-09-02'),
      subjects: [['q']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'an assignment',
      build: (c) => void c.assignment('A', '<p>x</p>', 5, { ref: 'a', modified: at('2024-01-01') }),
      subjects: [['a']],
    },
    {
      name: 'all are one finding',
      build: (c) => {
        quiz('2025-09-02')(c);
        c.assignment('A', '<p>x</p>', 5, { ref: 'a', modified: at('2024-01-01') });
      },
      subjects: [['q', 'a']],
    },
    { name: 'the day before the previous term ended', build: quiz('2025-12-11'), subjects: [['q']] },
    { name: 'hidden', build: quiz('2025-09-02', { shown: false }), subjects: [['q']] },
    {
      name: 'beside one that was changed',
      build: (c) => {
        quiz('2025-09-02')(c);
        c.assignment('A', '<p>x</p>', 5, { modified: at('2026-12-01') });
      },
      subjects: [['q']],
    },
  ],
  silent: [
    { name: 'changed this December', build: quiz('2026-12-01') },
    { name: 'the day the previous term ended', build: quiz('2025-12-12') },
    {
      name: 'no points',
      build: (c) => void c.assignment('A', '<p>x</p>', null, { modified: at('2025-09-02') }),
    },
    { name: 'a page', build: (c) => void c.page('P', '<p>x</p>', { modified: at('2025-09-02') }) },
    { name: 'nobody knows when', build: (c) => void c.quiz('Q', [question]) },
    {
      name: 'the previous term is not known',
      build: (c) => {
        quiz('2025-09-02')(c);
        return { previousTerm: null };
      },
    },
  ],
});
