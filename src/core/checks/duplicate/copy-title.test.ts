import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { copyTitle } from './copy-title';

const pages =
  (...titles: string[]) =>
  (c: ShellComposer) =>
    titles.forEach((t, k) => void c.page(t, `<p>${k} alone</p>`, { ref: `p${k + 1}` }));
const two = [['p1', 'p2']];

checkCases(copyTitle, {
  fires: [
    ...[
      'Copy of Site report',
      'Site report - Copy',
      'Site report – copy 2',
      'Site report copy',
      'Site report copy 2',
      'Site report (2)',
      'Site report (copy)',
      'copy of site report',
      'Copy (2) of Site report',
      'Site report (Copy 3)',
      'Site report_copy',
    ].map((t) => ({ name: t, build: pages('Site report', t), subjects: two })),
    {
      name: 'the copy stands first',
      build: pages('Copy of Site report', 'Site report'),
      subjects: two,
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'two copies are two findings',
      build: pages('Site report', 'Site report (2)', 'Site report (3)'),
      subjects: [
        ['p1', 'p2'],
        ['p1', 'p3'],
      ],
    },
    {
      name: 'modules',
      build: (c) => {
        for (const [k, t] of ['Week 1', 'Week 1 - Copy'].entries())
          c.page('P', `<p>${k}</p>`, { parent: c.module(t, { ref: `m${k}` }) });
      },
      subjects: [['m0', 'm1']],
    },
    {
      name: 'two of one title in one module that say something else each',
      build: (c) => {
        const week = c.module('Week 1');
        c.page('Site report', '<p>upstream</p>', { ref: 'p1', parent: week });
        c.page('Site  report', '<p>downstream</p>', { ref: 'p2', parent: week });
      },
      subjects: two,
      expect: ([f]) => expect(f!.message.id).toBe('namesakes'),
    },
    {
      name: 'a copy of a copy',
      build: pages('Copy of Site report', 'Copy of Copy of Site report'),
      subjects: two,
    },
  ],
  silent: [
    ...[
      'Site report 2',
      'Site report (2019)',
      'Copying a site report',
      'Site report, fair copy-editing',
      'Copy of another report',
      'Site reports (2)',
      'The copy',
      'Site report (part 2)',
      'Site report v2',
      'Photocopy of Site report',
    ].map((t) => ({ name: t, build: pages('Site report', t) })),
    { name: 'the original is not there', build: pages('Copy of Site report') },
    {
      name: 'the content is the same',
      build: (c: ShellComposer) =>
        void [c.page('Site report', '<p>x y z</p>'), c.page('Copy of Site report', '<p>x y z</p>')],
    },
    {
      name: 'another kind',
      build: (c: ShellComposer) =>
        void [c.page('Site report', '<p>x</p>'), c.assignment('Copy of Site report', '<p>y</p>', 5)],
    },
    {
      name: 'one resource',
      build: (c: ShellComposer) =>
        void [c.page('Site report', '<p>x</p>', { ref: 'p' }), c.placeAgain('p', 'Site report (2)')],
    },
    {
      name: 'two of one title in two modules',
      build: (c: ShellComposer) => {
        for (const n of [1, 2]) c.page('Reading', `<p>${n}</p>`, { parent: c.module(`Week ${n}`) });
      },
    },
    {
      name: 'two of one title that say the same',
      build: (c: ShellComposer) => {
        const week = c.module('Week 1');
        for (const ref of ['p1', 'p2']) c.page('Reading', '<p>same words</p>', { ref, parent: week });
      },
    },
    {
      name: 'a page and its quiz in one module',
      build: (c: ShellComposer) => {
        const week = c.module('Week 1');
        c.page('Gauge', '<p>x</p>', { parent: week });
        c.assignment('Gauge', '<p>y</p>', 5, { parent: week });
      },
    },
    { name: 'a number of its own', build: pages('Lab', 'Lab 2') },
  ],
});
