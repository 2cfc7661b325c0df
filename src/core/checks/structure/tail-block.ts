import { elementAt } from '@/core/sure';
import { largest } from '@/core/collect';
import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import { plural } from '@/core/text/plural';
import { defineCheck } from '@/core/checks/check/check';
import { labelOfItem } from './misfiled';
import type { Series } from '@/core/checks/facts/series';

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
    modules: '{count} appear again after the end of the series: {titles}',
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
    notWhen: 'They were imported together with the series, or they are in a module from another import.',
  },
  notApplicable: () => null,
  *find({ facts, options }) {
    for (const series of facts.series) {
      if (series.members.length < 3 || !series.members.every((m) => m.item.kind === 'module')) continue;
      const first = new Map<string, Item>();
      const again: Misplaced[] = [];
      for (const m of series.members) {
        const key = m.label.numbers.join('.');
        const into = first.get(key);
        if (into) again.push({ item: m.item, into });
        else first.set(key, m.item);
      }
      const siblings = facts.outline.children(series.parent);
      const end = largest([...first.values()].map((item) => siblings.indexOf(item)));
      const tail = again.filter(({ item }) => siblings.indexOf(item) > end);
      if (tail.length > 0) yield modulesAgain(tail, series);
      const usual = mostCommon([...first.values()].map((m) => m.batch));
      const behind = siblings.slice(end + 1);
      const loose = behind.filter(isContent);
      const numbered = loose.flatMap((item) => {
        const label = labelOfItem(item.title);
        const into = label && label.label === series.label ? first.get(label.numbers.join('.')) : undefined;
        return into ? [{ item, into }] : [];
      });
      if (numbered.length > 0) yield looseItems(numbered, series);
      const told = new Set([...numbered, ...again].map(({ item }) => item));
      const rest = behind
        .filter((item) => !told.has(item))
        .flatMap((item) => (item.kind === 'module' ? broughtAlong(item, facts.outline) : [item]))
        .filter(isContent);
      for (const block of blocksOf(rest, usual, options.together)) yield oneImport(block, usual, series);
    }
  },
});

/** Something behind the end of a series, and the module of the series that it belongs into. */
interface Misplaced {
  readonly item: Item;
  readonly into: Item;
}

const subjectsOf = (items: readonly Item[]) => items.map(({ ref }) => ({ type: 'item', ref }) as const);

const belongsTo = (misplaced: readonly Misplaced[]) =>
  misplaced.map(({ item, into }) => ({
    label: 'Belongs to',
    value: `${item.title} → ${into.title}`,
    where: item.ref,
  }));

/** The module that each goes into, by ref. */
const places = (misplaced: readonly Misplaced[]) =>
  Object.fromEntries(misplaced.map(({ item, into }) => [item.ref, into.ref]));

function modulesAgain(tail: readonly Misplaced[], { parent }: Series) {
  const items = tail.map(({ item }) => item);
  return {
    message: { id: 'modules', params: { count: plural(items.length, 'module'), titles: names(items) } },
    subjects: subjectsOf(items),
    evidence: belongsTo(tail),
    remedy: {
      action: 'merge',
      targets: items.map(({ ref }) => ref),
      params: { with: places(tail) },
      kind: 'judgement',
    },
    batch: `${parent ?? ''} modules`,
  } as const;
}

function looseItems(numbered: readonly Misplaced[], { parent }: Series) {
  const items = numbered.map(({ item }) => item);
  return {
    message: { id: 'loose', params: { count: plural(items.length, 'item'), titles: names(items) } },
    subjects: subjectsOf(items),
    evidence: belongsTo(numbered),
    remedy: {
      action: 'move',
      targets: items.map(({ ref }) => ref),
      params: { places: places(numbered) },
      kind: 'judgement',
    },
    batch: `${parent ?? ''} loose`,
  } as const;
}

function oneImport(block: readonly Item[], usual: string | null, { parent }: Series) {
  const { batch, ref } = elementAt(block, 0);
  return {
    message: { id: 'batch', params: { count: plural(block.length, 'item'), titles: names(block) } },
    subjects: subjectsOf(block),
    evidence: [
      { label: 'Came with the import', value: batch ?? '', where: ref },
      { label: 'The series came with', value: usual ?? 'no import that is known' },
    ],
    remedy: null,
    batch: `${parent ?? ''} ${batch}`,
  } as const;
}

const isContent = ({ kind }: Item): boolean => kind !== 'module' && kind !== 'heading';

/** What stands in a module and came with it in one import. */
const broughtAlong = (module: Item, outline: Outline): readonly Item[] =>
  outline.children(module.ref).filter(({ batch }) => batch === module.batch);

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
