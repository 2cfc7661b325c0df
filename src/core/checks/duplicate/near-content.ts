import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';

export const nearContent = defineCheck({
  id: 'duplicate.near-content',
  title: 'Nearly the same content',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['outline', 'nearGroups'],
  options: z.object({
    similarity: z
      .number()
      .min(0.3)
      .max(1)
      .default(0.7)
      .describe('Share of four-word runs that two texts must have in common'),
    words: z.int().min(4).default(30).describe('Texts of fewer words are not compared'),
  }),
  messages: {
    two: '“{title}” and “{other}” are nearly the same: {percent} % of their wording',
    links: '“{title}” and {count} more have the same words and other links',
    many: '“{title}” and {count} more are nearly the same, up to {percent} % of their wording',
  },
  things: ['item nearly says what another says', 'items nearly say what another says'],
  question: 'Which of these nearly equal texts is the valid one?',
  page: {
    means:
      'Two or more items of one kind share 70 % or more of their runs of four words, without being the same.',
    why: 'One of them is usually last term’s. Students read the one that you did not correct.',
    example: 'Two copies of “Tube, disc and meter”; one has a sentence more.',
    remedy: 'None is proposed: compare them, then decide which one stays.',
    notWhen: 'The texts have fewer than 30 words, or say exactly the same, which another check says.',
  },
  notApplicable: (shell) => (shell.items.some((i) => i.content !== null) ? null : 'no item has a body'),
  *find({ facts, options }) {
    for (const { items, pairs } of facts.nearGroups(options.similarity, options.words)) {
      const closest = elementAt(pairs, 0);
      const percent = Math.floor(closest.similarity * 100);
      const messageOf = () => {
        const title = items[0]?.title ?? '';
        const count = items.length - 1;
        if (pairs.every((p) => p.similarity === 1)) return { id: 'links', params: { title, count } } as const;
        if (items.length > 2) return { id: 'many', params: { title, count, percent } } as const;
        return { id: 'two', params: { title, other: items[1]?.title ?? '', percent } } as const;
      };
      yield {
        message: messageOf(),
        subjects: items.map((i) => ({ type: 'item', ref: i.ref })),
        evidence: [
          ...pairs.slice(0, 8).map((p) => ({
            label: 'In common',
            value: `${shareOf(p.similarity)} of “${p.a.title}” and “${p.b.title}”`,
            where: p.b.ref,
          })),
          ...items.slice(0, 8).map((i) => ({
            label: 'Stands at',
            value: [...(i.placed ? facts.outline.path(i) : ['Outside the outline']), i.title].join(' › '),
            where: i.ref,
          })),
        ],
        remedy: null,
        confidence: closest.similarity,
      };
    }
  },
});

/** How much of two texts is common, in words; what is not quite all never reads as all. */
const shareOf = (similarity: number): string =>
  similarity === 1 ? 'all words' : `${Math.floor(similarity * 100)} %`;
