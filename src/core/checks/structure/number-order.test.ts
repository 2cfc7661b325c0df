import { hand, runWritten } from '@/core/plan/__tests__/written-plans';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases, shellFrom } from '../__tests__/check-cases';
import { numberOrder } from './number-order';

/** Modules with a page each, called by the titles' first letters and numbers. */
const modules =
  (...titles: string[]) =>
  (c: ShellComposer) =>
    titles.forEach(
      (t, k) => void c.page('P', `<p>${k} of its own</p>`, { parent: c.module(t, { ref: `m${k + 1}` }) }),
    );
const refs = (...ns: number[]) => ns.map((n) => `m${n}`);

checkCases(numberOrder, {
  fires: [
    {
      name: 'sorted by the alphabet',
      build: modules('Week 1', 'Week 10', 'Week 11', 'Week 2', 'Week 3'),
      subjects: [refs(1, 2, 3, 4, 5)],
      expect: ([f]) => {
        expect(f!.title).toMatch(/alphabetical order/);
        expect(f!.remedy).toMatchObject({ action: 'sort', targets: refs(1, 4, 5, 2, 3), kind: 'safe' });
      },
    },
    { name: 'two exchanged', build: modules('Unit 1', 'Unit 3', 'Unit 2'), subjects: [refs(1, 2, 3)] },
    { name: 'Roman', build: modules('Chapter IX', 'Chapter V', 'Chapter X'), subjects: [refs(1, 2, 3)] },
    {
      name: 'numbers of two places',
      build: (c) => {
        const m = c.module('M');
        for (const n of ['2.1', '2.10', '2.2']) c.page(`Lesson ${n}`, `<p>${n}</p>`, { ref: n, parent: m });
      },
      subjects: [['2.1', '2.10', '2.2']],
      expect: ([f]) => expect(f!.remedy!.targets).toEqual(['2.1', '2.2', '2.10']),
    },
    {
      name: 'a stranger between them stays where it is',
      build: modules('Week 2', 'Project', 'Week 1'),
      subjects: [refs(1, 3)],
    },
    {
      name: 'headings take along what is below them',
      build: (c) => {
        const m = c.module('M');
        for (const n of [2, 1]) {
          c.heading(`Session ${n}`, { ref: `h${n}`, parent: m });
          c.page('Text', `<p>text ${n}</p>`, { parent: m, ref: `t${n}` });
        }
      },
      subjects: [['h2', 'h1']],
    },
    {
      name: 'numbers without a word',
      build: modules('2. Flow', '1. Start', '3. End'),
      subjects: [refs(1, 2, 3)],
    },
  ],
  silent: [
    { name: 'in order', build: modules('Week 1', 'Week 2', 'Week 10') },
    { name: 'a gap is no disorder', build: modules('Week 1', 'Week 3', 'Week 7') },
    { name: 'a number that comes again later', build: modules('Week 1', 'Week 2', 'Week 3', 'Week 2 extra') },
    { name: 'two series side by side', build: modules('Unit 3', 'Week 1', 'Unit 4', 'Week 2') },
    {
      name: 'in different modules',
      build: (c) =>
        void [3, 1].forEach((n) => c.page(`Lab ${n}`, `<p>${n}</p>`, { parent: c.module(`M${n}`) })),
    },
    { name: 'one alone', build: modules('Week 3', 'Project') },
    {
      name: 'an import that came again',
      build: (c) => {
        for (const copy of ['', '-b'])
          for (const n of [1, 2, 3, 4, 5])
            c.page('P', `<p>Five words of page number ${n}</p>`, {
              parent: c.module(`Week ${n}`, { ref: `w${n}${copy}` }),
              ref: `p${n}${copy}`,
            });
      },
    },
  ],
});

test('sorting headings moves their items along', () => {
  const shell = shellFrom((c) => {
    const m = c.module('M', { ref: 'm' });
    for (const n of [2, 1]) {
      c.heading(`Session ${n}`, { ref: `h${n}`, parent: m });
      c.page('Text', `<p>text ${n}</p>`, { parent: m, ref: `t${n}` });
    }
  });
  const { after } = runWritten(shell, [hand('sort', ['h1', 'h2'])]);
  expect(after.items.map((i) => i.ref)).toEqual(['m', 'h1', 't1', 'h2', 't2']);
});
