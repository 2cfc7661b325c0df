import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { hiddenTarget } from './hidden-target';

const linking =
  (html: string, over: object = {}) =>
  (c: ShellComposer) =>
    void c.page('Open', html, { ref: 'o', path: 'o.html', ...over });
const target = (over: object) => (c: ShellComposer) =>
  void c.page('Curve', '<p>x</p>', { ref: 't', path: 't.html', ...over });
const both = (a: (c: ShellComposer) => void, b: (c: ShellComposer) => void) => (c: ShellComposer) => {
  a(c);
  b(c);
};

checkCases(hiddenTarget, {
  fires: [
    {
      name: 'a hidden page',
      build: both(linking('<a href="t.html">curve</a>'), target({ shown: false })),
      subjects: [['o', 't']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'show', targets: ['t'] }),
    },
    {
      name: 'in a hidden module',
      build: both(linking('<a href="t.html">curve</a>'), (c) =>
        target({ parent: c.module('M', { ref: 'm', shown: false }) })(c),
      ),
      subjects: [['o', 't']],
      expect: ([f]) => expect(f!.remedy!.targets).toEqual(['m']),
    },
    {
      name: 'for staff only',
      build: both(linking('<a href="t.html">curve</a>'), target({ staffOnly: true })),
      subjects: [['o', 't']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'a hidden file',
      build: (c) => {
        c.file('a.pdf', 'x');
        c.fileItem('Sheet', 'a.pdf', { ref: 't', shown: false });
        linking('<a href="a.pdf">sheet</a>')(c);
      },
      subjects: [['t', 'o']],
    },
    {
      name: 'from an assignment',
      build: (c) => {
        c.assignment('A', '<a href="$IMS-CC-FILEBASE$/t.html">c</a>', 5, { ref: 'o' });
        target({ shown: false })(c);
      },
      subjects: [['o', 't']],
    },
    {
      name: 'with a fragment, twice in one page',
      build: both(linking('<a href="t.html#a">1</a><a href="t.html#b">2</a>'), target({ shown: false })),
      subjects: [['o', 't']],
    },
    {
      name: 'answers: showing them is not proposed',
      build: both(
        linking('<a href="t.html">c</a>'),
        (c) => void c.page('Answer key', '<p>x</p>', { ref: 't', path: 't.html', shown: false }),
      ),
      subjects: [['o', 't']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'from two pages',
      build: (c) => {
        linking('<a href="t.html">1</a>')(c);
        c.page('Also', '<a href="t.html">2</a>', { ref: 'p', path: 'p.html' });
        target({ shown: false })(c);
      },
      subjects: [
        ['o', 't'],
        ['p', 't'],
      ],
    },
  ],
  silent: [
    { name: 'the target is shown', build: both(linking('<a href="t.html">c</a>'), target({ shown: true })) },
    {
      name: 'the page itself is hidden',
      build: both(linking('<a href="t.html">c</a>', { shown: false }), target({ shown: false })),
    },
    {
      name: 'a second place is open',
      build: (c) => {
        linking('<a href="t.html">c</a>')(c);
        target({ shown: false })(c);
        c.placeAgain('t', 'Again', { ref: 't2' });
      },
    },
    {
      name: 'outside the outline',
      build: (c) => {
        linking('<a href="t.html">c</a>')(c);
        c.page('T', '<p>x</p>', { outside: true, path: 't.html' });
        c.page('H', '<p>y</p>', { shown: false });
      },
    },
    { name: 'no link', build: both(linking('<p>curve</p>'), target({ shown: false })) },
    {
      name: 'a picture of a hidden item',
      build: (c) => {
        c.file('a.png', 'x');
        c.fileItem('Picture', 'a.png', { shown: false });
        linking('<img src="a.png" alt="">')(c);
      },
    },
    { name: 'it links to itself', build: linking('<a href="o.html">again</a>', { shown: true }) },
  ],
});
