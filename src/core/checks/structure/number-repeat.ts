import { nameOfSeries } from '@/core/checks/facts/series';
import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';
import { countsAlong, numbersOf } from './counted-series';

export const numberRepeat = defineCheck({
  id: 'structure.number-repeat',
  title: 'A number that stands twice',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['series', 'outline'],
  options: z.object({}),
  messages: { number: '{label} {number} stands {count} times: {titles}' },
  things: ['item whose number stands twice', 'items whose number stands twice'],
  page: {
    means:
      'In a series of modules, or of three or more siblings that count, one number stands twice or more.',
    why: 'Students ask which Week 4 is the right one. Often one of them is last term’s.',
    example: '“Week 4: Velocity” and “Week 4: Loggers” stand side by side.',
    remedy: 'Yours to choose: renumber one, join the two, or delete one.',
    notWhen:
      'Half or more of the siblings repeat a number: then the numbers name weeks, and several things belong to each.',
  },
  notApplicable: () => null,
  *find({ facts }) {
    for (const series of facts.series) {
      if (!countsAlong(series)) continue;
      for (const [number, members] of numbersOf(series)) {
        if (members.length < 2) continue;
        yield {
          message: {
            id: 'number',
            params: {
              label: nameOfSeries(series),
              number,
              count: members.length,
              titles: members.map((m) => `“${m.item.title}”`).join(', '),
            },
          },
          subjects: members.map((m) => ({ type: 'item', ref: m.item.ref })),
          evidence: members.map((m) => ({
            label: 'Stands at',
            value: [...facts.outline.path(m.item), m.item.title].join(' › '),
            where: m.item.ref,
          })),
          remedy: null,
        };
      }
    }
  },
});
