import { sayMet } from './say-met';
import { sayEmptiness, sayRun } from './say-run';

const none = { items: 0, files: 0, events: 0, gradeCategories: 0, gradeColumns: 0, banks: 0 };

test.each([
  [{ removed: { ...none, items: 88, files: 109 }, done: 197 }, 'Done: 88 items and 109 files are gone'],
  [{ removed: { ...none, gradeCategories: 8 }, done: 8 }, 'Done: 8 grade categories are gone'],
  [{ removed: { ...none, items: 1 }, done: 1 }, 'Done: 1 item is gone'],
  [{ removed: none, done: 10 }, 'Done: 10 changes made'],
  [
    {
      removed: none,
      done: 6,
      added: { item: 2, file: 3, event: 1, gradeCategory: 0, gradeColumn: 0, bank: 0 },
    },
    'Done: 2 items, 3 files and 1 event were added',
  ],
])('%j', (summary, words) => expect(sayRun(summary)).toBe(words));

test.each([
  [{ before: 527, left: 0, kept: 0, stuck: [] }, 'Empty: 0 of 527 left'],
  [{ before: 527, left: 5, kept: 5, stuck: [] }, 'Empty except for what stays: 5 of 527 left'],
  [{ before: 1200, left: 2, kept: 1, stuck: ['p1'] }, '1 thing would not go (p1): 2 of 1,200 left'],
])('%j', (emptiness, said) => expect(sayEmptiness(emptiness)).toBe(said));

test('what was met is told by sort, and nothing where nothing was', () => {
  expect(sayMet({ failed: 2, stalled: 1 })).toBe(
    'Met and overcome: 2 failed requests, 1 job that stopped and was started again',
  );
  expect(sayMet({})).toBe('');
});
