import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { repeatedImport } from './repeated-import';

const words = [
  'gauge',
  'riffle',
  'pool',
  'kick net',
  'turbidity',
  'datum',
  'transect',
  'pebble',
  'oxygen',
  'mirror',
  'float',
  'rating',
];
const page = (c: ShellComposer, ref: string, n: number, parent: string | null = null, more = '') =>
  c.page(
    `On the ${words[n % words.length]}`,
    `<p>How to work with the ${words[n % words.length]} in the ${n}th week.${more}</p>`,
    { ref, parent },
  );
const pages = (c: ShellComposer, prefix: string, count: number, change: (n: number) => string = () => '') => {
  for (let n = 0; n < count; n += 1) page(c, `${prefix}${n}`, n, null, change(n));
};
const refs = (prefix: string, count: number) => Array.from({ length: count }, (_, n) => `${prefix}${n}`);

checkCases(repeatedImport, {
  fires: [
    {
      name: 'twelve pages stand three times, each later copy changed in another place',
      build: (c) => {
        pages(c, 'a', 12);
        pages(c, 'b', 12, (n) => (n === 4 ? ' Bring waders.' : ''));
        c.page('Notes', '<p>Between the copies.</p>', { ref: 'between' });
        pages(c, 'd', 12, (n) => (n === 7 ? ' Bring a rope.' : ''));
      },
      subjects: [[...refs('b', 12), ...refs('d', 12)]],
      expect: ([f]) => {
        expect(f!.keep).toBe('a0');
        expect(f!.remedy?.targets).toEqual(
          [...refs('b', 12), ...refs('d', 12)].filter((ref) => ref !== 'b4' && ref !== 'd7'),
        );
      },
    },
    {
      name: 'five pages stand twice',
      build: (c) => {
        pages(c, 'a', 5);
        pages(c, 'b', 5);
      },
      subjects: [refs('b', 5)],
      expect: ([f]) => {
        expect(f).toMatchObject({
          keep: 'a0',
          urgency: 'fix-first',
          remedy: { action: 'delete', kind: 'safe', targets: refs('b', 5) },
        });
        expect(f!.remedy!.params.relink).toMatchObject({ b3: 'a3' });
      },
    },
    {
      name: 'a module with its items stands twice, with something between',
      build: (c) => {
        for (const k of ['a', 'b']) {
          c.module('Week 1', { ref: `${k}m` });
          for (let n = 0; n < 5; n += 1) page(c, `${k}${n}`, n, `${k}m`);
          if (k === 'a') c.page('Between', '<p>Something else altogether.</p>', { ref: 'between' });
        }
      },
      subjects: [['bm', ...refs('b', 5)]],
      expect: ([f]) => expect(f!.keep).toBe('am'),
    },
    {
      name: 'one in ten was changed after the copy; it stays, with its module',
      build: (c) => {
        for (const k of ['a', 'b']) {
          c.module('Week 1', { ref: `${k}m` });
          for (let n = 0; n < 10; n += 1)
            page(c, `${k}${n}`, n, `${k}m`, k === 'b' && n === 4 ? ' Ask first.' : '');
        }
      },
      subjects: [['bm', ...refs('b', 10)]],
      expect: ([f]) => {
        expect(f!.remedy!.targets).toEqual(refs('b', 10).filter((r) => r !== 'b4'));
        expect(f!.title).toContain('1 of them differ and stay');
      },
    },
    {
      name: 'one in ten was exchanged for another page',
      build: (c) => {
        pages(c, 'a', 10);
        for (let n = 0; n < 10; n += 1)
          if (n === 5) c.page('Another title', '<p>Another text of its own.</p>', { ref: 'b5' });
          else page(c, `b${n}`, n);
      },
      subjects: [refs('b', 10)],
      expect: ([f]) => expect(f!.remedy!.targets).not.toContain('b5'),
    },
    {
      name: 'three times, end to end',
      build: (c) => {
        for (const k of ['a', 'b', 'c']) pages(c, k, 6);
      },
      subjects: [[...refs('b', 6), ...refs('c', 6)]],
      expect: ([f]) => expect(f!.keep).toBe('a0'),
    },
    {
      name: 'the copy with student work stays, though it is the later one',
      build: (c) => {
        pages(c, 'a', 5);
        for (let n = 0; n < 5; n += 1)
          c.page(`On the ${words[n]}`, `<p>How to work with the ${words[n]} in the ${n}th week.</p>`, {
            ref: `b${n}`,
            studentWork: n === 2 ? 4 : 0,
          });
      },
      subjects: [refs('a', 5)],
      expect: ([f]) => expect(f!.keep).toBe('b0'),
    },
    {
      name: 'renamed copies, equal in content',
      build: (c) => {
        pages(c, 'a', 5);
        for (let n = 0; n < 5; n += 1)
          c.page(`Copy ${n}`, `<p>How to  WORK with the <b>${words[n]}</b> in the ${n}th week.</p>`, {
            ref: `b${n}`,
          });
      },
      subjects: [refs('b', 5)],
    },
    {
      name: 'copies link to their own neighbours, and others link into them',
      build: (c) => {
        for (const k of ['a', 'b'])
          for (let n = 0; n < 6; n += 1)
            c.page(
              `Page ${n}`,
              `<p>The page on the ${words[n]} of this week.</p><a href="p${(n + 1) % 6}.html">next</a>`,
              { ref: `${k}${n}`, path: `${k}/p${n}.html` },
            );
        c.page('Outlook', '<p>See <a href="../b/p2.html#here">there</a>.</p>', {
          ref: 'out',
          path: 'x/out.html',
        });
      },
      subjects: [refs('b', 6)],
    },
  ],
  silent: [
    {
      name: 'four pages are too few',
      build: (c) => {
        pages(c, 'a', 4);
        c.page('Between', '<p>Something else.</p>');
        pages(c, 'b', 4);
      },
    },
    {
      name: 'headings alone',
      build: (c) => {
        for (const k of ['a', 'b', 'c'])
          for (let n = 0; n < 6; n += 1) c.heading(`Part ${n}`, { ref: `${k}${n}` });
      },
    },
    {
      name: 'every week has the same titles and its own texts',
      build: (c) => {
        for (let w = 1; w <= 6; w += 1) {
          c.module(`Week ${w}`, { ref: `m${w}` });
          for (const title of ['Overview', 'Reading', 'Field', 'Lab', 'Talk', 'Quiz'])
            c.page(
              title,
              `<p>${title} of week ${w}: this time we look at the ${words[w]} and what it tells.</p>`,
              { parent: `m${w}` },
            );
        }
      },
    },
    {
      name: 'the same order, but a third of it exchanged',
      build: (c) => {
        pages(c, 'a', 9);
        for (let n = 0; n < 9; n += 1)
          if (n % 3 === 1) c.page(`New ${n}`, `<p>A new text, number ${n}, for this term.</p>`);
          else page(c, `b${n}`, n);
      },
    },
    {
      name: 'the same pages in another order',
      build: (c) => {
        pages(c, 'a', 6);
        for (const n of [3, 0, 5, 2, 4, 1]) page(c, `b${n}`, n);
      },
    },
    { name: 'an empty shell', build: () => undefined },
  ],
});
