import { filePath } from '@/core/refs/refs';
import { FreshNames, freshPaths } from './fresh-names';

test('a free name is taken as it is, a taken one gets a number', () => {
  const names = new FreshNames(['a', 'a-2']);
  expect([names.take('b'), names.take('b'), names.take('a'), names.take('a')]).toEqual([
    'b',
    'b-2',
    'a-3',
    'a-4',
  ]);
});

test('paths keep their ending, and differ by more than case', () => {
  const paths = freshPaths(['pictures/Map.png', 'notes', 'archive.tar.gz'].map(filePath));
  expect(
    ['pictures/map.png', 'pictures/map.png', 'notes', 'archive.tar.gz', 'v1.2/notes'].map((p) =>
      paths.take(filePath(p)),
    ),
  ).toEqual(['pictures/map-2.png', 'pictures/map-3.png', 'notes-2', 'archive.tar-2.gz', 'v1.2/notes']);
});
