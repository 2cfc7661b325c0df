import { wordFinder } from './has-words';

test.each([
  ['', 'anything', true],
  ['  ', 'anything', true],
  ['gauge STAFF', 'Reading the staff gauge', true],
  ['staff ford', 'Reading the staff gauge', false],
  ['ｗｅｅｋ', 'Week 3', true],
])('“%s” in “%s”: %s', (typed, text, expected) => {
  expect(wordFinder(typed)(text)).toBe(expected);
});
