import { checkCases } from '../__tests__/check-cases';
import { unusedFile } from './unused-file';

checkCases(unusedFile, {
  fires: [
    {
      name: 'no page names it',
      build: (c) => {
        c.page('P', '<img src="a.png">', { path: 'p.html' });
        c.file('a.png', 'used');
        c.file('b.png', 'unused');
      },
      subjects: [['b.png']],
      expect: ([f]) =>
        expect(f).toMatchObject({ remedy: { kind: 'safe', targets: ['b.png'] }, urgency: 'tidy' }),
    },
    {
      name: 'only a page that nobody reaches uses it: judgement, and blocked until that page goes',
      build: (c) => {
        c.page('Orphan', '<img src="a.png">', { outside: true, path: 'o.html' });
        c.file('a.png', 'x');
      },
      isBlocked: true,
      subjects: [['a.png']],
      expect: ([f]) => {
        expect(f!.remedy!.kind).toBe('judgement');
        expect(f!.evidence).toContainEqual(
          expect.objectContaining({ label: 'Used by', value: 'Orphan, which nobody can reach' }),
        );
      },
    },
    {
      name: 'two orphans that name each other only',
      build: (c) => {
        c.file('a.css', '@import "b.css";');
        c.file('b.css', '@import "a.css";');
      },
      isBlocked: true,
      subjects: [['a.css'], ['b.css']],
    },
    {
      name: 'named in a comment only',
      build: (c) =>
        void [c.page('P', '<p>x</p><!-- <img src="a.png"> -->', { path: 'p.html' }), c.file('a.png', 'x')],
      subjects: [['a.png']],
    },
    {
      name: 'a home page that is not in use shows it',
      build: (c) => {
        c.page('Home', '<img src="a.png">', { outside: true, path: 'h.html' });
        c.file('a.png', 'x');
        const shell = c.shell();
        return {
          items: shell.items.map((i) => ({ ...i, kind: 'home-page' as const })),
          homePages: [{ ref: shell.items[0]!.ref, title: 'Home', inUse: false }],
        };
      },
      isBlocked: true,
      subjects: [['a.png']],
    },
  ],
  silent: [
    {
      name: 'through a chain of style sheets',
      build: (c) => {
        c.page('P', '<link rel="stylesheet" href="css/a.css">', { path: 'p.html' });
        c.file('css/a.css', '@import url("b.css");');
        c.file('css/b.css', 'h1{background:url(../img/c.png)}');
        c.file('img/c.png', 'x');
      },
    },
    {
      name: 'a hidden page counts as placed',
      build: (c) =>
        void [c.page('P', '<img src="a.png">', { path: 'p.html', shown: false }), c.file('a.png', 'x')],
    },
    {
      name: 'an activity outside the outline',
      build: (c) =>
        void [
          c.discussion('D', '<img src="$IMS-CC-FILEBASE$/a.png">', { outside: true }),
          c.file('a.png', 'x'),
        ],
    },
    {
      name: 'shown by the outline itself',
      build: (c) => void [c.file('a.pdf', 'x'), c.fileItem('A', 'a.pdf')],
    },
    {
      name: 'a page that depends on it',
      build: (c) => void [c.page('P', '<p>x</p>', { ref: 'p' }), c.file('a.js', 'x'), c.depends('p', 'a.js')],
    },
    {
      name: 'another spelling of its name',
      build: (c) =>
        void [c.page('P', '<img src="My%20Pic.PNG">', { path: 'p.html' }), c.file('my pic.png', 'x')],
    },
    {
      name: 'a vendor’s settings name it',
      build: (c) =>
        void [
          c.foreign('vendor/thing', 'vendor/s.xml', '<s>&lt;img src="../a.png"&gt;</s>'),
          c.file('a.png', 'x'),
        ],
    },
    {
      name: 'a picture for a second size only',
      build: (c) =>
        void [
          c.page('P', '<img src="a.png" srcset="a.png 1x, b.png 2x">', { path: 'p.html' }),
          c.file('a.png', 'x'),
          c.file('b.png', 'y'),
        ],
    },
  ],
});
