import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import { defineCheck } from '@/core/checks/check/check';

export const emptyModule = defineCheck({
  id: 'orphan.empty-module',
  title: 'Empty modules',
  urgency: 'look-at',
  remedyKind: 'safe',
  needs: ['outline'],
  options: z.object({}),
  messages: {
    module: 'The module “{title}” has nothing in it',
    nested: 'The module “{title}” holds only empty modules',
    heading: 'The heading “{title}” is followed by nothing',
  },
  things: ['empty module', 'empty modules'],
  page: {
    means:
      'A module holds nothing, or only empty modules; or a heading stands with nothing below it before the next heading or the end.',
    why: 'Students open it and find nothing, and ask what they are missing.',
    example: '“Optional readings” lost its last page two terms ago; the module stayed.',
    remedy: 'Deletes the empty module or heading, with empty modules inside it.',
    notWhen: 'There is anything in it, hidden things included.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.kind === 'module' || i.kind === 'heading') ? null : 'there are no modules',
  *find({ shell, facts }) {
    const empty = emptyModules(shell.items, facts.outline);
    for (const item of shell.items) {
      if (item.kind === 'heading' && item.placed && isBareHeading(item, facts.outline)) {
        yield {
          message: { id: 'heading', params: { title: item.title } },
          subjects: [{ type: 'item', ref: item.ref }],
          evidence: [
            { label: 'Below it', value: 'nothing before the next heading or the end', where: item.ref },
          ],
          remedy: { action: 'delete', targets: [item.ref], params: {}, kind: 'safe' },
        };
        continue;
      }
      if (!empty.has(item.ref)) continue;
      const inside = facts.outline.descendants(item.ref);
      yield {
        message: inside.length
          ? { id: 'nested', params: { title: item.title } }
          : { id: 'module', params: { title: item.title } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          {
            label: 'Inside',
            value: inside.length ? `${inside.length} empty modules` : 'nothing',
            where: item.ref,
          },
          ...(item.batch ? [{ label: 'Came with the import', value: item.batch }] : []),
        ],
        remedy: {
          action: 'delete',
          targets: [item.ref, ...inside.map((i) => i.ref)],
          params: {},
          kind: 'safe',
        },
        covers: [{ refs: inside.map((i) => i.ref) }],
      };
    }
  },
});

function emptyModules(items: readonly Item[], outline: Outline): Set<string> {
  const empty = new Set<string>();
  for (const item of [...items].reverse())
    if (
      item.kind === 'module' &&
      item.placed &&
      outline.children(item.ref).every((child) => empty.has(child.ref))
    )
      empty.add(item.ref);
  return empty;
}

function isBareHeading(heading: Item, outline: Outline): boolean {
  const siblings = outline.children(heading.parent);
  const next = siblings[siblings.indexOf(heading) + 1];
  return outline.children(heading.ref).length === 0 && (next === undefined || next.kind === 'heading');
}
