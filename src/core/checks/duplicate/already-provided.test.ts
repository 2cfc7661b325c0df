import { baselineOf } from '@/core/compare/baseline';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases, shellFrom } from '../__tests__/check-cases';
import { alreadyProvided } from './already-provided';

const words =
  'Whoever hands in work of others as their own takes from them what they made and from themselves what they would have learned so we ask you to name every source that you used in words of your own or of somebody else';
const statement = `<p>${words}.</p>`;
const near = `<p>${words.replace('somebody else', 'other people')}.</p>`;
const institution = (c: ShellComposer) =>
  void [
    c.page('Integrity', statement, { ref: 'b1' }),
    c.page('Access', '<p>Ask early.</p>', { ref: 'b2' }),
    c.module('Start', { ref: 'b3' }),
  ];
const supplied = baselineOf(shellFrom(institution), 'supplied');
const template = baselineOf(shellFrom(institution), 'template');
const withBaseline =
  (build: (c: ShellComposer) => unknown, baseline = supplied) =>
  (c: ShellComposer) => {
    build(c);
    return { baseline };
  };

checkCases(alreadyProvided, {
  fires: [
    {
      name: 'word for word',
      build: withBaseline((c) => c.page('Our rules', statement, { ref: 'p' })),
      subjects: [['p']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({ action: 'delete', targets: ['p'], kind: 'judgement' }),
    },
    {
      name: 'nearly',
      build: withBaseline((c) => c.page('Our rules', near, { ref: 'p' })),
      subjects: [['p']],
      expect: ([f]) => expect(f!.title).toMatch(/nearly/),
    },
    {
      name: 'a short one, word for word',
      build: withBaseline((c) => c.page('Access', '<p>ask  EARLY.</p>', { ref: 'p' })),
      subjects: [['p']],
    },
    {
      name: 'two copies, each by itself',
      build: withBaseline((c) => [c.page('A', statement, { ref: 'p' }), c.page('B', near, { ref: 'q' })]),
      subjects: [['p'], ['q']],
    },
    {
      name: 'hidden',
      build: withBaseline((c) => c.page('A', statement, { ref: 'p', shown: false })),
      subjects: [['p']],
    },
    {
      name: 'supplied outside: even the same identifier',
      build: withBaseline((c) => c.page('Integrity', statement, { ref: 'b1' })),
      subjects: [['b1']],
    },
    {
      name: 'a template’s own is still there: it stays',
      build: withBaseline(
        (c) => [c.page('Integrity', statement, { ref: 'b1' }), c.page('Old rules', near, { ref: 'p' })],
        template,
      ),
      subjects: [['b1', 'p']],
      expect: ([f]) => expect(f).toMatchObject({ keep: 'b1', remedy: { targets: ['p'] } }),
    },
  ],
  silent: [
    { name: 'another text', build: withBaseline((c) => c.page('Integrity', '<p>Be honest, please.</p>')) },
    { name: 'another kind', build: withBaseline((c) => c.assignment('Integrity', statement, 5)) },
    { name: 'a short one, nearly', build: withBaseline((c) => c.page('Access', '<p>Ask very early.</p>')) },
    { name: 'no baseline', build: (c) => void c.page('Integrity', statement) },
    { name: 'the template’s own, untouched', build: withBaseline(institution, template) },
    {
      name: 'the template’s own is gone',
      build: withBaseline((c) => c.page('Our rules', statement, { ref: 'p' }), template),
    },
    { name: 'a module', build: withBaseline((c) => c.module('Start')) },
  ],
});
