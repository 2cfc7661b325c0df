import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { mixedNaming } from './mixed-naming';

const modules =
  (...titles: string[]) =>
  (c: ShellComposer) =>
    titles.forEach((t, k) => void c.page('P', `<p>${k}</p>`, { parent: c.module(t, { ref: `m${k + 1}` }) }));

checkCases(mixedNaming, {
  fires: [
    {
      name: 'Week, Wk and W',
      build: modules('Week 1', 'Week 2: Flow', 'Wk 3: Bed', 'W4'),
      subjects: [['m3', 'm4']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 'rename',
          params: { titles: { m3: 'Week 3: Bed', m4: 'Week 4' } },
        }),
    },
    {
      name: 'figures and Roman',
      build: modules('Unit 1', 'Unit 2', 'Unit III'),
      subjects: [['m3']],
      expect: ([f]) => expect(f!.remedy!.params.titles).toEqual({ m3: 'Unit 3' }),
    },
    {
      name: 'with and without a nought',
      build: modules('Week 01', 'Week 02', 'Week 3'),
      subjects: [['m3']],
      expect: ([f]) => expect(f!.remedy!.params.titles).toEqual({ m3: 'Week 03' }),
    },
    {
      name: 'beside capitals: most are named in one way, whatever their case',
      build: modules('WEEK 1', 'Week 2', 'Wk 3', 'week 4', 'Wk 5', 'Week 6'),
      subjects: [['m3', 'm5']],
      expect: ([f]) => expect(f!.remedy!.params.titles).toEqual({ m3: 'Week 3', m5: 'Week 5' }),
    },
    {
      name: 'a number spelled out',
      build: modules('Module 1', 'Module 2', 'Module three'),
      subjects: [['m3']],
    },
    { name: 'Ch. and Chapter', build: modules('Chapter 1', 'Chapter 2', 'Ch 3'), subjects: [['m3']] },
  ],
  silent: [
    { name: 'capitals alone', build: modules('WEEK 1', 'Week 2', 'week 3') },
    { name: 'all alike', build: modules('Week 1', 'Week 2', 'Week 10') },
    { name: 'noughts up to nine', build: modules('Week 08', 'Week 09', 'Week 10', 'Week 11') },
    { name: 'a plural', build: modules('Week 1', 'Weeks 2–3', 'Week 4') },
    { name: 'other words are another series', build: modules('Week 1', 'Week 2', 'Unit 1', 'Unit 2') },
    { name: 'one alone', build: modules('Wk 1', 'Project') },
    { name: 'what stands behind the number may differ', build: modules('Week 1: A', 'Week 2 – B', 'Week 3') },
  ],
});
