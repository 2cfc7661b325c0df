import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { numberRepeat } from './number-repeat';

const modules =
  (...titles: string[]) =>
  (c: ShellComposer) =>
    titles.forEach((t, k) => void c.page('P', `<p>${k}</p>`, { parent: c.module(t, { ref: `m${k + 1}` }) }));
const pages =
  (...titles: string[]) =>
  (c: ShellComposer) => {
    const m = c.module('M');
    titles.forEach((t, k) => c.page(t, `<p>${k}</p>`, { parent: m, ref: `p${k + 1}` }));
  };

checkCases(numberRepeat, {
  fires: [
    {
      name: 'two modules Week 4',
      build: modules('Week 3', 'Week 4: A', 'Week 4: B'),
      subjects: [['m2', 'm3']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    { name: 'in two spellings', build: modules('Unit 2', 'Unit II'), subjects: [['m1', 'm2']] },
    { name: 'three times', build: modules('Week 1', 'Week 1', 'Week 1'), subjects: [['m1', 'm2', 'm3']] },
    {
      name: 'two numbers twice are two findings',
      build: modules('Week 1', 'Week 1', 'Week 2', 'Week 2'),
      subjects: [
        ['m1', 'm2'],
        ['m3', 'm4'],
      ],
    },
    {
      name: 'among five pages one repeats',
      build: pages('Lab 1', 'Lab 2', 'Lab 2', 'Lab 3', 'Lab 4'),
      subjects: [['p2', 'p3']],
    },
    {
      name: 'numbers of two places',
      build: pages('Lesson 1.1', 'Lesson 1.2', 'Lesson 1.2', 'Lesson 1.3', 'Lesson 1.4'),
      subjects: [['p2', 'p3']],
    },
  ],
  silent: [
    { name: 'each once', build: modules('Week 1', 'Week 2', 'Week 3') },
    {
      name: 'half of the pages repeat: several things belong to each week',
      build: pages('Week 1 text', 'Week 1 task', 'Week 2 text', 'Week 2 task'),
    },
    { name: 'two pages are no series', build: pages('Lab 1 sheet', 'Lab 1 report') },
    { name: 'other words', build: modules('Week 1', 'Unit 1') },
    { name: '2 and 2.1', build: modules('Unit 2', 'Unit 2.1') },
    {
      name: 'in different modules',
      build: (c) => void ['a', 'b'].forEach((m) => c.page('Lab 1', `<p>${m}</p>`, { parent: c.module(m) })),
    },
  ],
});
