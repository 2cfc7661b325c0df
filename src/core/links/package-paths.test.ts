import { filePath } from '@/core/refs/refs';
import fc from 'fast-check';
import { addressReader, encodePath, indexPaths, readAddress } from './package-paths';

const paths = indexPaths(
  [
    'week1/page.html',
    'week1/pic one.png',
    'files/Map.PDF',
    'top.html',
    'web/deep/only.png',
    'files/50%.txt',
    'odd//double.txt',
  ].map(filePath),
);
const at = filePath('week1/page.html');
const read = (value: string, base: string | null = null) => readAddress(value, at, base, paths);
const found = (path: string, tail = '') => ({ to: 'package', found: path, tail });

test.each([
  ['page.html', found('week1/page.html')],
  ['page.html#part', found('week1/page.html', '#part')],
  ['pic%20one.png?v=2', found('week1/pic one.png', '?v=2')],
  ['pic one.png', found('week1/pic one.png')],
  ['../files/map.pdf', found('files/Map.PDF')],
  // Repeated slashes in a path of the package count as one, in what asks and in what is there.
  ['..//files///Map.PDF#a//b', found('files/Map.PDF', '#a//b')],
  ['.//page.html?x=//y', found('week1/page.html', '?x=//y')],
  ['../odd/double.txt', found('odd//double.txt')],
  ['$IMS-CC-FILEBASE$//files//Map.PDF', found('files/Map.PDF')],
  ['https://example.org//files//Map.PDF', { to: 'outside' }],
  ['..\\files\\Map.PDF', found('files/Map.PDF')],
  ['../files/50%25.txt', found('files/50%.txt')],
  ['../files/50%.txt', found('files/50%.txt')],
  ['$IMS-CC-FILEBASE$/top.html', found('top.html')],
  ['$IMS_CC_FILEBASE$/files/Map.PDF', found('files/Map.PDF')],
  ['$1EdTech-CC-FILEBASE$../top.html', found('top.html')],
  ['%24IMS-CC-FILEBASE%24/top.html', found('top.html')],
  ['$IMS-CC-FILEBASE$/deep/only.png', found('web/deep/only.png')],
  ['gone.html', { to: 'package', found: null, asked: 'week1/gone.html' }],
  ['https://example.org/a', { to: 'outside' }],
  ['//example.org/a', { to: 'outside' }],
  ['mailto:x@example.org', { to: 'outside' }],
  ['/top.html', { to: 'host-path' }],
  ['#here', { to: 'itself' }],
  ['', { to: 'nothing' }],
  ['../', { to: 'folder' }],
  ['../../top.html', { to: 'leaves-package' }],
])('%j', (value, meaning) => expect(read(value)).toMatchObject(meaning));

test('a base element moves the start', () => {
  expect(read('Map.PDF', '../files/')).toMatchObject(found('files/Map.PDF'));
  expect(read('a.png', 'https://example.org/')).toMatchObject({ to: 'outside' });
});
test('an encoded path reads back', () => {
  expect(encodePath('a b/ü#?%.txt')).toBe('a%20b/%C3%BC%23%3F%25.txt');
  const plain = "a-b_c.d~e!f*g'h(i)j,k;l@m&n=o+p$q/r";
  expect(encodePath(plain)).toBe(plain);
  expect(encodePath(`${plain}:s`)).toBe(`${plain}%3As`);
  expect(read(`../${encodePath('files/50%.txt')}`)).toMatchObject(found('files/50%.txt'));
});

test('a reader that keeps what addresses mean says what reading each anew says (property)', () => {
  const kept = addressReader(paths);
  const places = ['week1/page.html', 'week1/other.html', 'top.html', 'web/deep/x.html'].map(filePath);
  const values = [
    'page.html',
    '../top.html',
    'pic%20one.png?v=2',
    '#here',
    '$IMS-CC-FILEBASE$/top.html',
    'gone.html',
    '../../x',
    'https://example.org/a',
    '',
    './/page.html',
    'only.png',
  ];
  fc.assert(
    fc.property(
      fc.constantFrom(...values),
      fc.constantFrom(...places),
      fc.constantFrom(null, '../', 'deep/', 'https://x.example/'),
      (value, place, base) => {
        expect(kept(value, place, base)).toEqual(readAddress(value, place, base, paths));
      },
    ),
    { numRuns: 1000, seed: 4 },
  );
});
