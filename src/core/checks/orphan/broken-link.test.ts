import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { brokenLink } from './broken-link';

const page =
  (html: string, path = 'w/p.html') =>
  (c: ShellComposer) =>
    void c.page('P', html, { ref: 'p', path });

checkCases(brokenLink, {
  fires: [
    {
      name: 'a page that is not there',
      build: page('<a href="gone.html">Read on</a>'),
      subjects: [['p']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'unlink', params: { drop: ['gone.html'] } }),
    },
    {
      name: 'the one file of that name lies elsewhere',
      build: (c) => void [page('<img src="images/map.png" alt="Map">')(c), c.file('flat/map.png', 'x')],
      subjects: [['p']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 'relink',
          params: { addresses: { 'images/map.png': 'flat/map.png' } },
        }),
    },
    {
      name: 'with the token of the package',
      build: page('<a href="$IMS-CC-FILEBASE$/gone.pdf">x</a>'),
      subjects: [['p']],
    },
    {
      name: 'a picture for another size',
      build: (c) =>
        void [
          page('<img src="a.png" srcset="a.png 1x, b.png 2x" alt="">', 'p.html')(c),
          c.file('a.png', 'x'),
        ],
      subjects: [['p']],
      expect: ([f]) => expect(f!.evidence[0]).toMatchObject({ value: 'b.png' }),
    },
    {
      name: 'in a style sheet',
      build: (c) => void c.file('s.css', 'h1{background:url("gone.png")}'),
      subjects: [['s.css']],
    },
    {
      name: 'in a page that nothing reaches',
      build: (c) => void c.page('Lost', '<a href="gone.html">x</a>', { outside: true, path: 'l.html' }),
      subjects: [['resource:r1']],
    },
    {
      name: 'two targets are two findings, one target twice is one',
      build: page('<a href="a.html">1</a><a href="b.html">2</a><a href="a.html#x">3</a>'),
      subjects: [['p'], ['p']],
    },
    {
      name: 'in an assignment',
      build: (c) =>
        void [
          c.assignment('A', '<a href="$IMS-CC-FILEBASE$/d/x.csv">data</a>', 5, { ref: 'a' }),
          c.file('data/x.csv', 'x'),
        ],
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy!.action).toBe('relink'),
    },
    {
      name: 'in the style of an element',
      build: page('<div style="background:url(gone.png)">x</div>'),
      subjects: [['p']],
    },
  ],
  silent: [
    {
      name: 'it is there',
      build: (c) => void [page('<a href="a.pdf">x</a>', 'p.html')(c), c.file('a.pdf', 'x')],
    },
    {
      name: 'in other case',
      build: (c) => void [page('<a href="A.PDF">x</a>', 'p.html')(c), c.file('a.pdf', 'x')],
    },
    {
      name: 'percent-encoded',
      build: (c) => void [page('<a href="my%20a.pdf">x</a>', 'p.html')(c), c.file('my a.pdf', 'x')],
    },
    { name: 'only the place in the page', build: page('<a href="#nowhere">x</a>') },
    { name: 'begins with a slash', build: page('<a href="/campus/help">x</a>') },
    { name: 'a web address', build: page('<a href="https://x.example/gone.html">x</a>') },
    { name: 'a folder', build: page('<a href="images/">x</a>') },
    { name: 'in a comment', build: page('<!-- <a href="gone.html">x</a> -->') },
    { name: 'mail', build: page('<a href="mailto:desk@x.example">x</a>') },
  ],
});
