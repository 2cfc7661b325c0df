import { elementAt } from '@/core/sure';
import { largest } from '@/core/collect';
import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import { plural } from '@/core/text/plural';
import { defineCheck } from '../check';
import { labelOfItem } from './misfiled';

export const tailBlock = defineCheck({
  id: 'structure.tail-block',
  title: 'Landed at the end',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['series', 'outline'],
  options: z.object({
    together: z.int().min(2).default(3).describe('So many neighbours of one import count as a block'),
  }),
  messages: {
    modules: '{count} stand again after the end of the series: {titles}',
    loose: '{count} landed after the end of the series and belong into its modules: {titles}',
    batch: '{count} of one import landed after the end of the series: {titles}',
  },
  things: ['item that landed at the end', 'items that landed at the end'],
  page: {
    means:
      'After the end of a numbered series of modules stand items that repeat its numbers, or a block that came in one import.',
    why: 'Imports put everything at the bottom. Students who work in Week 4 never get there.',
    example:
      'Behind Week 16 stand “Week 4 quiz”, “Week 5 quiz” and “Week 6 quiz”, all of the import of 9 December.',
    remedy:
      'Moves each into the module whose number it has. Where the number is not told, the place is yours to choose.',
    notWhen:
      'They came with the same import as the series itself, or stand in a module of their own that has no number.',
  },
  notApplicable: () => null,
  *find({ facts, options }) {
    for (const series of facts.series) {
      if (series.members.length < 3 || !series.members.every((m) => m.item.kind === 'module')) continue;
      const first = new Map<string, Item>();
      const again: { item: Item; into: Item }[] = [];
      for (const m of series.members) {
        const key = m.label.numbers.join('.');
        const into = first.get(key);
        if (into) again.push({ item: m.item, into });
        else first.set(key, m.item);
      }
      const siblings = facts.outline.children(series.parent);
      const end = largest([...first.values()].map((item) => siblings.indexOf(item)));
      const tail = again.filter(({ item }) => siblings.indexOf(item) > end);
      if (tail.length) {
        yield {
          message: {
            id: 'modules',
            params: { count: plural(tail.length, 'module'), titles: names(tail.map((t) => t.item)) },
          },
          subjects: tail.map((t) => ({ type: 'item', ref: t.item.ref })),
          evidence: tail.map((t) => ({
            label: 'Belongs to',
            value: `${t.item.title} → ${t.into.title}`,
            where: t.item.ref,
          })),
          remedy: {
            action: 'merge',
            targets: tail.map((t) => t.item.ref),
            params: { with: Object.fromEntries(tail.map((t) => [t.item.ref, t.into.ref])) },
            kind: 'judgement',
          },
          batch: `${series.parent ?? ''} modules`,
        };
      }
      const usual = mostCommon([...first.values()].map((m) => m.batch));
      const loose = siblings.slice(end + 1).filter((i) => i.kind !== 'module' && i.kind !== 'heading');
      const numbered = loose.flatMap((item) => {
        const label = labelOfItem(item.title);
        const into = label && label.label === series.label ? first.get(label.numbers.join('.')) : undefined;
        return into ? [{ item, into }] : [];
      });
      if (numbered.length) {
        yield {
          message: {
            id: 'loose',
            params: { count: plural(numbered.length, 'item'), titles: names(numbered.map((n) => n.item)) },
          },
          subjects: numbered.map((n) => ({ type: 'item', ref: n.item.ref })),
          evidence: numbered.map((n) => ({
            label: 'Belongs to',
            value: `${n.item.title} → ${n.into.title}`,
            where: n.item.ref,
          })),
          remedy: {
            action: 'move',
            targets: numbered.map((n) => n.item.ref),
            params: { places: Object.fromEntries(numbered.map((n) => [n.item.ref, n.into.ref])) },
            kind: 'judgement',
          },
          batch: `${series.parent ?? ''} loose`,
        };
      }
      const told = new Set(numbered.map((n) => n.item));
      for (const block of blocksOf(
        loose.filter((i) => !told.has(i)),
        usual,
        options.together,
      ))
        yield {
          message: { id: 'batch', params: { count: plural(block.length, 'item'), titles: names(block) } },
          subjects: block.map((i) => ({ type: 'item', ref: i.ref })),
          evidence: [
            {
              label: 'Came with the import',
              value: elementAt(block, 0).batch ?? '',
              where: elementAt(block, 0).ref,
            },
            { label: 'The series came with', value: usual ?? 'no import that is known' },
          ],
          remedy: null,
          batch: `${series.parent ?? ''} ${elementAt(block, 0).batch}`,
        };
    }
  },
});

/** Neighbours of one import that is not the series' own. */
function blocksOf(items: readonly Item[], usual: string | null, least: number): Item[][] {
  const blocks: Item[][] = [];
  for (const item of items) {
    if (item.batch === null || item.batch === usual) continue;
    const last = blocks.at(-1);
    if (last && elementAt(last, 0).batch === item.batch) last.push(item);
    else blocks.push([item]);
  }
  return blocks.filter((b) => b.length >= least);
}

function mostCommon(batches: readonly (string | null)[]): string | null {
  const counts = new Map<string | null, number>();
  for (const b of batches) counts.set(b, (counts.get(b) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

const names = (items: readonly Item[]) =>
  `${items
    .slice(0, 3)
    .map((i) => `“${i.title}”`)
    .join(', ')}${items.length > 3 ? ` and ${items.length - 3} more` : ''}`;
