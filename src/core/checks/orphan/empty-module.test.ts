import { checkCases } from '../__tests__/check-cases';
import { emptyModule } from './empty-module';

checkCases(emptyModule, {
  fires: [
    {
      name: 'nothing in it',
      build: (c) => void [c.module('A', { ref: 'a' }), c.page('P', '<p>x</p>')],
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ kind: 'safe', targets: ['a'] }),
    },
    {
      name: 'only empty modules in it; the inner one is part of the outer finding',
      build: (c) => void [c.module('A', { ref: 'a' }), c.module('B', { ref: 'b', parent: 'a' })],
      subjects: [['a'], ['b']],
      expect: ([outer, inner]) => {
        expect(outer!.remedy!.targets).toEqual(['a', 'b']);
        expect(inner!.coveredBy).toBe(outer!.id);
      },
    },
    {
      name: 'a heading before the next heading',
      build: (c) => void [c.heading('One', { ref: 'h' }), c.heading('Two'), c.page('P', '<p>x</p>')],
      subjects: [['h']],
    },
    {
      name: 'a heading at the end of a module',
      build: (c) =>
        void [
          c.module('M', { ref: 'm' }),
          c.page('P', '<p>x</p>', { parent: 'm' }),
          c.heading('End', { ref: 'h', parent: 'm' }),
        ],
      subjects: [['h']],
    },
    {
      name: 'hidden and empty all the same',
      build: (c) => void [c.module('A', { ref: 'a', shown: false })],
      subjects: [['a']],
    },
  ],
  silent: [
    {
      name: 'a hidden page in it',
      build: (c) =>
        void [c.module('A', { ref: 'a' }), c.page('P', '<p>x</p>', { parent: 'a', shown: false })],
    },
    {
      name: 'a page two levels down',
      build: (c) =>
        void [
          c.module('A', { ref: 'a' }),
          c.module('B', { ref: 'b', parent: 'a' }),
          c.page('P', '<p>x</p>', { parent: 'b' }),
        ],
    },
    { name: 'a heading followed by a page', build: (c) => void [c.heading('H'), c.page('P', '<p>x</p>')] },
    {
      name: 'a heading followed by a web link',
      build: (c) => void [c.heading('H'), c.webLink('L', 'https://example.org/')],
    },
    {
      name: 'a module with only a web link',
      build: (c) =>
        void [c.module('A', { ref: 'a' }), c.webLink('L', 'https://example.org/', { parent: 'a' })],
    },
  ],
});
