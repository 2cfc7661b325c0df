import { elementAt, firstWhere } from '@/core/sure';
import { z } from 'zod';
import { targetNodes } from '@/core/links/graph';
import { webAddressKey } from '@/core/links/web-address';
import type { Item } from '@/core/shell/model';
import { defineCheck } from '@/core/checks/check/check';
import { chooseKeeper, itemCandidate } from '@/core/checks/check/keeper';
import { keepOne } from '@/core/checks/check/remedies';

export const duplicateLink = defineCheck({
  id: 'duplicate.link',
  title: 'The same web link twice',
  urgency: 'look-at',
  remedyKind: 'safe',
  needs: ['outline', 'links'],
  options: z.object({}),
  messages: {
    two: '“{title}” leads to the same address as “{kept}”',
    many: '“{kept}” and {count} more lead to one address',
  },
  things: ['web link that stands twice', 'web links that stand twice'],
  page: {
    means:
      'Two or more web links within one top-level module lead to the same address; scheme, host case, trailing slash, default port and tracking parameters aside.',
    why: 'A list that says the same twice looks careless, and when the address changes only one of them is mended.',
    example: '“Live stage” and “Stage today” both open the page of the gauge at Mill Weir.',
    remedy: 'Deletes all but one. The evidence says why that one stays.',
    notWhen:
      'The addresses name different places of one page (#fragment), or the links stand in different modules.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.kind === 'web-link') ? null : 'there are no web links',
  *find({ shell, facts }) {
    const targets = new Map(shell.contents.map((c) => [c.id, c.target]));
    const groups = new Map<string, { items: Item[]; address: string }>();
    for (const item of shell.items) {
      const address =
        item.kind === 'web-link' && item.placed && item.content ? targets.get(item.content) : null;
      if (!address) continue;
      const top = facts.outline.ancestors(item)[0]?.ref ?? '';
      const key = `${top} ${webAddressKey(address)}`;
      const group = groups.get(key);
      if (group) group.items.push(item);
      else groups.set(key, { items: [item], address });
    }
    for (const { items, address } of groups.values()) {
      if (items.length < 2) continue;
      const peers = new Set(items.flatMap((i) => targetNodes(shell, i.content)));
      const choice = chooseKeeper(
        items.map((i) => itemCandidate(shell, facts.outline, facts.links, i, peers)),
      );
      const kept = firstWhere(items, (i) => i.ref === choice.keep);
      const others = items.filter((i) => i !== kept);
      yield {
        message:
          others.length === 1
            ? { id: 'two', params: { title: elementAt(others, 0).title, kept: kept.title } }
            : { id: 'many', params: { kept: kept.title, count: others.length } },
        subjects: items.map((i) => ({ type: 'item', ref: i.ref })),
        keep: kept.ref,
        evidence: [
          { label: 'Address', value: address },
          { label: 'Why this one stays', value: choice.rule, where: kept.ref },
          ...items.map((i) => ({
            label: i === kept ? 'Stays' : 'Goes',
            value: [...facts.outline.path(i), i.title].join(' › '),
            where: i.ref,
          })),
        ],
        remedy: keepOne(
          kept.ref,
          others.map((i) => i.ref),
          'safe',
        ),
      };
    }
  },
});
