import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { oldShellLink } from './old-shell-link';

const rules = {
  campusHosts: ['campus.tarnhollow.example'],
  sharedAddresses: ['https://campus.tarnhollow.example/library', 'https://help.campus.tarnhollow.example/'],
};
const page = (href: string) => (c: ShellComposer) =>
  void c.page('P', `<a href="${href}">x</a>`, { ref: 'p', path: 'p.html' });

checkCases(oldShellLink, {
  fires: [
    {
      name: 'another shell',
      build: page('https://campus.tarnhollow.example/shells/77/pages/flow'),
      subjects: [['p']],
      rules,
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'the file of that name stands here',
      build: (c) => {
        page('https://campus.tarnhollow.example/shells/77/files/tally.pdf?download=1')(c);
        c.file('sheets/tally.pdf', 'x');
      },
      subjects: [['p']],
      rules,
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 'relink',
          params: {
            addresses: {
              'https://campus.tarnhollow.example/shells/77/files/tally.pdf?download=1': 'sheets/tally.pdf',
            },
          },
        }),
    },
    {
      name: 'a web link of the outline',
      build: (c) =>
        void c.webLink('Old reading', 'https://campus.tarnhollow.example/shells/77', { ref: 'w' }),
      subjects: [['w']],
      rules,
    },
    {
      name: 'a part of the host',
      build: page('http://files.campus.tarnhollow.example/77/a'),
      subjects: [['p']],
      rules,
    },
    {
      name: 'an address that only the base of the page leads there',
      build: (c) => {
        c.file('a/flow.html', 'x');
        c.page('P', '<base href="https://campus.tarnhollow.example/shells/77/"><a href="flow.html">x</a>', {
          ref: 'p',
          path: 'p.html',
        });
      },
      subjects: [['p']],
      rules,
      // The page can't be told to lead elsewhere: its base would send that outside, too.
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'capitals',
      build: page('HTTPS://Campus.TarnHollow.example/shells/77'),
      subjects: [['p']],
      rules,
    },
    {
      name: 'a picture',
      build: (c) =>
        void c.page('P', '<img src="https://campus.tarnhollow.example/77/a.png" alt="">', { ref: 'p' }),
      subjects: [['p']],
      rules,
    },
    {
      name: 'two links are one finding',
      build: (c) =>
        void c.page(
          'P',
          '<a href="https://campus.tarnhollow.example/1">a</a><a href="https://campus.tarnhollow.example/2">b</a>',
          { ref: 'p' },
        ),
      subjects: [['p']],
      rules,
      expect: ([f]) => expect(f!.title).toMatch(/2 links/),
    },
    {
      name: 'in a discussion, relinked from the package’s root',
      build: (c) => {
        c.discussion('D', '<a href="https://campus.tarnhollow.example/77/tally.pdf">x</a>', { ref: 'd' });
        c.file('sheets/tally.pdf', 'x');
      },
      subjects: [['d']],
      rules,
    },
  ],
  silent: [
    { name: 'shared by all', build: page('https://campus.tarnhollow.example/library/search'), rules },
    { name: 'another host', build: page('https://streams.example/a'), rules },
    { name: 'a host that only ends alike', build: page('https://notcampus.tarnhollow.example/a'), rules },
    {
      name: 'relative',
      build: (c) => {
        page('tally.pdf')(c);
        c.file('tally.pdf', 'x');
      },
      rules,
    },
    {
      name: 'a base elsewhere',
      build: (c) => void c.page('P', '<base href="https://rivers.example/77/"><a href="flow.html">x</a>'),
      rules,
    },
    {
      name: 'a base that all share',
      build: (c) =>
        void c.page('P', '<base href="https://campus.tarnhollow.example/library/"><a href="flow.html">x</a>'),
      rules,
    },
    { name: 'no campus host is named', build: page('https://campus.tarnhollow.example/shells/77') },
    {
      name: 'named in words only',
      build: (c) => void c.page('P', '<p>campus.tarnhollow.example/shells/77</p>'),
      rules,
    },
    { name: 'a shared help host', build: page('https://help.campus.tarnhollow.example/forms'), rules },
  ],
});
