import { checkCases } from '../__tests__/check-cases';
import { singleItemFolder } from './single-item-folder';

checkCases(singleItemFolder, {
  fires: [
    {
      name: 'one page',
      build: (c) => {
        c.module('M', { ref: 'm' });
        c.module('F', { ref: 'f', parent: 'm' });
        c.page('P', '<p>x</p>', { parent: 'f', ref: 'p' });
        c.page('Q', '<p>y</p>', { parent: 'm' });
      },
      subjects: [['f']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({ action: 'lift-out', targets: ['p'], kind: 'judgement' }),
    },
    {
      name: 'one file',
      build: (c) => {
        c.module('M', { ref: 'm' });
        c.module('F', { ref: 'f', parent: 'm' });
        c.file('a.pdf', 'x');
        c.fileItem('A', 'a.pdf', { parent: 'f' });
      },
      subjects: [['f']],
    },
    {
      name: 'two folders with one item each',
      build: (c) => {
        c.module('M', { ref: 'm' });
        for (const n of [1, 2])
          c.page('P', `<p>${n}</p>`, { parent: c.module(`F${n}`, { ref: `f${n}`, parent: 'm' }) });
      },
      subjects: [['f1'], ['f2']],
    },
    {
      name: 'a folder in a folder',
      build: (c) => {
        c.module('M', { ref: 'm' });
        c.module('F', { ref: 'f', parent: 'm' });
        c.module('G', { ref: 'g', parent: 'f' });
        for (const n of [1, 2]) c.page('P', `<p>${n}</p>`, { parent: 'g' });
      },
      subjects: [['f']],
    },
    {
      name: 'hidden',
      build: (c) => {
        c.module('M', { ref: 'm' });
        c.module('F', { ref: 'f', parent: 'm', shown: false });
        c.quiz('Q', [{ stem: 'x', answers: ['a'], right: 0, points: 1 }], { parent: 'f' });
      },
      subjects: [['f']],
    },
    {
      name: 'among others',
      build: (c) => {
        c.module('M', { ref: 'm' });
        c.page('A', '<p>a</p>', { parent: 'm' });
        c.module('F', { ref: 'f', parent: 'm' });
        c.page('P', '<p>x</p>', { parent: 'f' });
        c.page('B', '<p>b</p>', { parent: 'm' });
      },
      subjects: [['f']],
    },
  ],
  silent: [
    { name: 'at the top level', build: (c) => void c.page('P', '<p>x</p>', { parent: c.module('M') }) },
    {
      name: 'two items',
      build: (c) => {
        c.module('M', { ref: 'm' });
        c.module('F', { ref: 'f', parent: 'm' });
        for (const n of [1, 2]) c.page('P', `<p>${n}</p>`, { parent: 'f' });
      },
    },
    { name: 'empty', build: (c) => void c.module('F', { parent: c.module('M') }) },
    {
      name: 'only a heading',
      build: (c) => void c.heading('H', { parent: c.module('F', { parent: c.module('M') }) }),
    },
    { name: 'no folder inside', build: (c) => void c.page('P', '<p>x</p>', { parent: c.module('M') }) },
    { name: 'a page outside the outline', build: (c) => void c.page('P', '<p>x</p>', { outside: true }) },
  ],
});
