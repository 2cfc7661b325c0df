import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases, type FiringCase, type SilentCase } from '../__tests__/check-cases';
import { otherCourse } from './other-course';

const code = 'HYD 214';
const titled = (title: string) => (c: ShellComposer) => {
  c.page(title, '<p>x</p>', { ref: 'p' });
  return { code };
};
const fires = (title: string): FiringCase => ({ name: title, build: titled(title), subjects: [['p']] });
const silent = (title: string): SilentCase => ({ name: title, build: titled(title) });
const body = (html: string) => (c: ShellComposer) => {
  c.page('Rules', html, { ref: 'p' });
  return { code };
};

checkCases(otherCourse, {
  fires: [
    ...[
      'GEO 130 Lab rules',
      'Welcome to BIO355',
      'Lab rules (GEO-130)',
      'HYD 215: Floods',
      'CHE 101',
      'Syllabus BIO 355',
      'Week 1 of GEO 130',
      'MAT 120 and you',
      'Quiz 1, PHY 201',
      'Project – ENV 330',
    ].map(fires),
    {
      name: 'a file’s name',
      build: (c) => {
        c.file('docs/GEO130_map.pdf', 'x');
        return { code };
      },
      subjects: [['docs/GEO130_map.pdf']],
    },
    {
      name: 'the first heading of a page',
      build: body('<h1>GEO 130: Reading maps</h1><p>Text.</p>'),
      subjects: [['p']],
    },
    {
      name: 'a code without a space in the shell',
      build: (c) => {
        titled('GEO 130')(c);
        return { code: 'HYD214' };
      },
      subjects: [['p']],
    },
    {
      name: 'a longer code',
      build: (c) => {
        titled('GEOL 1300')(c);
        return { code: 'HYDR-2140' };
      },
      subjects: [['p']],
    },
    {
      name: 'two of one import: the import is meant',
      build: (c) => {
        for (let n = 1; n <= 6; n += 1) c.page(`Own ${n}`, `<p>${n}</p>`, { ref: `own${n}` });
        for (const n of [1, 2])
          c.page(`GEO 130 part ${n}`, `<p>geo ${n}</p>`, { ref: `x${n}`, batch: 'wrong' });
        c.page('Extra', '<p>e</p>', { ref: 'x3', batch: 'wrong' });
        return { code };
      },
      subjects: [['x1', 'x2', 'x3']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({ action: 'delete', targets: ['x1', 'x2', 'x3'], kind: 'judgement' }),
    },
    {
      name: 'two of the shell’s main import: only they are meant',
      build: (c) => {
        for (const n of [1, 2])
          c.page(`GEO 130 part ${n}`, `<p>geo ${n}</p>`, { ref: `x${n}`, batch: 'main' });
        c.page('Own', '<p>e</p>', { batch: 'main' });
        return { code };
      },
      subjects: [['x1', 'x2']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
  ],
  silent: [
    ...[
      'HYD 214 Lab rules',
      'HYD214',
      'Week 130',
      'RFC 793 in short',
      'ISO 748 and the current meter',
      'Prerequisite: GEO 130',
      'See also BIO 355',
      'Stream 214',
      'Lab 101',
      'GEOL 130',
      'GEO 1300',
      'Room LAB 101',
      'Sampling 300 stones',
      'Transfer from GEO 130',
      'EPA 440 method',
    ].map(silent),
    { name: 'in running text', build: body('<p>Who took GEO 130 knows this.</p>') },
    { name: 'in a later heading', build: body('<h1>Rules</h1><h2>For GEO 130</h2>') },
    {
      name: 'a picture’s name',
      build: (c) => {
        c.file('IMG_123.png', 'x');
        return { code };
      },
    },
    { name: 'the shell has no code', build: (c) => void c.page('GEO 130', '<p>x</p>') },
  ],
});
