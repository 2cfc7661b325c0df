import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { unusedHomePage } from './unused-home-page';

/** Home pages outside the outline, each in use, not in use, or unknown. */
const homes =
  (...inUse: (boolean | null)[]) =>
  (c: ShellComposer) => {
    inUse.forEach((_, k) => c.page(`Home ${k}`, `<p>${k}</p>`, { outside: true }));
    const shell = c.shell();
    return {
      items: shell.items.map((i) => ({ ...i, kind: 'home-page' as const })),
      homePages: shell.items.map((i, k) => ({ ref: i.ref, title: i.title, inUse: inUse[k]! })),
    };
  };
const r = (n: number) => `resource:r${n}`;

checkCases(unusedHomePage, {
  fires: [
    {
      name: 'one beside the one in use',
      build: homes(true, false),
      subjects: [[r(2)]],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'delete', kind: 'safe' }),
    },
    { name: 'two beside it, each by itself', build: homes(false, true, false), subjects: [[r(1)], [r(3)]] },
    { name: 'none is in use', build: homes(false), subjects: [[r(1)]] },
    { name: 'one unknown, one not', build: homes(null, false), subjects: [[r(2)]] },
    { name: 'first in the list', build: homes(false, true), subjects: [[r(1)]] },
    { name: 'two, none in use', build: homes(false, false), subjects: [[r(1)], [r(2)]] },
  ],
  silent: [
    { name: 'in use', build: homes(true) },
    { name: 'nobody told', build: homes(null, null) },
    { name: 'two in use', build: homes(true, true) },
    { name: 'no home pages', build: (c) => void c.page('Home', '<p>x</p>') },
    { name: 'in use, and one unknown', build: homes(true, null) },
    { name: 'nothing', build: () => undefined },
  ],
});
