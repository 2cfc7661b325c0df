import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import type { Item } from '@/core/shell/model';
import { defineCheck } from '@/core/checks/check/check';

export const placedTwice = defineCheck({
  id: 'duplicate.placed-twice',
  title: 'One thing in two places',
  urgency: 'tidy',
  remedyKind: 'none',
  needs: ['outline'],
  options: z.object({}),
  messages: { places: '“{title}” stands in {count} places of the outline' },
  things: ['place of something placed twice', 'places of something placed twice'],
  question: 'Are these meant to stand in several places?',
  page: {
    means: 'One and the same resource stands in the outline more than once.',
    why: 'It may be meant: a form that every week needs. It may be a slip, and students wonder whether they have to do it twice.',
    example: 'The permission form stands under Start here and again under Field days.',
    remedy: 'None is proposed: look which places are wanted, and take away the others.',
    notWhen: 'Two resources only say the same, which another check says.',
  },
  notApplicable: (shell) => (shell.items.some((i) => i.content !== null) ? null : 'no item shows anything'),
  *find({ shell, facts }) {
    const places = new Map<string, Item[]>();
    for (const item of shell.items) if (item.placed && item.content) collect(places, item.content, item);
    for (const items of places.values()) {
      if (items.length < 2) continue;
      yield {
        message: { id: 'places', params: { title: elementAt(items, 0).title, count: items.length } },
        subjects: items.map((i) => ({ type: 'item', ref: i.ref })),
        evidence: items.map((i) => ({
          label: 'Place',
          value: [...facts.outline.path(i), i.title].join(' › '),
          where: i.ref,
        })),
        remedy: null,
      };
    }
  },
});
