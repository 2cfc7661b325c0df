import { sortFiles } from './sort-files';

test('each file finds its place', () => {
  const { placed, trouble } = sortFiles(['status.csv', 'HYD.imscc', 'previous-events.ics', 'events.ics']);
  expect(trouble).toBeNull();
  expect(Object.fromEntries(placed.map((p) => [p.slot, p.index]))).toEqual({
    status: 0,
    package: 1,
    previousEvents: 2,
    events: 3,
  });
});
test('what has no place is named', () => {
  expect(sortFiles(['notes.docx', 'a.zip', 'b.zip']).trouble).toMatch(/“notes.docx”, “b.zip” found no place/);
});
