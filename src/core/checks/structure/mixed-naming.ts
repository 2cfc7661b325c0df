import { z } from 'zod';
import { defineCheck } from '../check';
import type { SeriesMember } from './series';

export const mixedNaming = defineCheck({
  id: 'structure.mixed-naming',
  title: 'One series, several ways to name it',
  urgency: 'tidy',
  remedyKind: 'judgement',
  needs: ['series'],
  options: z.object({}),
  messages: { mixed: '{count} of {all} numbered items are not named like the others: {examples}' },
  things: ['item named unlike its series', 'items named unlike their series'],
  page: {
    means: 'The items of one numbered series name themselves in several ways.',
    why: 'A list with Week 3, Wk 4 and W5 looks put together in haste, and a search for “Week 4” finds nothing.',
    example: 'Week 1, Week 2, Wk 3, W4.',
    remedy: 'Renames the few like the many; only the word and the form of the number change.',
    notWhen: 'Only the plural differs, or the numbers below ten are written with a nought throughout.',
  },
  notApplicable: () => null,
  *find({ facts }) {
    for (const series of facts.series) {
      if (series.label === '#' || series.members.length < 2) continue;
      const counts = new Map<string, number>();
      for (const m of series.members)
        for (const form of formsOf(m)) counts.set(form, (counts.get(form) ?? 0) + 1);
      const usual = [...counts].sort((a, b) => b[1] - a[1])[0]![0];
      const odd = series.members.filter((m) => !formsOf(m).includes(usual));
      if (!odd.length) continue;
      const titles = Object.fromEntries(odd.map((m) => [m.item.ref, renamed(m, usual)]));
      yield {
        message: {
          id: 'mixed',
          params: {
            count: odd.length,
            all: series.members.length,
            examples: odd
              .slice(0, 3)
              .map((m) => `“${m.item.title}”`)
              .join(', '),
          },
        },
        subjects: odd.map((m) => ({ type: 'item', ref: m.item.ref })),
        evidence: [
          { label: 'Most are named', value: usual.replace(/01$|1$|I$|one$/, 'N') },
          ...odd.slice(0, 12).map((m) => ({
            label: 'Would be',
            value: `${m.item.title} → ${titles[m.item.ref]}`,
            where: m.item.ref,
          })),
        ],
        remedy: {
          action: 'rename',
          targets: odd.map((m) => m.item.ref),
          params: { titles },
          kind: 'judgement',
        },
        batch: odd[0]!.item.ref,
      };
    }
  },
});

/** The ways in which a title can be meant; from ten on a number shows no nought, and a plural is the same word. */
function formsOf(m: SeriesMember): string[] {
  const form = m.label.form.replace(
    /^(weeks|units|lessons|modules|chapters|sessions|topics|parts|labs|lectures)(?=[\s\d])/i,
    (word) => word.slice(0, -1),
  );
  if (m.label.numbers[0]! >= 10 && /1$/.test(form) && !/01$/.test(form))
    return [form, form.replace(/1$/, '01')];
  return [form];
}

function renamed(m: SeriesMember, usual: string): string {
  const number = m.label.numbers.join('.');
  const written = /01$/.test(usual) ? number.padStart(2, '0') : number;
  return usual.replace(/(?:01|1|I|one)$/, written) + m.item.title.normalize('NFKC').slice(m.label.end);
}
