import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { numberGap } from './number-gap';

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

checkCases(numberGap, {
  fires: [
    {
      name: 'Week 5 is missing',
      build: modules('Week 3', 'Week 4', 'Week 6'),
      subjects: [['m2', 'm3']],
      expect: ([f]) =>
        expect(f).toMatchObject({
          urgency: 'tidy',
          remedy: null,
          title: 'Week 5 is missing between “Week 4” and “Week 6”',
        }),
    },
    {
      name: 'two are missing',
      build: modules('Week 1', 'Week 2', 'Week 5', 'Week 6'),
      subjects: [['m2', 'm3']],
      expect: ([f]) => expect(f!.title).toMatch(/3, 4 are missing/),
    },
    {
      name: 'two gaps',
      build: modules('Unit 1', 'Unit 3', 'Unit 4', 'Unit 6'),
      subjects: [
        ['m1', 'm2'],
        ['m3', 'm4'],
      ],
    },
    { name: 'out of order, too', build: modules('Week 4', 'Week 1', 'Week 2'), subjects: [['m1', 'm3']] },
    { name: 'among pages', build: pages('Lab 1', 'Lab 2', 'Lab 4'), subjects: [['p2', 'p3']] },
    {
      name: 'in the second place',
      build: pages('Lesson 2.1', 'Lesson 2.2', 'Lesson 2.4'),
      subjects: [['p2', 'p3']],
    },
  ],
  silent: [
    { name: 'none missing', build: modules('Week 1', 'Week 2', 'Week 3') },
    { name: 'begins with two', build: modules('Week 2', 'Week 3') },
    { name: 'chapters to read', build: pages('Chapter 2', 'Chapter 7', 'Chapter 12') },
    { name: 'two pages are no series', build: pages('Lab 1', 'Lab 3') },
    { name: 'from 1.3 to 2.1', build: pages('Lesson 1.2', 'Lesson 1.3', 'Lesson 2.1') },
    {
      name: 'half of the pages repeat',
      build: pages('Week 1 text', 'Week 1 task', 'Week 3 text', 'Week 3 task'),
    },
  ],
});
