import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import { titleKey } from '@/core/text/normalise';
import { defineCheck } from '../check';
import type { ContentKeys } from '../content-keys';
import { findRepeatedRuns } from './repeated-runs';

export const repeatedImport = defineCheck({
  id: 'duplicate.repeated-import',
  title: 'Brought in twice',
  urgency: 'fix-first',
  remedyKind: 'safe',
  needs: ['outline', 'contentKeys'],
  options: z.object({ shortest: z.int().min(5).default(5).describe('Items in a row that must stand again') }),
  messages: {
    again: '{count} items stand twice: {from} to {to} were brought in again',
    partly: '{count} items stand twice: {from} to {to} were brought in again; {differ} of them differ and stay',
  },
  things: ['item stands twice', 'items stand twice'],
  page: {
    means: 'A stretch of five or more items stands in the outline twice or more often, in the same order.',
    why: 'A copy that was run twice adds everything again. Students find two of each page and hand in at the wrong one.',
    example: 'Weeks 4 to 9 stand in the middle of the outline and once more at its end, with the same pages and quizzes.',
    remedy:
      'Deletes the later copies. Links into them lead to the kept counterparts first. An item that differs from its counterpart stays, with the module around it.',
    notWhen: 'The stretch is headings alone, fewer than half of the items with content are equal in content, or more than one in ten differ.',
  },
  notApplicable: (shell) => (shell.items.some((i) => i.placed) ? null : 'the shell has no outline'),
  *find({ shell, facts, options }) {
    const items = shell.items.filter((i) => i.placed);
    for (const found of repeats(items, facts.contentKeys, options.shortest)) {
      const [kept, ...later] = orderCopies(found.copies, facts.outline);
      if (!kept) continue;
      const subjects = later.flat().filter((i) => i !== null);
      const relink: Record<string, string> = {};
      const equal = new Set<string>();
      for (const copy of later)
        copy.forEach((item, k) => {
          const counterpart = kept[k];
          if (!item || !counterpart) return;
          const key = facts.contentKeys.of(item);
          if (key !== facts.contentKeys.of(counterpart)) return;
          if (key === null && titleKey(item.title) !== titleKey(counterpart.title)) return;
          equal.add(item.ref);
          relink[item.ref] = counterpart.ref;
        });
      const targets = deletable(subjects, equal, facts.outline);
      for (const ref of Object.keys(relink)) if (!targets.has(ref)) delete relink[ref];
      const differ = subjects.filter((i) => !equal.has(i.ref));
      const named = [...kept].filter((i) => i !== null);
      const params = { count: subjects.length, from: `“${named[0]?.title ?? ''}”`, to: `“${named.at(-1)?.title ?? ''}”`, differ: differ.length };
      yield {
        message: differ.length ? { id: 'partly', params } : { id: 'again', params },
        subjects: subjects.map((i) => ({ type: 'item', ref: i.ref })),
        keep: named[0]?.ref ?? null,
        evidence: [
          { label: 'Stands first at', value: places(named, facts.outline), where: named[0]?.ref },
          ...later.map((copy) => {
            const there = copy.filter((i) => i !== null);
            return { label: 'Stands again at', value: places(there, facts.outline), where: there[0]?.ref };
          }),
          { label: 'Equal in content', value: `${targets.size} of ${subjects.length}` },
          ...differ.map((i) => ({ label: 'Differs and stays', value: i.title, where: i.ref })),
          ...batchEvidence(subjects),
        ],
        remedy: targets.size
          ? { action: 'delete', targets: subjects.filter((i) => targets.has(i.ref)).map((i) => i.ref), params: { relink }, kind: 'safe' }
          : null,
        batch: named[0]?.ref ?? '',
        explains: named.map((i) => i.ref),
      };
    }
  },
});

/** Copies of one stretch; a place that a copy does not have is null. */
interface Repeat {
  readonly copies: (Item | null)[][];
}

