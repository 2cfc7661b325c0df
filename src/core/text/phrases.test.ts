import { phraseFinder } from './phrases';

const found = (text: string, ...phrases: string[]) =>
  (phraseFinder(phrases)?.(text) ?? []).map(({ start, end }) => text.slice(start, end));

test.each([
  ['Ask at the Blue  Desk.', 'blue desk', ['Blue  Desk']],
  ['Ask at the ｂｌｕｅ ｄｅｓｋ.', 'Blue Desk', ['ｂｌｕｅ ｄｅｓｋ']],
  ['In the STRASSE 7', 'Straße 7', ['STRASSE 7']],
  ['In der Straße 7', 'STRASSE 7', ['Straße 7']],
  ['Ask the oﬃce.', 'office', ['oﬃce']],
  ['The cafe\u0301 and the café', 'Café', ['cafe\u0301', 'café']],
  ['Cafés', 'café', []],
  ['blue desks', 'blue desk', []],
  ['ask the bluedesk', 'blue desk', []],
  ['The café', 'cafe', []],
  ['ΟΔΟΣ', 'οδος', ['ΟΔΟΣ']],
])('in %p the phrase %p stands as %p', (text, phrase, stretches) => {
  expect(found(text, phrase)).toEqual(stretches);
});

test('of two that begin alike the longer one is meant; without phrases there is nothing to find', () => {
  expect(found('the blue desk of old', 'blue', 'blue desk')).toEqual(['blue desk']);
  expect(phraseFinder([' ', ''])).toBeNull();
});
