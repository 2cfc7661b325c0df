import { sayDifference } from '../say-difference';

test.each([
  ['The gauge is read at eye level.', 'The gauge is  read\nat eye level.', null],
  [
    'Meet at nine in Hall 3.',
    'Meet at ten in Hall 3.',
    'the text says “Meet at ten” instead of “Meet at nine”',
  ],
  [
    'One two three four five six seven.',
    'One two three four five SIX seven.',
    'the text says “… three four five SIX” instead of “… three four five six”',
  ],
  ['Read it.', 'Read it. Twice.', 'the text says “Read it. Twice.” instead of “Read it.”'],
  ['', 'Something', 'the text says “Something” instead of nothing'],
  ['Something', '', 'the text says nothing instead of “Something”'],
])('%j against %j', (here, incoming, said) => expect(sayDifference(here, incoming)).toBe(said));

test('a long difference is cut', () => {
  const said = sayDifference('start end', `start ${'word '.repeat(200)}end`)!;
  expect(said.length).toBeLessThan(220);
  expect(said).toContain(' …”');
});
