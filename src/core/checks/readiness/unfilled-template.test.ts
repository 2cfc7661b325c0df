import { baselineOf } from '@/core/compare/baseline';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases, shellFrom } from '../__tests__/check-cases';
import { unfilledTemplate } from './unfilled-template';

const text = '<p>Your teacher will say here when the office is open.</p>';
const template = baselineOf(
  shellFrom(
    (c) =>
      void [
        c.page('Meet your teacher', text),
        c.page('Office hours', '<p>To be added before the term.</p>'),
        c.module('Start'),
      ],
  ),
  'template',
);
const shell = (build: (c: ShellComposer) => void) => (c: ShellComposer) => {
  build(c);
  return { baseline: template };
};
const rules = { requiredParts: ['Meet your*', 'Office hours'] };

checkCases(unfilledTemplate, {
  fires: [
    {
      name: 'as the template has it',
      build: shell((c) => void c.page('Meet your teacher', text, { ref: 'p' })),
      subjects: [['p']],
      rules,
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'two parts',
      build: shell(
        (c) =>
          void [
            c.page('Meet your teacher', text, { ref: 'p' }),
            c.page('Office hours', '<p>To be added before the term.</p>', { ref: 'q' }),
          ],
      ),
      subjects: [['p'], ['q']],
      rules,
    },
    {
      name: 'other markup, the same words',
      build: shell((c) => void c.page('Meet your teacher', `<div>${text}</div>`, { ref: 'p' })),
      subjects: [['p']],
      rules,
    },
    {
      name: 'inside a module',
      build: shell((c) => void c.page('Meet your teacher', text, { ref: 'p', parent: c.module('M') })),
      subjects: [['p']],
      rules,
    },
    {
      name: 'another case in the title',
      build: shell((c) => void c.page('MEET YOUR TEACHER', text, { ref: 'p' })),
      subjects: [['p']],
      rules,
    },
    {
      name: 'hidden',
      build: shell((c) => void c.page('Meet your teacher', text, { ref: 'p', shown: false })),
      subjects: [['p']],
      rules,
    },
  ],
  silent: [
    {
      name: 'filled in',
      build: shell((c) => void c.page('Meet your teacher', '<p>I am in Room 4 on Mondays.</p>')),
      rules,
    },
    {
      name: 'a sentence more',
      build: shell((c) => void c.page('Meet your teacher', `${text}<p>Room 4.</p>`)),
      rules,
    },
    {
      name: 'not required',
      build: shell((c) => void c.page('Meet your teacher', text)),
      rules: { requiredParts: ['Syllabus'] },
    },
    { name: 'no parts are required', build: shell((c) => void c.page('Meet your teacher', text)) },
    { name: 'no baseline', build: (c) => void c.page('Meet your teacher', text), rules },
    {
      name: 'a module has no words',
      build: shell((c) => void c.module('Start')),
      rules: { requiredParts: ['Start'] },
    },
  ],
});
