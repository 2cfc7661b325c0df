import { fitsPattern } from './title-pattern';

test.each([
  ['Staff only', 'staff only', true],
  ['  STAFF\u00a0 only ', 'Staff only', true],
  ['Straße der Übungen', 'STRASSE*', true],
  ['Staff only, week 3', 'staff only*', true],
  ['For staff only', '*staff only', true],
  ['Staff', 'staff*staff', false],
  ['a b c', 'a*b*c', true],
  ['a c b', 'a*b*c', false],
  ['abc', 'a*bc*c', false],
  ['anything', '*', true],
  ['C++ (draft)', 'c++ (draft)', true],
  ['Staffing', 'staff', false],
])('%p and the pattern %p: %p', (title, pattern, expected) => {
  expect(fitsPattern(title, ['no such title', pattern])).toBe(expected);
});

test('a title of many letters and a pattern of many stars come to an end', () => {
  expect(fitsPattern('a'.repeat(20_000), [`${'*a'.repeat(40)}*b`])).toBe(false);
});
