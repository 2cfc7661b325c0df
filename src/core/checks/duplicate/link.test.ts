import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { duplicateLink } from './link';

/** Two links in one module. */
const pair = (a: string, b: string) => (c: ShellComposer) => {
  c.module('Week 3', { ref: 'm' });
  c.webLink('Live stage', a, { ref: 'a', parent: 'm' });
  c.webLink('Stage today', b, { ref: 'b', parent: 'm' });
};
const site = 'https://gauges.example/mill-weir';

checkCases(duplicateLink, {
  fires: [
    {
      name: 'the same address',
      build: pair(site, site),
      subjects: [['a', 'b']],
      expect: ([f]) => expect([f!.keep, f!.remedy?.targets, f!.remedy?.kind]).toEqual(['a', ['b'], 'safe']),
    },
    { name: 'a trailing slash', build: pair(site, `${site}/`), subjects: [['a', 'b']] },
    {
      name: 'the host in capitals and the default port',
      build: pair(site, 'HTTPS://GAUGES.example:443/mill-weir'),
      subjects: [['a', 'b']],
    },
    {
      name: 'tracking parameters',
      build: pair(site, `${site}?utm_source=mail&gclid=7`),
      subjects: [['a', 'b']],
    },
    {
      name: 'in different folders of one top-level module',
      build: (c) =>
        void [
          c.module('M', { ref: 'm' }),
          c.module('N', { ref: 'n', parent: 'm' }),
          c.webLink('A', site, { ref: 'a', parent: 'm' }),
          c.webLink('B', site, { ref: 'b', parent: 'n' }),
        ],
      subjects: [['b', 'a']],
    },
    {
      name: 'three of them',
      build: (c) => {
        pair(site, site)(c);
        c.webLink('Again', site, { ref: 'd', parent: 'm' });
      },
      subjects: [['a', 'b', 'd']],
      expect: ([f]) => expect(f!.title).toBe('“Live stage” and 2 more lead to one address'),
    },
    {
      name: 'the shown one stays',
      build: (c) =>
        void [
          c.module('M', { ref: 'm' }),
          c.webLink('A', site, { ref: 'a', parent: 'm', shown: false }),
          c.webLink('B', site, { ref: 'b', parent: 'm' }),
        ],
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f!.keep).toBe('b'),
    },
    {
      name: 'both at the top level',
      build: (c) => void [c.webLink('A', site, { ref: 'a' }), c.webLink('B', site, { ref: 'b' })],
      subjects: [['a', 'b']],
    },
  ],
  silent: [
    { name: 'different fragments', build: pair(`${site}#today`, `${site}#history`) },
    { name: 'different queries', build: pair(`${site}?station=1`, `${site}?station=2`) },
    { name: 'different paths', build: pair(site, 'https://gauges.example/alder-bridge') },
    {
      name: 'different modules',
      build: (c) =>
        void [
          c.module('M', { ref: 'm' }),
          c.module('N', { ref: 'n' }),
          c.webLink('A', site, { parent: 'm' }),
          c.webLink('A', site, { parent: 'n' }),
        ],
    },
    {
      name: 'a page that links to the same address',
      build: (c) =>
        void [
          c.module('M', { ref: 'm' }),
          c.webLink('A', site, { parent: 'm' }),
          c.page('P', `<p><a href="${site}">x</a></p>`, { parent: 'm' }),
        ],
    },
    {
      name: 'one of them outside the outline',
      build: (c) => void [c.webLink('A', site), c.webLink('B', site, { outside: true })],
    },
  ],
});
