import { nameOfSeries } from '@/core/checks/facts/series';
import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';
import { countsAlong } from './counted-series';
import { compareNumbers } from '@/core/text/number-label';

export const numberGap = defineCheck({
  id: 'structure.number-gap',
  title: 'A number that is missing',
  urgency: 'tidy',
  remedyKind: 'none',
  needs: ['series'],
  options: z.object({}),
  messages: {
    one: '{label} {missing} is missing between “{before}” and “{after}”',
    many: '{label} {missing} are missing between “{before}” and “{after}”',
  },
  things: ['neighbour of a missing number', 'neighbours of a missing number'],
  page: {
    means:
      'In a series of modules, or of three or more siblings that count, a number is missing between two neighbours.',
    why: 'Students look for Week 5 and think that something was not opened for them.',
    example: 'Week 4 is followed by Week 6: the week of the excursion was taken out.',
    remedy: 'Yours to choose: renumber what follows, or say why the number is missing.',
    notWhen: 'More numbers are missing than are there, as in a list of chapters to read.',
  },
  notApplicable: () => null,
  *find({ facts }) {
    for (const series of facts.series) {
      if (!countsAlong(series)) continue;
      const sorted = [...series.members].sort((a, b) => compareNumbers(a.label.numbers, b.label.numbers));
      const gaps = sorted.flatMap((after, i) => {
        const before = sorted[i - 1];
        const missing = before ? missingBetween(before.label.numbers, after.label.numbers) : [];
        return before && missing.length ? [{ before, after, missing }] : [];
      });
      const missingInAll = gaps.reduce((n, g) => n + g.missing.length, 0);
      const present = new Set(sorted.map((m) => m.label.numbers.join('.'))).size;
      if (missingInAll >= present) continue;
      for (const { before, after, missing } of gaps) {
        const label = nameOfSeries(series);
        yield {
          message: {
            id: missing.length === 1 ? 'one' : 'many',
            params: {
              label,
              missing: missing.join(', '),
              before: before.item.title,
              after: after.item.title,
            },
          },
          subjects: [before, after].map((m) => ({ type: 'item', ref: m.item.ref })),
          evidence: [
            { label: 'Missing', value: missing.join(', '), where: after.item.ref },
            { label: 'Between', value: `${before.item.title} and ${after.item.title}` },
          ],
          remedy: null,
        };
      }
    }
  },
});

/** The numbers between two of one depth that differ in their last place only. */
function missingBetween(a: readonly number[], b: readonly number[]): string[] {
  if (a.length !== b.length || a.slice(0, -1).join('.') !== b.slice(0, -1).join('.')) return [];
  const [from, to] = [elementAt(a, -1), elementAt(b, -1)];
  const stem = a.slice(0, -1);
  return Array.from({ length: Math.max(0, Math.min(to - from - 1, 50)) }, (_, k) =>
    [...stem, from + 1 + k].join('.'),
  );
}
