import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';

export const singleItemFolder = defineCheck({
  id: 'structure.single-item-folder',
  title: 'Folders with one item',
  urgency: 'tidy',
  remedyKind: 'judgement',
  needs: ['outline'],
  options: z.object({}),
  messages: { folder: 'The module “{title}” holds only “{item}”' },
  things: ['module with one item', 'modules with one item'],
  page: {
    means: 'A module inside another module holds exactly one item.',
    why: 'Imports wrap single pages in folders of their own. Every one costs students a click, and every other item costs you three.',
    example: '“Hand-out 3” holds one file, Hand-out 3.',
    remedy: 'Lifts the item out into the module around; the emptied folder goes.',
    notWhen: 'It stands at the top level, or holds two items or more.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.kind === 'module' && i.parent !== null)
      ? null
      : 'no module stands inside another',
  *find({ shell, facts }) {
    for (const folder of shell.items) {
      if (folder.kind !== 'module' || !folder.placed || folder.parent === null) continue;
      const inside = facts.outline.children(folder.ref);
      const only = inside[0];
      if (inside.length !== 1 || !only || only.kind === 'heading') continue;
      yield {
        message: { id: 'folder', params: { title: folder.title, item: only.title } },
        subjects: [{ type: 'item', ref: folder.ref }],
        evidence: [
          { label: 'Holds', value: only.title, where: only.ref },
          { label: 'Stands in', value: facts.outline.path(folder).join(' › ') },
        ],
        remedy: { action: 'lift-out', targets: [only.ref], params: {}, kind: 'judgement' },
      };
    }
  },
});
