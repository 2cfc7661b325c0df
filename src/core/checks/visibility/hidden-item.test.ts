import { checkCases } from '../__tests__/check-cases';
import { hiddenItem } from './hidden-item';

checkCases(hiddenItem, {
  fires: [
    {
      name: 'a page that is hidden, and what links to it',
      build: (c) => {
        c.page('Curve', '<p>x</p>', { ref: 'a', path: 'a.html', shown: false });
        c.page('Week', '<a href="a.html">curve</a>', { ref: 'b', path: 'b.html' });
      },
      subjects: [['a']],
      expect: ([f]) => {
        expect(f!.remedy).toBeNull();
        expect(f!.evidence).toContainEqual({ label: 'Linked from', value: '“Week”' });
      },
    },
    {
      name: 'a hidden module counts once',
      build: (c) => {
        c.module('Old', { ref: 'm', shown: false });
        c.page('P', '<p>x</p>', { ref: 'a', parent: 'm', shown: false });
        c.page('Q', '<p>y</p>', { ref: 'b', parent: 'm' });
      },
      subjects: [['m']],
      expect: ([f]) => expect(f!.title).toBe('“Old” is hidden from students, with 2 items inside'),
    },
    {
      name: 'a hidden page inside a shown module',
      build: (c) => {
        c.module('Week', { ref: 'm', shown: true });
        c.page('P', '<p>x</p>', { ref: 'a', parent: 'm', shown: false, batch: 'copy of May' });
      },
      subjects: [['a']],
      expect: ([f]) => expect(f!.batch).toBe('copy of May'),
    },
    {
      name: 'outside the outline, too',
      build: (c) => void c.discussion('D', '<p>x</p>', { outside: true, shown: false }),
      subjects: [['resource:r1']],
    },
    {
      name: 'a staff module that no rule names',
      build: (c) => void c.module('For staff', { ref: 'm', shown: false }),
      subjects: [['m']],
      rules: { staffStore: ['Teaching team*'] },
    },
  ],
  silent: [
    { name: 'shown', build: (c) => void c.page('P', '<p>x</p>', { shown: true }) },
    { name: 'nobody told', build: (c) => void c.page('P', '<p>x</p>') },
    {
      name: 'inside a hidden staff store',
      build: (c) => {
        c.module('For staff: keys', { ref: 'm', shown: false });
        c.page('P', '<p>x</p>', { parent: 'm', shown: false });
      },
      rules: { staffStore: ['for staff*'] },
    },
    {
      name: 'for instructors by its metadata, without a switch of its own',
      build: (c) =>
        void [c.page('P', '<p>x</p>', { staffOnly: true }), c.page('Q', '<p>x</p>', { shown: true })],
    },
    {
      name: 'closed by dates only',
      build: (c) => void c.page('P', '<p>x</p>', { shown: true, opens: '2030-01-01T00:00:00' as never }),
    },
  ],
});
