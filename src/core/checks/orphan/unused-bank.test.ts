import { itemRef } from '@/core/refs/refs';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { unusedBank } from './unused-bank';

const question = { stem: 'How high?', answers: ['one', 'two'], right: 0, points: 1 };
const bank = (c: ShellComposer, ident: string) => c.bank(ident, [question], `banks/${ident}.xml`);
/** A quiz that draws on banks by their idents (QTI 1.2, sourcebank_ref). */
const drawing = (c: ShellComposer, ref: string, banks: readonly string[], more = {}) => {
  c.quiz('Check', [question], { ref, ...more });
  const shell = c.shell();
  const content = shell.items.find((i) => i.ref === ref || i.title === 'Check')!.content;
  return {
    ...shell,
    contents: shell.contents.map((x) => (x.id === content ? { ...x, bankRefs: banks } : x)),
  };
};

checkCases(unusedBank, {
  fires: [
    {
      name: 'no quiz at all',
      build: (c) => bank(c, 'b'),
      subjects: [['resource:b1']],
      expect: ([f]) => expect(f!.remedy?.kind).toBe('judgement'),
    },
    {
      name: 'a quiz with questions of its own',
      build: (c) => void [c.quiz('Check', [question]), bank(c, 'b')],
      subjects: [['resource:b3']],
    },
    {
      name: 'a quiz that draws on another bank',
      build: (c) => (bank(c, 'b'), bank(c, 'other'), drawing(c, 'q', ['other'])),
      subjects: [['resource:b1']],
    },
    {
      name: 'two, each by itself',
      build: (c) => void [bank(c, 'b'), bank(c, 'd')],
      subjects: [['resource:b1'], ['resource:b2']],
    },
    {
      name: 'a bank that only a sheet declares',
      build: () => ({ banks: [{ ref: itemRef('declared'), title: 'Declared', content: null }] }),
      subjects: [['declared']],
    },
    {
      name: 'a page that mentions it in words',
      build: (c) => void [bank(c, 'b'), c.page('P', '<p>The bank b is large.</p>')],
      subjects: [['resource:b1']],
    },
  ],
  silent: [
    { name: 'a quiz names its ident', build: (c) => (bank(c, 'b'), drawing(c, 'q', ['b'])) },
    {
      name: 'a hidden quiz names it',
      build: (c) => (bank(c, 'b'), drawing(c, 'q', ['b'], { shown: false })),
    },
    {
      name: 'a quiz outside the outline names it',
      build: (c) => (bank(c, 'b'), drawing(c, 'q', ['b'], { outside: true })),
    },
    {
      name: 'a quiz depends on it',
      build: (c) => {
        bank(c, 'b');
        c.quiz('Check', [question], { ref: 'q' });
        const s = c.shell();
        return {
          ...s,
          contents: s.contents.map((x) =>
            x.kind === 'quiz' ? { ...x, dependencies: [s.banks[0]!.content!] } : x,
          ),
        };
      },
    },
    {
      name: 'a declared bank that a quiz names',
      build: (c) => ({
        ...drawing(c, 'q', ['declared']),
        banks: [{ ref: itemRef('declared'), title: 'Declared', content: null }],
      }),
    },
    { name: 'no banks', build: (c) => void c.quiz('Check', [question]) },
  ],
});
