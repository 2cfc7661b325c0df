import { itemRef, type ItemRef } from '@/core/refs/refs';
import type { LocalDateTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { lockedOut } from './locked-out';

const needs = (...refs: string[]): ItemRef[] => refs.map(itemRef);
const page = (c: ShellComposer, ref: string, over: object = {}) =>
  c.page(ref.toUpperCase(), `<p>${ref}</p>`, { ref, ...over });

checkCases(lockedOut, {
  fires: [
    {
      name: 'missing',
      build: (c) => void page(c, 'a', { requires: needs('gone') }),
      subjects: [['a']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 'drop-requirement',
          params: { requirements: { a: ['gone'] } },
        }),
    },
    {
      name: 'hidden',
      build: (c) => void [page(c, 'b', { shown: false }), page(c, 'a', { requires: needs('b') })],
      subjects: [['a']],
    },
    {
      name: 'in a hidden module',
      build: (c) => {
        c.module('M', { ref: 'm', shown: false });
        page(c, 'b', { parent: 'm' });
        page(c, 'a', { requires: needs('b') });
      },
      subjects: [['a']],
    },
    {
      name: 'never open',
      build: (c) =>
        void [
          page(c, 'b', { closes: '2025-10-01T00:00:00' as LocalDateTime }),
          page(c, 'a', { requires: needs('b') }),
        ],
      subjects: [['a']],
    },
    {
      name: 'itself',
      build: (c) => void page(c, 'a', { requires: needs('a') }),
      subjects: [['a']],
      expect: ([f]) => expect(f!.title).toMatch(/A → A/),
    },
    {
      name: 'a circle of three',
      build: (c) =>
        void [
          page(c, 'a', { requires: needs('b') }),
          page(c, 'b', { requires: needs('c') }),
          page(c, 'c', { requires: needs('a') }),
        ],
      subjects: [['a', 'b', 'c']],
      expect: ([f]) => expect(f!.title).toMatch(/A → B → C → A/),
    },
    {
      name: 'one of two is missing: only that one goes',
      build: (c) => void [page(c, 'b'), page(c, 'a', { requires: needs('b', 'gone') })],
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy!.params.requirements).toEqual({ a: ['gone'] }),
    },
  ],
  silent: [
    { name: 'open', build: (c) => void [page(c, 'b'), page(c, 'a', { requires: needs('b') })] },
    {
      name: 'a chain',
      build: (c) =>
        void [page(c, 'a'), page(c, 'b', { requires: needs('a') }), page(c, 'c', { requires: needs('b') })],
    },
    {
      name: 'two ways to one',
      build: (c) =>
        void [
          page(c, 'a'),
          page(c, 'b', { requires: needs('a') }),
          page(c, 'c', { requires: needs('a', 'b') }),
        ],
    },
    {
      name: 'the item is hidden itself',
      build: (c) => void page(c, 'a', { shown: false, requires: needs('gone') }),
    },
    {
      name: 'opens within the term',
      build: (c) =>
        void [
          page(c, 'b', { opens: '2027-02-01T00:00:00' as LocalDateTime }),
          page(c, 'a', { requires: needs('b') }),
        ],
    },
    { name: 'nothing is required', build: (c) => void page(c, 'a') },
  ],
});
