import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { formerTool } from './former-tool';

/** A tool link: made as a web link and turned into one. */
const tool = (url: string) => (c: ShellComposer) => {
  c.webLink('Test room', url, { ref: 't' });
  const s = c.shell();
  return {
    items: s.items.map((i) => ({ ...i, kind: 'tool-link' as const })),
    contents: s.contents.map((x) => ({ ...x, kind: 'tool-link' as const })),
  };
};
const rules = { currentTools: ['lab.tools.example', 'https://maps.example/', '*.quiz.example'] };

checkCases(formerTool, {
  fires: [
    {
      name: 'another host',
      build: tool('https://proctor.example/launch'),
      subjects: [['t']],
      rules,
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'delete', kind: 'judgement' }),
    },
    {
      name: 'a host that only ends alike',
      build: tool('https://mylab.tools.example.org/x'),
      subjects: [['t']],
      rules,
    },
    { name: 'a host that contains it', build: tool('https://notmaps.example/x'), subjects: [['t']], rules },
    { name: 'the parent of a current one', build: tool('https://tools.example/x'), subjects: [['t']], rules },
    {
      name: 'another port, another host',
      build: tool('https://old.example:8443/x'),
      subjects: [['t']],
      rules,
    },
    {
      name: 'named in the path only',
      build: tool('https://old.example/lab.tools.example'),
      subjects: [['t']],
      rules,
    },
  ],
  silent: [
    { name: 'current', build: tool('https://lab.tools.example/launch'), rules },
    { name: 'capitals and a port', build: tool('https://LAB.tools.example:443/x'), rules },
    { name: 'a part of a current one', build: tool('https://north.maps.example/x'), rules },
    { name: 'by a pattern', build: tool('https://a.quiz.example/x'), rules },
    { name: 'the list is empty', build: tool('https://proctor.example/launch') },
    { name: 'a web link', build: (c) => void c.webLink('Old', 'https://proctor.example/x'), rules },
    { name: 'no address that can be read', build: tool('not an address'), rules },
  ],
});
