import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases, shellFrom } from '../__tests__/check-cases';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';
import { unreachablePage } from './unreachable-page';

const lost = (c: ShellComposer, html = '<p>x</p>', path = 'lost.html') =>
  c.page('Lost', html, { outside: true, path });

checkCases(unreachablePage, {
  fires: [
    {
      name: 'nothing links to it',
      build: (c) => void lost(c),
      subjects: [['resource:r1']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'delete', kind: 'judgement' }),
    },
    {
      name: 'two that link to each other',
      build: (c) =>
        void [lost(c, '<a href="b.html">b</a>', 'a.html'), lost(c, '<a href="a.html">a</a>', 'b.html')],
      isBlocked: true,
      subjects: [['resource:r1'], ['resource:r2']],
      expect: ([f]) => expect(f!.evidence[0]!.value).toMatch(/nobody can reach either/),
    },
    {
      name: 'named in words only',
      build: (c) => void [c.page('P', '<p>See lost.html.</p>', { path: 'p.html' }), lost(c)],
      subjects: [['resource:r3']],
    },
    {
      name: 'named in a comment',
      build: (c) => void [c.page('P', '<!-- <a href="lost.html">x</a> -->', { path: 'p.html' }), lost(c)],
      subjects: [['resource:r3']],
    },
    {
      name: 'a link that leads elsewhere',
      build: (c) => void [c.page('P', '<a href="lost2.html">x</a>', { path: 'p.html' }), lost(c)],
      subjects: [['resource:r3']],
    },
    {
      name: 'only a home page not in use links to it',
      build: (c) => {
        c.page('Home', '<a href="lost.html">x</a>', { outside: true, path: 'h.html' });
        lost(c);
        const s = c.shell();
        return {
          items: s.items.map((i) => (i.title === 'Home' ? { ...i, kind: 'home-page' as const } : i)),
          homePages: [{ ref: s.items.find((i) => i.title === 'Home')!.ref, title: 'Home', inUse: false }],
        };
      },
      isBlocked: true,
      subjects: [['resource:r2']],
    },
  ],
  silent: [
    {
      name: 'a placed page links to it',
      build: (c) => void [c.page('P', '<a href="lost.html">x</a>', { path: 'p.html' }), lost(c)],
    },
    {
      name: 'through another one',
      build: (c) =>
        void [
          c.page('P', '<a href="mid.html">x</a>', { path: 'p.html' }),
          lost(c, '<a href="lost.html">y</a>', 'mid.html'),
          lost(c),
        ],
    },
    {
      name: 'a hidden page links to it',
      build: (c) =>
        void [c.page('P', '<a href="lost.html">x</a>', { path: 'p.html', shown: false }), lost(c)],
    },
    {
      name: 'a discussion links to it',
      build: (c) => void [c.discussion('D', '<a href="$IMS-CC-FILEBASE$/lost.html">x</a>'), lost(c)],
    },
    { name: 'placed', build: (c) => void c.page('P', '<p>x</p>') },
    {
      name: 'an announcement',
      build: (c) => {
        lost(c);
        return { items: c.shell().items.map((i) => ({ ...i, kind: 'announcement' as const })) };
      },
    },
    {
      name: 'framed',
      build: (c) => void [c.page('P', '<iframe src="lost.html"></iframe>', { path: 'p.html' }), lost(c)],
    },
  ],
});

test('files that only it uses are part of its finding', () => {
  const shell = shellFrom((c) => void [lost(c, '<img src="a.png">'), c.file('a.png', 'x')]);
  const { findings } = runChecks(shell, { checks: allChecks });
  const page = findings.find((f) => f.check === 'orphan.unreachable-page')!;
  expect(findings.find((f) => f.check === 'orphan.unused-file')!.coveredBy).toBe(page.id);
});
