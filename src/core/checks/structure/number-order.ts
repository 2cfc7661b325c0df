import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';
import type { SeriesMember } from '@/core/checks/facts/series';
import { compareNumbers } from '@/core/text/number-label';

export const numberOrder = defineCheck({
  id: 'structure.number-order',
  title: 'Numbers out of order',
  urgency: 'look-at',
  remedyKind: 'safe',
  needs: ['series', 'repeats'],
  options: z.object({}),
  messages: {
    order: '{count} numbered {where} stand out of order: {sequence}',
    alphabet: '{count} numbered {where} stand in alphabetical order: {sequence}',
  },
  things: ['numbered item out of order', 'numbered items out of order'],
  page: {
    means:
      'Siblings that count, such as Week 1, Week 2 or 2.1, 2.2, do not stand in the order of their numbers.',
    why: 'Imports sort by the alphabet. Students open Week 10 after Week 1 and miss a deadline.',
    example: 'Week 1, Week 10, Week 11, Week 2: sorted by the alphabet on the way in.',
    remedy:
      'Sorts them by number in the places that they hold now; what stands between them stays where it is.',
    notWhen: 'A number only stands twice, or the out-of-order part is an import that came again.',
  },
  notApplicable: () => null,
  *find({ facts }) {
    for (const series of facts.series) {
      const members = series.members.filter((m) => !facts.repeats.counterpart.has(m.item.ref));
      const first = firstOfEach(members);
      if (
        first.length < 2 ||
        first.every(
          (m, i) => i === 0 || compareNumbers(elementAt(first, i - 1).label.numbers, m.label.numbers) < 0,
        )
      )
        continue;
      const sorted = [...members].sort((a, b) => compareNumbers(a.label.numbers, b.label.numbers));
      const titles = members.map((m) => m.item.title.toLowerCase());
      const alphabetical = titles.every((t, i) => i === 0 || elementAt(titles, i - 1) <= t);
      const sequence = shorten(members.map((m) => m.label.numbers.join('.')));
      yield {
        message: {
          id: alphabetical ? 'alphabet' : 'order',
          params: { count: members.length, where: kindWord(members), sequence },
        },
        subjects: members.map((m) => ({ type: 'item', ref: m.item.ref })),
        evidence: [
          { label: 'Now', value: sequence, where: elementAt(members, 0).item.ref },
          { label: 'By number', value: shorten(sorted.map((m) => m.label.numbers.join('.'))) },
          ...(alphabetical ? [{ label: 'Order', value: 'it is the alphabet’s' }] : []),
        ],
        remedy: { action: 'sort', targets: sorted.map((m) => m.item.ref), params: {}, kind: 'safe' },
        batch: elementAt(members, 0).item.ref,
      };
    }
  },
});

/** Each number where it first stands: a number that comes again later breaks no order. */
function firstOfEach(members: readonly SeriesMember[]): SeriesMember[] {
  const seen = new Set<string>();
  return members.filter((m) => {
    const key = m.label.numbers.join('.');
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

const kindWord = (members: readonly SeriesMember[]) =>
  members.every((m) => m.item.kind === 'module') ? 'modules' : 'items';
const shorten = (numbers: readonly string[]) =>
  numbers.length <= 16
    ? numbers.join(', ')
    : `${numbers.slice(0, 15).join(', ')} and ${numbers.length - 15} more`;
