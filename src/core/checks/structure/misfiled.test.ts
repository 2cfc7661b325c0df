import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { labelOfItem, misfiled } from './misfiled';

/** Four weeks, and a page of the given title in one of them. */
const inWeek =
  (n: number, title: string, word = 'Week') =>
  (c: ShellComposer) => {
    for (const k of [1, 2, 3, 4]) {
      const m = c.module(`${word} ${k}`, { ref: `w${k}` });
      c.page('Text', `<p>${k}</p>`, { parent: m });
      if (k === n) c.page(title, '<p>x</p>', { parent: m, ref: 'p' });
    }
  };

checkCases(misfiled, {
  fires: [
    {
      name: 'Week 3 quiz in Week 2',
      build: inWeek(2, 'Week 3 quiz'),
      subjects: [['p']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 'move',
          params: { places: { p: 'w3' } },
          kind: 'judgement',
        }),
    },
    { name: 'a short spelling', build: inWeek(2, 'Wk 4: notes'), subjects: [['p']] },
    { name: 'set apart at the end', build: inWeek(1, 'Field sheet, week 3'), subjects: [['p']] },
    { name: 'in brackets at the end', build: inWeek(1, 'Notes (Week 2)'), subjects: [['p']] },
    { name: 'Roman', build: inWeek(1, 'Unit IV overview', 'Unit'), subjects: [['p']] },
    {
      name: 'deeper inside',
      build: (c) => {
        inWeek(1, 'Intro')(c);
        const f = c.module('Field', { parent: 'w2' });
        c.page('Week 4 tally', '<p>x</p>', { parent: f, ref: 'q' });
      },
      subjects: [['q']],
    },
  ],
  silent: [
    { name: 'at home', build: inWeek(3, 'Week 3 quiz') },
    { name: 'no such module', build: inWeek(2, 'Week 9 preview') },
    { name: 'another word', build: inWeek(2, 'Unit 3 quiz') },
    { name: 'looks ahead', build: inWeek(2, 'Before Week 3') },
    { name: 'a range that takes it in', build: inWeek(3, 'Weeks 2–4: project') },
    { name: 'two weeks in one', build: inWeek(2, 'Week 1 and 2 recap') },
    { name: 'part of the week: 2.3', build: inWeek(2, 'Week 4.1') },
  ],
});

test.each([
  ['Week 3', 'week 3'],
  ['Notes – unit 2', 'unit 2'],
  ['In week 3', null],
  ['3. Flow', null],
])('%s names %s', (title, says) => {
  const label = labelOfItem(title);
  expect(label && `${label.label} ${label.numbers.join('.')}`).toBe(says);
});
