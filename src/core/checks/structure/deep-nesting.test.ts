import { hand, runWritten } from '@/core/plan/__tests__/written-plans';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { checkCases, shellFrom } from '../__tests__/check-cases';
import { deepNesting } from './deep-nesting';

/** Modules one inside the other, the last of them with pages. */
const nest =
  (levels: number, pages = 1) =>
  (c: ShellComposer) => {
    for (let k = 1; k < levels; k += 1)
      c.module(`L${k}`, { ref: `m${k}`, parent: k === 1 ? null : `m${k - 1}` });
    for (let p = 1; p <= pages; p += 1)
      c.page(`P${p}`, `<p>${p}</p>`, { ref: `p${p}`, parent: `m${levels - 1}` });
  };

checkCases(deepNesting, {
  fires: [
    {
      name: 'a page on level four',
      build: nest(4),
      subjects: [['p1']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'lift-out', targets: ['p1'] }),
    },
    { name: 'three pages on level four', build: nest(4, 3), subjects: [['p1', 'p2', 'p3']] },
    { name: 'five levels are two findings', build: nest(5, 2), subjects: [['m4'], ['p1', 'p2']] },
    {
      name: 'two such folders',
      build: (c) => {
        nest(4)(c);
        c.module('N', { ref: 'n', parent: 'm2' });
        c.page('Q', '<p>q</p>', { ref: 'q', parent: 'n' });
      },
      subjects: [['p1'], ['q']],
    },
    {
      name: 'the house rules allow two',
      build: nest(3),
      subjects: [['p1']],
      rules: { checks: { ...defaultHouseRules(allChecks).checks, 'structure.deep-nesting': { levels: 2 } } },
    },
    {
      name: 'an empty module',
      build: (c) => {
        nest(4, 0)(c);
        c.module('E', { ref: 'e', parent: 'm3' });
      },
      subjects: [['e']],
    },
  ],
  silent: [
    { name: 'three levels', build: nest(3) },
    { name: 'one level', build: (c) => void c.page('P', '<p>x</p>') },
    { name: 'outside the outline', build: (c) => void c.page('P', '<p>x</p>', { outside: true }) },
    { name: 'many on level three', build: nest(3, 8) },
    { name: 'nothing', build: () => undefined },
    {
      name: 'the house rules allow four',
      build: nest(4),
      rules: { checks: { ...defaultHouseRules(allChecks).checks, 'structure.deep-nesting': { levels: 4 } } },
    },
  ],
});

test('where several are lifted the folder’s title stays as a heading above them', () => {
  const { after } = runWritten(shellFrom(nest(4, 2)), [hand('lift-out', ['p1', 'p2'])]);
  expect(after.items.map((i) => `${i.kind} ${i.ref} in ${i.parent}`)).toEqual([
    'module m1 in null',
    'module m2 in m1',
    'heading m3 in m2',
    'page p1 in m2',
    'page p2 in m2',
  ]);
});
