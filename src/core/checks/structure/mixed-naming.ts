import { entryOf } from '@/core/entries';
import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';
import type { SeriesMember } from '@/core/checks/facts/series';

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
    notWhen:
      'Only capitals or the plural differ, or the numbers below ten are written with a nought throughout.',
  },
  notApplicable: () => null,
  *find({ facts }) {
    for (const series of facts.series) {
      if (series.label === '#' || series.members.length < 2) continue;
      const counts = new Map<string, number>();
      for (const m of series.members)
        for (const form of formsOf(m)) counts.set(form, (counts.get(form) ?? 0) + 1);
      const most = ([, a]: [string, number], [, b]: [string, number]) => b - a;
      const way = wayOf([...counts].sort(most)[0]?.[0] ?? '', counts);
      const usual = [...counts].filter(([form]) => inSmall(form) === way).sort(most)[0]?.[0] ?? '';
      const odd = series.members.filter((m) => !formsOf(m).some((form) => inSmall(form) === way));
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
            value: `${m.item.title} → ${entryOf(titles, m.item.ref)}`,
            where: m.item.ref,
          })),
        ],
        remedy: {
          action: 'rename',
          targets: odd.map((m) => m.item.ref),
          params: { titles },
          kind: 'judgement',
        },
        batch: elementAt(odd, 0).item.ref,
      };
    }
  },
});

/** Capitals alone are no other way of naming. */
const inSmall = (form: string): string => form.replace(/^\p{L}+/u, (word) => word.toLowerCase());

/** The way of naming that most titles share, capitals aside; the first one given where two are as frequent. */
function wayOf(first: string, counts: ReadonlyMap<string, number>): string {
  const ways = new Map<string, number>();
  for (const [form, count] of counts) ways.set(inSmall(form), (ways.get(inSmall(form)) ?? 0) + count);
  const most = [...ways].reduce((best, way) => (way[1] > best[1] ? way : best), [
    inSmall(first),
    ways.get(inSmall(first)) ?? 0,
  ] as [string, number]);
  return most[0];
}

/** The ways in which a title can be meant; from ten on a number shows no nought, and a plural is the same word. */
function formsOf(m: SeriesMember): string[] {
  const form = m.label.form.replace(
    /^(weeks|units|lessons|modules|chapters|sessions|topics|parts|labs|lectures)(?=[\s\d])/i,
    (word) => word.slice(0, -1),
  );
  if (elementAt(m.label.numbers, 0) >= 10 && /1$/.test(form) && !/01$/.test(form))
    return [form, form.replace(/1$/, '01')];
  return [form];
}

function renamed(m: SeriesMember, usual: string): string {
  const number = m.label.numbers.join('.');
  if (usual.endsWith(' A'))
    return (
      usual.replace(/A$/, String.fromCharCode(64 + (m.label.numbers[0] ?? 1))) +
      m.item.title.normalize('NFKC').slice(m.label.end)
    );
  const written = /01$/.test(usual) ? number.padStart(2, '0') : number;
  return usual.replace(/(?:01|1|I|one)$/, written) + m.item.title.normalize('NFKC').slice(m.label.end);
}
