import { numberLabel, sameNumber } from './number-label';

test.each([
  ['Week 3: Stage', 'week 3'],
  ['WEEK 12', 'week 12'],
  ['Wk 4', 'week 4'],
  ['Unit IV – Grids', 'unit 4'],
  ['Module xii', 'module 12'],
  ['Lesson 2.1 Paces', 'lesson 2.1'],
  ['Chapter 7', 'chapter 7'],
  ['Ch. 7', 'chapter 7'],
  ['Session #5', 'session 5'],
  ['Labs 2', 'lab 2'],
  ['“Week 3”', 'week 3'],
  ['Ｗeek 3', 'week 3'],
])('%s counts', (title, label) => {
  const found = numberLabel(title)!;
  expect(`${found.label} ${found.numbers.join('.')}`).toBe(label);
});

test.each([
  'Reading the staff gauge',
  'Weekend 3',
  'Next week 3 readings',
  'Unit of measure',
  'Module mix',
  'Week',
  'Partly 3',
  '3 weeks',
  'Unit IIII',
  'Lesson plan',
  'Week 3rd',
])('%s does not', (title) => expect(numberLabel(title)).toBeNull());

test('one number in two spellings is one', () => {
  expect(sameNumber(numberLabel('Week 3: Stage')!, numberLabel('Wk III')!)).toBe(true);
  expect(sameNumber(numberLabel('Week 3')!, numberLabel('Unit 3')!)).toBe(false);
  expect(sameNumber(numberLabel('Week 1')!, numberLabel('Week 10')!)).toBe(false);
});
