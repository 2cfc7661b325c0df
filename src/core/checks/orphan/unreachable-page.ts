import { z } from 'zod';
import { contentNode, fileNode, filesByContent } from '@/core/links/graph';
import { plural } from '@/core/text/plural';
import { defineCheck } from '@/core/checks/check/check';

export const unreachablePage = defineCheck({
  id: 'orphan.unreachable-page',
  title: 'Pages nobody can reach',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['links', 'reached'],
  options: z.object({}),
  messages: { page: 'Nothing leads to the page “{title}”' },
  things: ['page nobody can reach', 'pages nobody can reach'],
  page: {
    means: 'A page stands outside the outline, and no chain of links from anything placed leads to it.',
    why: 'Students cannot get there. You still correct it every term, or it is found by a search and read as valid.',
    example: '“Meeting place, Autumn 2025” was taken out of its module and stayed in the shell.',
    remedy: 'Deletes the page. If it is still wanted, place it in a module instead.',
    notWhen:
      'A page in use, an announcement, an activity or the home page links to it, directly or through others.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.kind === 'page' && !i.placed) ? null : 'every page stands in the outline',
  *find({ shell, facts }) {
    const owned = filesByContent(shell);
    const titles = new Map(shell.items.map((i) => [`content:${i.content}`, i.title]));
    for (const page of shell.items) {
      if (page.kind !== 'page' || page.placed || page.content === null) continue;
      const node = contentNode(page.content);
      if (
        facts.reached.has(node) ||
        (owned.get(page.content) ?? []).some((f) => facts.reached.has(fileNode(f.path)))
      )
        continue;
      const incoming = (facts.links.incoming.get(node) ?? []).filter((e) => e.kind === 'address');
      const uses = (facts.links.outgoing.get(node) ?? [])
        .filter((e) => e.to.startsWith('file:') && !facts.reached.has(e.to))
        .map((e) => e.to.slice(5));
      const files = [...new Set(uses)];
      yield {
        message: { id: 'page', params: { title: page.title } },
        subjects: [{ type: 'item', ref: page.ref }],
        evidence: [
          ...(incoming.length
            ? [...new Set(incoming.map((e) => e.from))].map((from) => ({
                label: 'Linked from',
                value: `${titles.get(from) ?? from.slice(from.indexOf(':') + 1)}, which nobody can reach either`,
                where: from.slice(from.indexOf(':') + 1),
              }))
            : [{ label: 'Linked from', value: 'nowhere', where: page.ref }]),
          ...(files.length
            ? [{ label: 'Uses', value: `${plural(files.length, 'file')} that nothing else in use needs` }]
            : []),
        ],
        remedy: { action: 'delete', targets: [page.ref], params: {}, kind: 'judgement' },
        covers: [{ refs: files, checks: ['orphan.unused-file'] }],
      };
    }
  },
});
