import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { tailBlock } from './tail-block';

const weeks = (c: ShellComposer, batch: string | null = 'first') =>
  [1, 2, 3, 4].forEach(
    (n) => void c.page('P', `<p>${n}</p>`, { parent: c.module(`Week ${n}`, { ref: `w${n}`, batch }), batch }),
  );
const loose = (c: ShellComposer, batch: string | null, ...titles: string[]) =>
  titles.forEach((t, k) => void c.page(t, `<p>loose ${t}</p>`, { ref: `x${k + 1}`, batch }));

checkCases(tailBlock, {
  fires: [
    {
      name: 'items that repeat the numbers',
      build: (c) => {
        weeks(c);
        loose(c, 'second', 'Week 2 quiz', 'Week 3 quiz');
      },
      subjects: [['x1', 'x2']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({ action: 'move', params: { places: { x1: 'w2', x2: 'w3' } } }),
    },
    {
      name: 'modules that repeat the numbers',
      build: (c) => {
        weeks(c);
        for (const n of [2, 3])
          c.page('Q', `<p>again ${n}</p>`, { parent: c.module(`Week ${n}`, { ref: `v${n}` }) });
      },
      subjects: [['v2', 'v3']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({ action: 'merge', params: { with: { v2: 'w2', v3: 'w3' } } }),
    },
    {
      name: 'a block of one import',
      build: (c) => {
        weeks(c);
        loose(c, 'second', 'Flow', 'Bed', 'Bank');
      },
      subjects: [['x1', 'x2', 'x3']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'numbers set apart at the end',
      build: (c) => {
        weeks(c, null);
        loose(c, null, 'Quiz (week 4)');
      },
      subjects: [['x1']],
    },
    {
      name: 'numbered ones and a block are two findings',
      build: (c) => {
        weeks(c);
        loose(c, 'second', 'Week 1 quiz', 'Flow', 'Bed', 'Bank');
      },
      subjects: [['x1'], ['x2', 'x3', 'x4']],
    },
    {
      name: 'behind a module of another name',
      build: (c) => {
        weeks(c);
        c.page('P', '<p>p</p>', { parent: c.module('Project') });
        loose(c, 'second', 'Week 2 quiz');
      },
      subjects: [['x1']],
    },
    {
      name: 'a block in a module that came in the same import',
      build: (c) => {
        weeks(c);
        const brought = c.module('Brought in', { batch: 'second' });
        for (const n of [1, 2, 3])
          c.page(`Page ${n}`, `<p>brought ${n}</p>`, { ref: `b${n}`, parent: brought, batch: 'second' });
      },
      subjects: [['b1', 'b2', 'b3']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'a block that begins loose and goes on in a module of the same import',
      build: (c) => {
        weeks(c);
        loose(c, 'second', 'Flow', 'Bed');
        c.page('Bank', '<p>b</p>', {
          ref: 'x3',
          parent: c.module('Brought in', { batch: 'second' }),
          batch: 'second',
        });
      },
      subjects: [['x1', 'x2', 'x3']],
    },
    {
      name: 'inside a part of the course',
      build: (c) => {
        const part = c.module('Part A');
        for (const n of [1, 2, 3])
          c.page('P', `<p>${n}</p>`, { parent: c.module(`Unit ${n}`, { ref: `u${n}`, parent: part }) });
        c.page('Unit 2 quiz', '<p>q</p>', { parent: part, ref: 'q' });
      },
      subjects: [['q']],
    },
  ],
  silent: [
    { name: 'nothing behind the series', build: (c) => weeks(c) },
    {
      name: 'two of another import',
      build: (c) => {
        weeks(c);
        loose(c, 'second', 'Flow', 'Bed');
      },
    },
    {
      name: 'of the series’ own import',
      build: (c) => {
        weeks(c);
        loose(c, 'first', 'Flow', 'Bed', 'Bank');
      },
    },
    {
      name: 'before the series',
      build: (c) => {
        loose(c, 'second', 'Week 2 preview', 'Hello', 'There', 'You');
        weeks(c);
      },
    },
    {
      name: 'a number that the series does not have',
      build: (c) => {
        weeks(c);
        loose(c, null, 'Week 9 quiz');
      },
    },
    {
      name: 'two modules are no series',
      build: (c) => {
        for (const n of [1, 2]) c.page('P', `<p>${n}</p>`, { parent: c.module(`Week ${n}`) });
        loose(c, null, 'Week 1 quiz');
      },
    },
    {
      name: 'three in a module that stood there before them',
      build: (c) => {
        weeks(c);
        const project = c.module('Project', { batch: 'first' });
        for (const n of [1, 2, 3]) c.page(`Step ${n}`, `<p>${n}</p>`, { parent: project, batch: 'second' });
      },
    },
    {
      name: 'modules of another name',
      build: (c) => {
        weeks(c);
        c.page('P', '<p>p</p>', { parent: c.module('Project', { batch: 'second' }) });
      },
    },
  ],
});
