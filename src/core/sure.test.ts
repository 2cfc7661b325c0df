import { elementAt, firstWhere, valueFor } from './sure';

test('what is there is given, from either end', () => {
  expect(elementAt(['a', 'b'], 0)).toBe('a');
  expect(elementAt(['a', 'b'], -1)).toBe('b');
  expect(elementAt([0, false], 1)).toBe(false);
  expect(valueFor(new Map([['k', 0]]), 'k')).toBe(0);
  expect(firstWhere([1, 2, 4], (n) => n % 2 === 0)).toBe(2);
});

test('what is not there is an error that says where it was looked for', () => {
  expect(() => elementAt(['a'], 1)).toThrow('nothing stands at place 1 of 1');
  expect(() => elementAt([], -1)).toThrow('nothing stands at place -1 of 0');
  expect(() => valueFor(new Map([['k', 0]]), 'other')).toThrow('the map of 1 knows no other');
  expect(() => firstWhere([1, 3], (n) => n > 5)).toThrow('none of 2 is the one');
});
