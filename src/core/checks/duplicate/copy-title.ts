import { elementAt, valueFor } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import type { Item } from '@/core/shell/model';
import { compatible } from '@/core/text/compatible';
import { english } from '@/core/text/english';
import { titleKey } from '@/core/text/normalise';
import type { Facts } from '@/core/checks/facts/facts';
import { defineCheck } from '@/core/checks/check/check';

export const copyTitle = defineCheck({
  id: 'duplicate.copy-title',
  title: 'Named as a copy',
  urgency: 'tidy',
  remedyKind: 'none',
  needs: ['outline', 'contentKeys'],
  options: z.object({}),
  messages: {
    copy: '“{copy}” is named as a copy of “{original}”',
    namesakes: '{count} of the same kind are called “{title}”, side by side',
  },
  things: ['item named as a copy', 'items named as copies'],
  counts: 'findings',
  question: 'Are these copies still wanted beside their originals?',
  page: {
    means:
      'A title is the title of another item of the same kind with a mark of a copy: “Copy of X”, “X - Copy”, “X copy 2”, “X (2)”. Or two items of one kind in one module have the same title, and each says something else.',
    why: 'Somebody made it to try something, and nobody remembers which one is valid.',
    example: '“Site report” and “Site report (2)”.',
    remedy: 'None is proposed: look which one is wanted.',
    notWhen: 'The original is not there, or both say the same, which another check says.',
  },
  notApplicable: (shell) => (shell.items.length > 1 ? null : 'there are not two items'),
  *find({ shell, facts }) {
    const byTitle = new Map<string, Item[]>();
    for (const item of shell.items) collect(byTitle, `${item.kind} ${titleKey(item.title)}`, item);
    for (const namesakes of namesakesIn(shell.items)) {
      if (saySame(namesakes, facts)) continue;
      yield {
        message: {
          id: 'namesakes',
          params: { title: elementAt(namesakes, 0).title, count: namesakes.length },
        },
        subjects: namesakes.map(({ ref }) => ({ type: 'item', ref })),
        evidence: namesakes.map((item) => ({
          label: 'Stands at',
          value: [...facts.outline.path(item), item.title].join(' › '),
          where: item.ref,
        })),
        remedy: null,
        confidence: 0.7,
      };
    }
    for (const item of shell.items) {
      const stem = english.copyTitle
        .map((p) => p.exec(compatible(item.title).trim())?.[1])
        .find((s) => s !== undefined && byTitle.has(`${item.kind} ${titleKey(s)}`));
      if (stem === undefined) continue;
      // Among many of one title a few are enough to tell.
      const originals = valueFor(byTitle, `${item.kind} ${titleKey(stem)}`)
        .slice(0, 50)
        .filter((o) => o.ref !== item.ref);
      const original = originals[0];
      if (!original) continue;
      const key = facts.contentKeys.of(item);
      if (
        originals.some(
          (o) =>
            (key !== null && facts.contentKeys.of(o) === key) ||
            (o.content !== null && o.content === item.content),
        )
      )
        continue;
      yield {
        message: { id: 'copy', params: { copy: item.title, original: original.title } },
        subjects: [
          { type: 'item', ref: original.ref },
          { type: 'item', ref: item.ref },
        ],
        evidence: [original, item].map((i) => ({
          label: i === item ? 'Named as a copy' : 'The other',
          value: [...(i.placed ? facts.outline.path(i) : ['Outside the outline']), i.title].join(' › '),
          where: i.ref,
        })),
        remedy: null,
        confidence: 0.8,
      };
    }
  },
});

/** Items of one kind and one title, side by side in one module; what only divides the outline is none of them. */
function namesakesIn(items: readonly Item[]): readonly (readonly Item[])[] {
  const byPlace = new Map<string, Item[]>();
  for (const item of items) {
    if (!item.placed || item.kind === 'module' || item.kind === 'heading') continue;
    const key = titleKey(item.title);
    if (key !== '') collect(byPlace, JSON.stringify([item.parent, item.kind, key]), item);
  }
  return [...byPlace.values()].filter((namesakes) => namesakes.length > 1);
}

/** Whether two of them show one thing or say the same: other checks tell that. */
function saySame(items: readonly Item[], facts: Pick<Facts, 'contentKeys'>): boolean {
  const contents = items.map((item) => facts.contentKeys.of(item) ?? item.content ?? item.ref);
  return new Set(contents).size < items.length;
}
