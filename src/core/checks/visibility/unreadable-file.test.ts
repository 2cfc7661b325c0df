import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { unreadableFile } from './unreadable-file';

const staff = { readableBy: 'staff' as const };
const page =
  (html: string, over: object = {}) =>
  (c: ShellComposer) =>
    void c.page('P', html, { ref: 'p', path: 'p.html', ...over });
const build =
  (html: string, over: object = {}, who: object = staff) =>
  (c: ShellComposer) => {
    page(html, over)(c);
    c.file('d/a.csv', 'x', who);
  };

checkCases(unreadableFile, {
  fires: [
    {
      name: 'linked',
      build: build('<a href="d/a.csv">data</a>'),
      subjects: [['d/a.csv']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'file-access', params: { readers: 'all' } }),
    },
    { name: 'a picture', build: build('<img src="d/a.csv" alt="">'), subjects: [['d/a.csv']] },
    {
      name: 'placed',
      build: (c) => {
        c.file('a.pdf', 'x', staff);
        c.fileItem('A', 'a.pdf');
      },
      subjects: [['a.pdf']],
    },
    {
      name: 'through a style sheet',
      build: (c) => {
        page('<link rel="stylesheet" href="s.css">')(c);
        c.file('s.css', 'h1{background:url(b.png)}');
        c.file('b.png', 'x', staff);
      },
      subjects: [['b.png']],
    },
    {
      name: 'from an assignment',
      build: (c) => {
        c.assignment('A', '<a href="$IMS-CC-FILEBASE$/a.csv">d</a>', 5);
        c.file('a.csv', 'x', staff);
      },
      subjects: [['a.csv']],
    },
    {
      name: 'needed by two',
      build: (c) => {
        build('<a href="d/a.csv">1</a>')(c);
        c.page('Q', '<a href="d/a.csv">2</a>', { path: 'q.html' });
      },
      subjects: [['d/a.csv']],
      expect: ([f]) => expect(f!.title).toMatch(/2 items need it/),
    },
  ],
  silent: [
    { name: 'readable by all', build: build('<a href="d/a.csv">d</a>', {}, { readableBy: 'all' }) },
    { name: 'nobody told', build: build('<a href="d/a.csv">d</a>', {}, {}) },
    { name: 'a hidden page uses it', build: build('<a href="d/a.csv">d</a>', { shown: false }) },
    { name: 'nothing uses it', build: build('<p>x</p>') },
    {
      name: 'placed and hidden',
      build: (c) => {
        c.file('a.pdf', 'x', staff);
        c.fileItem('A', 'a.pdf', { shown: false });
      },
    },
    {
      name: 'only a page outside the outline uses it',
      build: (c) => {
        c.page('P', '<a href="a.csv">d</a>', { outside: true, path: 'p.html' });
        c.file('a.csv', 'x', staff);
      },
    },
  ],
});
