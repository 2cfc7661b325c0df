import { baselineOf } from '@/core/compare/baseline';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases, shellFrom } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { emptiness } from './emptiness';

const parts = (c: ShellComposer) =>
  void [c.module('Start', { ref: 't1' }), c.page('Rules', '<p>Be on time.</p>', { ref: 't2' })];
const baseline = baselineOf(shellFrom(parts), 'template');

checkCases(emptiness, {
  fires: [
    {
      name: 'nothing at all',
      build: () => undefined,
      subjects: [['case']],
      expect: ([f]) => expect(f!.title).toBe('The shell is empty'),
    },
    { name: 'nothing, with a baseline', build: () => ({ baseline }), subjects: [['case']] },
    {
      name: 'the template only',
      build: (c) => {
        parts(c);
        return { baseline };
      },
      subjects: [['case']],
    },
    {
      name: 'part of the template',
      build: (c) => {
        c.page('Rules', '<p>Be on time.</p>');
        return { baseline };
      },
      subjects: [['case']],
    },
    {
      name: 'the template’s words in other markup',
      build: (c) => {
        c.page('Rules', '<div>Be on  time.</div>');
        return { baseline };
      },
      subjects: [['case']],
    },
    {
      name: 'the template twice',
      build: (c) => {
        parts(c);
        c.page('Rules again', '<p>Be on time.</p>');
        return { baseline };
      },
      subjects: [['case']],
    },
  ],
  silent: [
    { name: 'one page', build: (c) => void c.page('P', '<p>x</p>') },
    { name: 'one file', build: (c) => void c.file('a.pdf', 'x') },
    { name: 'one event', build: () => ({ events: [event('a', 'A', '2027-02-01T10:00:00')] }) },
    {
      name: 'the template and a page more',
      build: (c) => {
        parts(c);
        c.page('Flow', '<p>Of one’s own.</p>');
        return { baseline };
      },
    },
    { name: 'the template without a baseline', build: parts },
    {
      name: 'a changed part',
      build: (c) => {
        c.page('Rules', '<p>Be on time, please.</p>');
        return { baseline };
      },
    },
  ],
});
