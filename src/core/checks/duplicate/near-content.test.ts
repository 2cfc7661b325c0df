import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { nearContent } from './near-content';

const words =
  'the stage of a stream is read at the gauge in the morning and again before dusk since the sun warms the snow above and the water comes down with some hours of delay so that a reading at noon tells nothing of the day'.split(
    ' ',
  );
const text = (...change: [number, string][]) => {
  const changed = [...words];
  for (const [at, word] of change) changed[at] = word;
  return changed.join(' ');
};
const pages =
  (...texts: string[]) =>
  (c: ShellComposer) =>
    texts.forEach((t, k) => void c.page(`P${k + 1}`, `<p>${t}</p>`, { ref: `p${k + 1}` }));
const two = [['p1', 'p2']];

checkCases(nearContent, {
  fires: [
    {
      name: 'one word at the end',
      build: pages(text(), text([44, 'week'])),
      subjects: two,
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    { name: 'a word in the middle', build: pages(text(), text([20, 'light'])), subjects: two },
    {
      name: 'a sentence more',
      build: pages(text(), `${text()} Ask the technician for the list`),
      subjects: two,
    },
    {
      name: 'other markup and another word',
      build: (c) => {
        c.page('P1', `<p>${text()}</p>`, { ref: 'p1' });
        c.page('P2', `<div><b>${text([44, 'week'])}</b></div>`, { ref: 'p2' });
      },
      subjects: two,
    },
    {
      name: 'the same words, another link',
      build: (c) => {
        for (const n of [1, 2])
          c.page(`P${n}`, `<p>${text()}</p><a href="https://x.example/${n}">x</a>`, { ref: `p${n}` });
      },
      subjects: two,
    },
    {
      name: 'a chain of three is one finding',
      build: pages(text(), text([0, 'one']), text([0, 'one'], [44, 'week'])),
      subjects: [['p1', 'p2', 'p3']],
    },
    {
      name: 'two assignments',
      build: (c) => {
        for (const n of [0, 44]) c.assignment(`A${n}`, `<p>${text([n, 'any'])}</p>`, 10, { ref: `a${n}` });
      },
      subjects: [['a0', 'a44']],
    },
    {
      name: 'two quizzes',
      build: (c) => {
        for (const n of [0, 44])
          c.quiz(`Q${n}`, [{ stem: text([n, 'any']), answers: ['yes', 'no'], right: 0, points: 1 }], {
            ref: `q${n}`,
          });
      },
      subjects: [['q0', 'q44']],
    },
    {
      name: 'outside the outline',
      build: (c) => {
        c.page('P1', `<p>${text()}</p>`, { ref: 'p1' });
        c.page('P2', `<p>${text([44, 'week'])}</p>`, { outside: true });
      },
      subjects: [['p1', 'resource:r2']],
    },
    {
      name: 'what is equal stands beside its equal',
      build: pages(text(), text(), text([44, 'week'])),
      subjects: [['p1', 'p2', 'p3']],
    },
    {
      name: 'capitals and punctuation aside',
      build: pages(text(), `${text([44, 'week']).toUpperCase().split(' ').join(', ')}!`),
      subjects: two,
    },
    {
      name: 'thirty words',
      build: pages(words.slice(0, 30).join(' '), `${words.slice(0, 29).join(' ')} day`),
      subjects: two,
    },
    {
      name: 'words of other alphabets',
      build: pages(
        words.map((w) => `ö${w}`).join(' '),
        [...words.slice(0, -1), 'x'].map((w) => `ö${w}`).join(' '),
      ),
      subjects: two,
    },
    {
      name: 'a looser rule of the house',
      build: pages(text(), text([10, 'a1'], [20, 'b1'], [30, 'c1'])),
      subjects: two,
      rules: {
        checks: {
          ...defaultHouseRules(allChecks).checks,
          'duplicate.near-content': { similarity: 0.5, words: 30 },
        },
      },
    },
    {
      name: 'two pairs are two findings',
      build: pages(
        text(),
        text([44, 'week']),
        words.map((w) => `x${w}`).join(' '),
        [...words.slice(0, -1), 'y'].map((w) => `x${w}`).join(' '),
      ),
      subjects: [
        ['p1', 'p2'],
        ['p3', 'p4'],
      ],
    },
  ],
  silent: [
    { name: 'equal', build: pages(text(), text()) },
    {
      name: 'other words in four places',
      build: pages(text(), text([6, 'a1'], [16, 'b1'], [26, 'c1'], [36, 'd1'])),
    },
    { name: 'the same words in another order', build: pages(text(), [...words].reverse().join(' ')) },
    {
      name: 'twenty-nine words',
      build: pages(words.slice(0, 29).join(' '), `${words.slice(0, 28).join(' ')} day`),
    },
    { name: 'one of them short', build: pages(text(), words.slice(0, 25).join(' ')) },
    {
      name: 'a page and an assignment',
      build: (c) => {
        c.page('P', `<p>${text()}</p>`);
        c.assignment('A', `<p>${text([44, 'week'])}</p>`, 5);
      },
    },
    {
      name: 'one resource in two places',
      build: (c) => {
        c.page('P1', `<p>${text()}</p>`, { ref: 'p1' });
        c.placeAgain('p1', 'P1');
      },
    },
    {
      name: 'a part of a longer one',
      build: pages(text(), `${text()} ${words.map((w) => `y${w}`).join(' ')}`),
    },
    { name: 'nothing in common', build: pages(text(), words.map((w) => `z${w}`).join(' ')) },
    { name: 'empty', build: pages('', '') },
    {
      name: 'web links',
      build: (c) => {
        for (const n of [1, 2]) c.webLink(`L${n}`, `https://x.example/${n}`);
      },
    },
    {
      name: 'only the titles are alike',
      build: (c) => {
        c.page('Stage', `<p>${text()}</p>`);
        c.page('Stage', `<p>${words.map((w) => `z${w}`).join(' ')}</p>`);
      },
    },
    {
      name: 'scripts do not count',
      build: pages(`short<script>${text()}</script>`, `brief<script>${text([44, 'week'])}</script>`),
    },
    {
      name: 'the same vocabulary',
      build: pages(
        text(),
        [...words.slice(22), ...words.slice(0, 22)].map((w, k) => (k % 3 ? w : words[k]!)).join(' '),
      ),
    },
    {
      name: 'a stricter rule of the house',
      build: pages(text(), text([20, 'light'])),
      rules: {
        checks: {
          ...defaultHouseRules(allChecks).checks,
          'duplicate.near-content': { similarity: 0.95, words: 30 },
        },
      },
    },
  ],
});
