import { groupRef } from '@/core/refs/refs';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { emptyGroup } from './empty-group';

const groups = (...titles: string[]) => ({
  groups: titles.map((title) => ({ ref: groupRef(`g-${title}`), title })),
});
const forGroups =
  (...refs: string[]) =>
  (c: ShellComposer) =>
    c.assignment('A', '<p>x</p>', 5, { ref: 'a', groups: refs.map(groupRef) });

checkCases(emptyGroup, {
  fires: [
    {
      name: 'nothing is made for it',
      build: () => groups('A'),
      subjects: [['g-A']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({ action: 'delete', targets: ['g-A'], kind: 'judgement' }),
    },
    { name: 'two, each by itself', build: () => groups('A', 'B'), subjects: [['g-A'], ['g-B']] },
    {
      name: 'another group has an activity',
      build: (c) => {
        forGroups('g-B')(c);
        return groups('A', 'B');
      },
      subjects: [['g-A']],
    },
    {
      name: 'an activity for a group that is not there',
      build: (c) => void forGroups('gone')(c),
      subjects: [['a']],
    },
    {
      name: 'for two that are not there',
      build: (c) => void forGroups('gone', 'lost')(c),
      subjects: [['a']],
    },
    {
      name: 'both sorts',
      build: (c) => {
        forGroups('gone')(c);
        return groups('A');
      },
      subjects: [['a'], ['g-A']],
    },
  ],
  silent: [
    {
      name: 'an activity is made for it',
      build: (c) => {
        forGroups('g-A')(c);
        return groups('A');
      },
    },
    {
      name: 'a hidden one is',
      build: (c) => {
        c.page('P', '<p>x</p>', { shown: false, groups: [groupRef('g-A')] });
        return groups('A');
      },
    },
    {
      name: 'one of two groups is there',
      build: (c) => {
        forGroups('g-A', 'gone')(c);
        return groups('A');
      },
    },
    {
      name: 'an activity for two groups',
      build: (c) => {
        forGroups('g-A', 'g-B')(c);
        return groups('A', 'B');
      },
    },
    { name: 'an activity for all', build: (c) => void c.assignment('A', '<p>x</p>', 5) },
    { name: 'no groups', build: () => undefined },
  ],
});
