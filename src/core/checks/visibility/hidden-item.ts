import { z } from 'zod';
import { collect } from '@/core/collect';
import { targetNodes } from '@/core/links/graph';
import type { Item } from '@/core/shell/model';
import { dateOf, spellDate } from '@/core/dates/local-date';
import { defineCheck, missing } from '@/core/checks/check/check';

export const hiddenItem = defineCheck({
  id: 'visibility.hidden-item',
  title: 'Hidden',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['outline', 'links', 'shadowed', 'staffStores'],
  options: z.object({}),
  messages: {
    item: '“{title}” is hidden from students',
    module: '“{title}” is hidden from students, with {count} items inside',
  },
  things: ['hidden item', 'hidden items'],
  question: 'Are these meant to be hidden this term?',
  page: {
    means: 'An item’s own switch hides it. A hidden module counts once; what is inside is part of it.',
    why: 'A copy keeps every hidden switch. Work that is meant for this term stays out of sight, and what was put away for good is still there.',
    example: '“Rating curve” has been hidden since the copy, and Week 3 links to it.',
    remedy: 'Yours to choose: show it, delete it, or leave it be because hiding it is intended.',
    notWhen: 'It stands inside another hidden module, or in a module for staff as the house rules name it.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.shown !== null)
      ? null
      : missing('nobody told what is hidden: give a status sheet'),
  *find({ shell, facts }) {
    const nodes = new Map(shell.items.map((i) => [`item:${i.ref}`, i]));
    const placesOf = new Map<string, Item[]>();
    for (const item of shell.items) if (item.content) collect(placesOf, `content:${item.content}`, item);
    // What is shown inside is part of this, unless it is graded or linked: then it is a finding of its own.
    const part = new Map(
      facts.shadowed.map((g) => [
        g.container.ref,
        g.serious.length ? [] : g.items.map((i) => i.ref as string),
      ]),
    );
    for (const item of shell.items) {
      if (item.shown !== false) continue;
      const around = facts.outline.ancestors(item);
      if (around.some((a) => a.shown === false)) continue;
      const inside = facts.outline.descendants(item.ref).filter((i) => !facts.staffStores.holds(i));
      const linkers = new Set<string>();
      for (const node of targetNodes(shell, item.content))
        for (const edge of facts.links.incoming.get(node) ?? [])
          if (edge.kind === 'address') {
            const from = nodes.get(edge.from) ?? placesOf.get(edge.from)?.[0];
            if (from && from.ref !== item.ref) linkers.add(from.title);
          }
      const since = item.modified ?? item.created;
      yield {
        message: inside.length
          ? { id: 'module', params: { title: item.title, count: inside.length } }
          : { id: 'item', params: { title: item.title } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          {
            label: 'Hidden since',
            value: since ? `${spellDate(dateOf(since))} or later` : 'not known',
            where: item.ref,
          },
          {
            label: 'Linked from',
            value: linkers.size ? [...linkers].map((t) => `“${t}”`).join(', ') : 'nowhere',
          },
          ...(item.batch ? [{ label: 'Came with the import', value: item.batch }] : []),
          ...inside.slice(0, 12).map((i) => ({ label: 'Inside', value: i.title, where: i.ref })),
          ...(inside.length > 12 ? [{ label: 'Inside', value: `and ${inside.length - 12} more` }] : []),
        ],
        remedy: null,
        batch: item.batch ?? '',
        covers: [{ refs: part.get(item.ref) ?? [], checks: ['visibility.shadowed'] }],
      };
    }
  },
});
