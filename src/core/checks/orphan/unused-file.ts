import { z } from 'zod';
import { collect } from '@/core/collect';
import { fileNode, type NodeKey } from '@/core/links/graph';
import type { ShellFile } from '@/core/shell/model';
import { spellBytes } from '@/core/text/spell-bytes';
import { defineCheck } from '@/core/checks/check/check';

export const unusedFile = defineCheck({
  id: 'orphan.unused-file',
  title: 'Files nothing points at',
  urgency: 'tidy',
  remedyKind: 'depends',
  needs: ['links', 'reached'],
  options: z.object({}),
  messages: {
    none: 'Nothing points at “{name}” ({size})',
    orphans: 'Only pages that nobody can reach use “{name}” ({size})',
  },
  things: ['file nothing points at', 'files nothing points at'],
  page: {
    means:
      'No chain of references leads to the file from the outline, the home page, an announcement, an activity or a question bank in use.',
    why: 'Copies drag along hand-outs and pictures of terms long gone. Nobody dares to delete them, since nobody can tell which are still used.',
    example: 'bridge-2019.jpg lies in a folder of pictures; no page shows it any more.',
    remedy: 'Deletes the file. Where a page that itself is out of reach uses it, that page has to go first.',
    notWhen:
      'A used page needs it as a style sheet, script, font or picture, or a resource that Currycomb can’t read owns it.',
  },
  notApplicable: (shell) => (shell.files.length ? null : 'there are no files'),
  *find({ shell, facts }) {
    const unused = shell.files.filter((f) => !facts.reached.has(fileNode(f.path)));
    const byFolder = new Map<string, ShellFile[]>();
    for (const file of unused) collect(byFolder, folderOf(file), file);
    const contents = new Map(shell.contents.map((c) => [c.id, c]));
    const titles = new Map<NodeKey, string>();
    for (const content of shell.contents)
      titles.set(`content:${content.id}`, content.title || (content.href ?? content.id));
    for (const item of shell.items) if (item.content) titles.set(`content:${item.content}`, item.title);
    for (const file of unused) {
      const users = usersOf(file);
      const nearby = (byFolder.get(folderOf(file)) ?? []).length - 1;
      const params = { name: file.path, size: spellBytes(file.bytes) };
      yield {
        message: users.length ? { id: 'orphans', params } : { id: 'none', params },
        subjects: [{ type: 'file', ref: file.path }],
        evidence: [
          { label: 'Size', value: spellBytes(file.bytes), where: file.path },
          {
            label: 'Nearby',
            value: nearby
              ? `${nearby} more unused in ${folderOf(file) || 'the top folder'}`
              : 'the only unused file in its folder',
          },
          ...users.map((u) => ({
            label: 'Used by',
            value: `${u.title}, which nobody can reach`,
            where: u.node.slice(u.node.indexOf(':') + 1),
          })),
        ],
        remedy: {
          action: 'delete',
          targets: [file.path],
          params: {},
          kind: users.length ? 'judgement' : 'safe',
        },
        batch: users.length ? 'orphans' : '',
      };
    }

    /** Orphans that use the file, or that depend on the resource it belongs to. */
    function usersOf(file: ShellFile): { node: NodeKey; title: string }[] {
      const owner = contents.get(file.content);
      const direct = (facts.links.incoming.get(fileNode(file.path)) ?? []).filter(
        (e) => e.kind !== 'owns' || owner?.kind !== 'file',
      );
      const dependent = (facts.links.incoming.get(`content:${file.content}`) ?? []).filter(
        (e) => e.kind === 'dependency',
      );
      const users = new Set([...direct, ...dependent].map((e) => e.from));
      return [...users].map((node) => ({
        node,
        title: titles.get(node) ?? node.slice(node.indexOf(':') + 1),
      }));
    }
  },
});

const folderOf = (file: ShellFile): string => file.path.slice(0, Math.max(0, file.path.lastIndexOf('/')));
