import type { Shell } from '@/core/shell/model';
import { itemRef } from '@/core/refs/refs';
import { atTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { day, shellFrom } from '@/core/checks/__tests__/check-cases';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';

const rules = {
  ...defaultHouseRules(allChecks),
  staffStore: ['staff room'],
  leftoverPhrases: ['blue desk'],
  campusHosts: ['campus.example'],
};
const lesson =
  '<p>Read the gauge before the water rises, write the level into the field book, and compare it with the reading of the week before; where both differ by more than a hand, measure again and say why.</p>';

/** A small shell in order: two weeks with a page, a picture, a quiz and a link. */
function inOrder(c: ShellComposer): void {
  for (const n of [1, 2]) {
    const parent = c.module(`Week ${n}`, { ref: `week-${n}`, shown: true });
    c.page(
      `Reading ${n}`,
      `${lesson.replace('gauge', `gauge ${n} of the ${n === 1 ? 'upper' : 'lower'} reach`)}`,
      {
        parent,
        ref: `reading-${n}`,
        path: `week-${n}/reading.html`,
        shown: true,
      },
    );
  }
}

/** Everything that checks look for, inside one module for staff. */
function drafts(c: ShellComposer, shown: boolean): void {
  const parent = c.module('Staff room', { ref: 'store', shown });
  const old = c.module('Week 2', { parent, ref: 'store-week', shown: true });
  const at = { parent: old, shown: true };
  c.page('Reading 2', lesson.replace('gauge', 'gauge 2 of the lower reach'), {
    ...at,
    path: 'store/again.html',
  });
  c.page('Copy of Reading 1', '<p>TBD, ask the blue desk; due Spring 2019. <a href="gone.html">x</a></p>', {
    ...at,
    path: 'store/copy.html',
  });
  c.page(
    'Notes',
    '<p><img src="../pictures/reach.png" alt=""> <a href="https://campus.example/shell/9">old</a></p>',
    {
      ...at,
      path: 'store/notes.html',
    },
  );
  c.file('pictures/reach.png', 'a picture');
  c.assignment('Draft task', '<p>Write two pages.</p>', 10, {
    ...at,
    shown: false,
    due: atTime(day('2020-03-01'), '23:59'),
  });
  c.webLink('Gauge', 'https://water.example/gauge', at);
  c.webLink('Gauge again', 'https://water.example/gauge/', at);
  c.quiz('Quiz key', [{ stem: 'Deep?', answers: ['yes', 'no'], right: 0, points: 2 }], {
    ...at,
    requires: [itemRef('nobody')],
  });
  c.module('Empty', { parent, shown: true });
}

const subjectsOf = (shell: Shell) =>
  runChecks(shell, { checks: allChecks, rules }).findings.map(
    (f) => `${f.check}: ${f.subjects.map((s) => s.ref).join(', ')}`,
  );
const findingsWith = (shown: boolean | null) =>
  subjectsOf(
    shellFrom((c) => {
      inOrder(c);
      if (shown !== null) drafts(c, shown);
    }),
  );

test('a hidden store of staff adds no finding of any family, and what it uses counts as used', () => {
  expect(findingsWith(false)).toEqual(findingsWith(null));
});

test('an open one adds that students can see it, and nothing about what is inside', () => {
  const more = findingsWith(true).filter((f) => !findingsWith(null).includes(f));
  expect(more).toEqual(['visibility.exposed-key: store']);
});

test('without the rule the same module is full of findings', () => {
  const shell = shellFrom((c) => {
    inOrder(c);
    drafts(c, true);
  });
  const found = runChecks(shell, { checks: allChecks, rules: { ...rules, staffStore: [] } }).findings;
  expect(new Set(found.map((f) => f.family)).size).toBeGreaterThanOrEqual(5);
});

test('a module around a store is not empty, and a link into the store is told about the page that has it', () => {
  const shell = shellFrom((c) => {
    inOrder(c);
    const parent = c.module('Team', { ref: 'team', shown: true });
    const store = c.module('Staff room', { ref: 'store', parent, shown: false });
    c.page('Marking', '<p>Marks are due on Friday.</p>', {
      parent: store,
      path: 'marking.html',
      shown: true,
    });
    c.page('Start', '<p><a href="marking.html">how we mark</a></p>', {
      ref: 'start',
      path: 'start.html',
      shown: true,
    });
  });
  const found = runChecks(shell, { checks: allChecks, rules }).findings.filter(
    (f) => f.check === 'orphan.empty-module' || f.check === 'visibility.hidden-target',
  );
  expect(found.map((f) => [f.check, f.subjects.map((s) => s.ref), f.remedy])).toEqual([
    ['visibility.hidden-target', ['start'], null],
  ]);
});