function repeats(items: readonly Item[], keys: ContentKeys, shortest: number): Repeat[] {
  const content = items.map((i) => keys.of(i));
  const titles = items.map((i) => titleKey(i.title));
  const classes = joinClasses(items, titles, content);
  const matches = (a: number, b: number) =>
    items[a]!.kind === items[b]!.kind && (titles[a] === titles[b] || (content[a] !== null && content[a] === content[b]));
  const runs = findRepeatedRuns({
    size: items.length,
    classOf: (i) => classes[i]!,
    matches,
    mayReplace: (a, b) => items[a]!.kind === items[b]!.kind,
    shortest,
  });
  const sound = (first: number, again: number, length: number): boolean => {
    let having = 0;
    let equal = 0;
    let others = 0;
    for (let k = 0; k < length; k += 1) {
      if (items[first + k]!.kind !== 'heading') others += 1;
      if (content[first + k] === null) continue;
      having += 1;
      if (content[first + k] === content[again + k]) equal += 1;
    }
    return others > 0 && equal * 2 >= having;
  };
  const taken = new Set<number>();
  const found = new Map<number, { start: number; length: number; copies: number[] }>();
  for (const run of runs) {
    for (const part of splitOverlap(run.first, run.again, run.length, shortest)) {
      if (!sound(part.first, part.again, part.length)) continue;
      let clash = false;
      for (let k = 0; k < part.length; k += 1) if (taken.has(part.again + k)) clash = true;
      if (clash) continue;
      for (let k = 0; k < part.length; k += 1) taken.add(part.again + k);
      const base = [...found.values()].find(
        (f) => (part.first >= f.start && part.first < f.start + f.length) || f.copies.some((c) => part.first >= c && part.first < c + f.length),
      );
      const origin = base ? [base.start, ...base.copies].find((c) => part.first >= c && part.first < c + base.length) : undefined;
      if (base && origin !== undefined && part.first - origin === 0 && part.length <= base.length) base.copies.push(part.again);
      else found.set(part.first * items.length + part.again, { start: part.first, length: part.length, copies: [part.again] });
    }
  }
  return [...found.values()]
    .sort((a, b) => a.start - b.start)
    .map((f) => ({
      copies: [f.start, ...f.copies.sort((a, b) => a - b)].map((c) =>
        Array.from({ length: f.length }, (_, k) => {
          const item = items[c + k];
          return item && (c === f.start || matches(f.start + k, c + k) || item.kind === items[f.start + k]!.kind) ? item : null;
        }),
      ),
    }));
}

/** A stretch that overlaps its own repeat is one stretch repeated end to end: cut it at its own length. */
function splitOverlap(first: number, again: number, length: number, shortest: number): { first: number; again: number; length: number }[] {
  const apart = again - first;
  if (length <= apart) return [{ first, again, length }];
  const period = apart * Math.ceil(shortest / apart);
  const parts = [];
  for (let at = first + period; at < again + length; at += period) {
    const rest = Math.min(period, again + length - at);
    if (rest >= shortest) parts.push({ first, again: at, length: rest });
  }
  return parts;
}

function joinClasses(items: readonly Item[], titles: readonly string[], content: readonly (string | null)[]): number[] {
  const parent = items.map((_, i) => i);
  const root = (i: number): number => {
    let at = i;
    while (parent[at] !== at) at = parent[at] = parent[parent[at]!]!;
    return at;
  };
  const first = new Map<string, number>();
  items.forEach((item, i) => {
    for (const key of [`t ${item.kind} ${titles[i]}`, content[i] === null ? '' : `c ${content[i]}`]) {
      if (key === '') continue;
      const known = first.get(key);
      if (known === undefined) first.set(key, i);
      else parent[root(i)] = root(known);
    }
  });
  return items.map((_, i) => root(i));
}

/** The kept copy first: one with student work before one without, one that students see before a hidden one, else the earlier. */
function orderCopies(copies: (Item | null)[][], outline: Outline): (Item | null)[][] {
  const work = (copy: (Item | null)[]) => copy.filter((i) => (i?.studentWork ?? 0) > 0).length;
  const shown = (copy: (Item | null)[]) => copy.filter((i) => i && outline.isShown(i)).length;
  const best = [...copies.keys()].sort(
    (a, b) => work(copies[b]!) - work(copies[a]!) || Number(shown(copies[b]!) > 0) - Number(shown(copies[a]!) > 0) || a - b,
  )[0]!;
  return [copies[best]!, ...copies.filter((_, i) => i !== best)];
}

/** An item goes where its content stands in the kept copy; a module only where all inside it goes too. */
function deletable(subjects: readonly Item[], equal: ReadonlySet<string>, outline: Outline): Set<string> {
  const going = new Set(subjects.filter((i) => equal.has(i.ref)).map((i) => i.ref as string));
  for (const item of [...subjects].reverse())
    if (going.has(item.ref) && outline.children(item.ref).some((child) => !going.has(child.ref))) going.delete(item.ref);
  return going;
}

function places(items: readonly Item[], outline: Outline): string {
  const name = (item: Item | undefined) => (item ? [...outline.path(item), item.title].join(' › ') : '');
  return `${name(items[0])} … ${name(items.at(-1))}`;
}

function batchEvidence(items: readonly Item[]) {
  const batches = new Set(items.map((i) => i.batch).filter((b) => b !== null));
  return batches.size === 1 ? [{ label: 'Came with the import', value: [...batches][0] ?? '' }] : [];
}

