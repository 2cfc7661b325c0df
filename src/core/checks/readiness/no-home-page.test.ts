import { itemRef } from '@/core/refs/refs';
import { checkCases } from '../__tests__/check-cases';
import { noHomePage } from './no-home-page';

const homes =
  (...inUse: (boolean | null)[]) =>
  () => ({ homePages: inUse.map((use, k) => ({ ref: itemRef(`h${k}`), title: `Home ${k}`, inUse: use })) });

checkCases(noHomePage, {
  fires: [
    {
      name: 'one, not in use',
      build: homes(false),
      subjects: [['case']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    { name: 'two, neither in use', build: homes(false, false), subjects: [['case']] },
    { name: 'three', build: homes(false, false, false), subjects: [['case']] },
    {
      name: 'with items',
      build: (c) => {
        c.page('P', '<p>x</p>');
        return homes(false)();
      },
      subjects: [['case']],
    },
    {
      name: 'a page called home is none',
      build: (c) => {
        c.page('Home', '<p>x</p>');
        return homes(false)();
      },
      subjects: [['case']],
    },
    {
      name: 'a hidden page',
      build: (c) => {
        c.page('Home', '<p>x</p>', { shown: false });
        return homes(false)();
      },
      subjects: [['case']],
    },
  ],
  silent: [
    { name: 'one in use', build: homes(true) },
    { name: 'one of two in use', build: homes(false, true) },
    { name: 'nobody told', build: homes(null) },
    { name: 'nobody told of one of two', build: homes(false, null) },
    { name: 'no home pages known', build: homes() },
    { name: 'an empty shell', build: () => undefined },
  ],
});
