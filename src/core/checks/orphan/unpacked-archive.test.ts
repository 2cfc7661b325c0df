import { digest } from '@/core/refs/digest';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { unpackedArchive } from './unpacked-archive';

const texts = ['first hand-out of ten', 'second hand-out, longer', 'third hand-out of all'];
const holding = (...inside: string[]) => ({
  packed: inside.map((text, k) => ({ name: `${k}.txt`, bytes: text.length, sha256: digest(text) })),
});
const build =
  (archive: readonly string[], beside: readonly string[], page = '') =>
  (c: ShellComposer) => {
    if (page) c.page('P', page, { path: 'p.html' });
    beside.forEach((text, k) => c.file(`out/${k}.txt`, text));
    c.file('all.zip', 'zip', holding(...archive));
  };

checkCases(unpackedArchive, {
  fires: [
    {
      name: 'all of it stands beside it',
      build: build(texts, texts),
      subjects: [['all.zip']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'delete', kind: 'safe' }),
    },
    {
      name: 'two of three',
      build: build(texts, texts.slice(0, 2)),
      subjects: [['all.zip']],
      expect: ([f]) => expect(f!.evidence).toContainEqual({ label: 'Only in the archive', value: '2.txt' }),
    },
    {
      name: 'in another folder and of other names',
      build: (c) => void [c.file('x/y.md', texts[0]!), c.file('all.zip', 'zip', holding(texts[0]!))],
      subjects: [['all.zip']],
    },
    {
      name: 'two archives',
      build: (c) =>
        void [
          c.file('a.txt', texts[0]!),
          c.file('1.zip', '1', holding(texts[0]!)),
          c.file('2.zip', '2', holding(texts[0]!)),
        ],
      subjects: [['1.zip'], ['2.zip']],
    },
    {
      name: 'a large one counts more than a small one',
      build: build(['x', 'y', texts[1]!], [texts[1]!]),
      subjects: [['all.zip']],
    },
    {
      name: 'a page of the outline is one of them',
      build: (c) => {
        c.page('P', '<p>a page</p>', { path: 'p.html' });
        c.file('all.zip', 'zip', holding('<p>a page</p>'));
      },
      subjects: [['all.zip']],
    },
  ],
  silent: [
    { name: 'half of it', build: build(['aaaa', 'bbbb'], ['aaaa']) },
    { name: 'none of it', build: build(texts, ['else']) },
    { name: 'a page links to it', build: build(texts, texts, '<a href="all.zip">all in one</a>') },
    {
      name: 'placed',
      build: (c) => {
        build(texts, texts)(c);
        c.fileItem('All', 'all.zip');
      },
    },
    { name: 'an empty archive', build: build([], texts) },
    {
      name: 'an archive that can’t be read',
      build: (c) => void [c.file('a.txt', texts[0]!), c.file('all.zip', 'zip')],
    },
    {
      name: 'only another archive holds the same',
      build: (c) => void [c.file('1.zip', '1', holding(texts[0]!)), c.file('2.zip', '2', holding(texts[0]!))],
    },
  ],
});
