import { withoutEnd } from './without-end';

test.each([
  ['http://a.example/b///', '/', 'http://a.example/b'],
  ['///', '/', ''],
  ['a, ,\n', ' ,\n', 'a'],
  ['a', '/', 'a'],
  ['', '/', ''],
])('%j without %j at its end is %j', (text, signs, left) => expect(withoutEnd(text, signs)).toBe(left));
