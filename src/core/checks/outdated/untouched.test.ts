import type { LocalDateTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { untouched } from './untouched';

const changed =
  (day: string, over: object = {}) =>
  (c: ShellComposer) =>
    void c.page('P', '<p>x</p>', { ref: 'p', modified: `${day}T09:00:00` as LocalDateTime, ...over });

checkCases(untouched, {
  fires: [
    {
      name: 'a day more than three years',
      build: changed('2024-01-03'),
      subjects: [['p']],
      expect: ([f]) => expect(f).toMatchObject({ urgency: 'tidy', remedy: null }),
    },
    {
      name: 'ten years',
      build: changed('2016-05-05'),
      subjects: [['p']],
      expect: ([f]) => expect(f!.title).toMatch(/10 years ago/),
    },
    {
      name: 'an assignment',
      build: (c) =>
        void c.assignment('A', '<p>x</p>', 5, { ref: 'a', modified: '2020-01-01T09:00:00' as LocalDateTime }),
      subjects: [['a']],
    },
    { name: 'shown on purpose', build: changed('2020-01-01', { shown: true }), subjects: [['p']] },
    {
      name: 'made and never changed',
      build: changed('2020-01-01', { created: '2020-01-01T09:00:00' as LocalDateTime }),
      subjects: [['p']],
    },
    {
      name: 'in a module',
      build: (c) => changed('2020-01-01', { parent: c.module('M') })(c),
      subjects: [['p']],
    },
  ],
  silent: [
    { name: 'exactly three years', build: changed('2024-01-04') },
    { name: 'last month', build: changed('2026-12-04') },
    { name: 'hidden', build: changed('2020-01-01', { shown: false }) },
    { name: 'nobody knows', build: (c) => void c.page('P', '<p>x</p>') },
    {
      name: 'only its making is known',
      build: (c) => void c.page('P', '<p>x</p>', { created: '2016-01-01T09:00:00' as LocalDateTime }),
    },
    {
      name: 'outside the outline',
      build: (c) =>
        void c.page('P', '<p>x</p>', { outside: true, modified: '2016-01-01T09:00:00' as LocalDateTime }),
    },
  ],
});
