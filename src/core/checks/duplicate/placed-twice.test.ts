import { checkCases } from '../__tests__/check-cases';
import { placedTwice } from './placed-twice';

checkCases(placedTwice, {
  fires: [
    {
      name: 'a page',
      build: (c) => {
        c.page('P', '<p>x</p>', { ref: 'a' });
        c.placeAgain('a', 'P', { ref: 'b' });
      },
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f).toMatchObject({ urgency: 'tidy', remedy: null }),
    },
    {
      name: 'under another title',
      build: (c) => {
        c.page('P', '<p>x</p>', { ref: 'a' });
        c.placeAgain('a', 'Q', { ref: 'b' });
      },
      subjects: [['a', 'b']],
    },
    {
      name: 'three places',
      build: (c) => {
        c.page('P', '<p>x</p>', { ref: 'a' });
        c.placeAgain('a', 'P', { ref: 'b' });
        c.placeAgain('a', 'P', { ref: 'd' });
      },
      subjects: [['a', 'b', 'd']],
    },
    {
      name: 'a file',
      build: (c) => {
        c.file('f.pdf', 'x');
        c.fileItem('F', 'f.pdf', { ref: 'a' });
        c.fileItem('F', 'f.pdf', { ref: 'b' });
      },
      subjects: [['a', 'b']],
    },
    {
      name: 'in two modules, one hidden',
      build: (c) => {
        c.page('P', '<p>x</p>', { ref: 'a', parent: c.module('M') });
        c.placeAgain('a', 'P', { ref: 'b', parent: c.module('N', { shown: false }) });
      },
      subjects: [['a', 'b']],
    },
    {
      name: 'a quiz',
      build: (c) => {
        c.quiz('Q', [{ stem: 'x', answers: ['a'], right: 0, points: 1 }], { ref: 'a' });
        c.placeAgain('a', 'Q', { ref: 'b' });
      },
      subjects: [['a', 'b']],
    },
  ],
  silent: [
    {
      name: 'two resources that say the same',
      build: (c) => {
        for (const ref of ['a', 'b']) c.page('P', '<p>x</p>', { ref });
      },
    },
    { name: 'once', build: (c) => void c.page('P', '<p>x</p>') },
    {
      name: 'two modules of one name',
      build: (c) => {
        c.module('M');
        c.module('M');
      },
    },
    {
      name: 'linked from another page',
      build: (c) => {
        c.page('P', '<p>x</p>', { path: 'p.html' });
        c.page('Q', '<a href="p.html">x</a>', { path: 'q.html' });
      },
    },
    {
      name: 'headings',
      build: (c) => {
        c.heading('H');
        c.heading('H');
      },
    },
    { name: 'outside the outline', build: (c) => void c.page('P', '<p>x</p>', { outside: true }) },
  ],
});
