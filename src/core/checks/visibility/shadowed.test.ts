import { gradeColumnRef } from '@/core/refs/refs';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases, shellFrom } from '../__tests__/check-cases';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';
import { shadowed } from './shadowed';

const hidden =
  (inside: (c: ShellComposer) => void, title = 'Week 12') =>
  (c: ShellComposer) => {
    c.module(title, { ref: 'm', shown: false });
    inside(c);
  };
const page = (c: ShellComposer) => void c.page('P', '<p>x</p>', { ref: 'p', parent: 'm' });

checkCases(shadowed, {
  fires: [
    {
      name: 'a page in a hidden module',
      build: hidden(page),
      subjects: [['p']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'show', targets: ['m'], kind: 'judgement' }),
    },
    {
      name: 'several are one finding',
      build: hidden((c) => {
        page(c);
        c.page('Q', '<p>y</p>', { ref: 'q', parent: 'm' });
      }),
      subjects: [['p', 'q']],
    },
    {
      name: 'deeper inside',
      build: hidden((c) => {
        c.module('F', { ref: 'f', parent: 'm' });
        c.page('Q', '<p>y</p>', { ref: 'q', parent: 'f' });
      }),
      subjects: [['f', 'q']],
    },
    {
      name: 'two hidden modules',
      build: (c) => {
        hidden(page)(c);
        c.module('N', { ref: 'n', shown: false });
        c.page('Q', '<p>y</p>', { ref: 'q', parent: 'n' });
      },
      subjects: [['p'], ['q']],
    },
    {
      name: 'graded',
      build: hidden((c) => void c.assignment('A', '<p>x</p>', 10, { ref: 'a', parent: 'm', points: 10 })),
      subjects: [['a']],
      expect: ([f]) => expect(f!.evidence).toContainEqual({ label: 'Graded', value: 'A', where: 'a' }),
    },
    {
      name: 'linked from what students see',
      build: (c) => {
        hidden((d) => void d.page('P', '<p>x</p>', { ref: 'p', parent: 'm', path: 'p.html' }))(c);
        c.page('Open', '<a href="p.html">there</a>', { path: 'o.html' });
      },
      subjects: [['p']],
      expect: ([f]) => expect(f!.evidence[1]!.label).toMatch(/Linked/),
    },
  ],
  silent: [
    { name: 'a shown module', build: (c) => void c.page('P', '<p>x</p>', { parent: c.module('M') }) },
    {
      name: 'all hidden by themselves',
      build: hidden((c) => void c.page('P', '<p>x</p>', { parent: 'm', shown: false })),
    },
    { name: 'nothing inside', build: hidden(() => undefined) },
    { name: 'a staff store', build: hidden(page, 'For staff: keys'), rules: { staffStore: ['for staff*'] } },
    {
      name: 'a hidden page has nothing inside',
      build: (c) => void c.page('P', '<p>x</p>', { shown: false }),
    },
    { name: 'nobody told', build: (c) => void c.page('P', '<p>x</p>', { parent: c.module('M') }) },
  ],
});

test('it is part of the hidden module’s own finding, unless something in it is graded', () => {
  const covered = (build: (c: ShellComposer) => void, columns = false) => {
    const shell = shellFrom((c) => {
      build(c);
      return columns
        ? {
            gradeColumns: [
              {
                ref: gradeColumnRef('g'),
                title: 'Midterm',
                category: null,
                points: 5,
                results: 0,
                extra: {},
              },
            ],
          }
        : {};
    });
    return runChecks(shell, { checks: allChecks }).findings.find((f) => f.check === 'visibility.shadowed')!
      .coveredBy;
  };
  expect(covered(hidden(page))).not.toBeNull();
  expect(
    covered(
      hidden(
        (c) => void c.quiz('Midterm', [{ stem: 'x', answers: ['a'], right: 0, points: 5 }], { parent: 'm' }),
      ),
      true,
    ),
  ).toBeNull();
});
