import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import { titleKey } from '@/core/text/normalise';
import { defineCheck } from '../check';
import { shortestRepeat } from './repeats';

export const repeatedImport = defineCheck({
  id: 'duplicate.repeated-import',
  title: 'Brought in twice',
  urgency: 'fix-first',
  remedyKind: 'safe',
  needs: ['outline', 'contentKeys', 'repeats'],
  options: z.object({
    shortest: z
      .int()
      .min(shortestRepeat)
      .default(shortestRepeat)
      .describe('Items in a row that must stand again'),
  }),
  messages: {
    again: '{count} items stand twice: {from} to {to} were brought in again',
    partly:
      '{count} items stand twice: {from} to {to} were brought in again; {differ} of them differ and stay',
  },
  things: ['item stands twice', 'items stand twice'],
  page: {
    means: 'A stretch of five or more items stands in the outline twice or more often, in the same order.',
    why: 'A copy that was run twice adds everything again. Students find two of each page and hand in at the wrong one.',
    example:
      'Weeks 4 to 9 stand in the middle of the outline and once more at its end, with the same pages and quizzes.',
    remedy:
      'Deletes the later copies. Links into them lead to the kept counterparts first. An item that differs from its counterpart stays, with the module around it.',
    notWhen:
      'The stretch is headings alone, fewer than half of the items with content are equal in content, or more than one in ten differ.',
  },
  notApplicable: (shell) => (shell.items.some((i) => i.placed) ? null : 'the shell has no outline'),
  *find({ facts, options }) {
    for (const [kept, ...later] of facts.repeats.all) {
      if (!kept || kept.length < options.shortest) continue;
      const subjects = later.flat().filter((i) => i !== null);
      const relink: Record<string, string> = {};
      const equal = new Set<string>();
      for (const copy of later)
        copy.forEach((item, k) => {
          const counterpart = kept[k];
          if (!item || !counterpart) return;
          const key = facts.contentKeys.looseOf(item);
          if (key !== facts.contentKeys.looseOf(counterpart)) return;
          if (key === null && titleKey(item.title) !== titleKey(counterpart.title)) return;
          equal.add(item.ref);
          relink[item.ref] = counterpart.ref;
        });
      const targets = deletable(subjects, equal, facts.outline);
      for (const ref of Object.keys(relink)) if (!targets.has(ref)) delete relink[ref];
      const differ = subjects.filter((i) => !equal.has(i.ref));
      const named = [...kept].filter((i) => i !== null);
      const params = {
        count: subjects.length,
        from: `“${named[0]?.title ?? ''}”`,
        to: `“${named.at(-1)?.title ?? ''}”`,
        differ: differ.length,
      };
      yield {
        message: differ.length ? { id: 'partly', params } : { id: 'again', params },
        subjects: subjects.map((i) => ({ type: 'item', ref: i.ref })),
        keep: named[0]?.ref ?? null,
        evidence: [
          {
            label: 'Equal in content',
            value: differ.length
              ? `${targets.size} of ${subjects.length}; ${differ.length} differ and stay`
              : `all ${subjects.length}`,
          },
          { label: 'Stands first at', value: places(named, facts.outline), where: named[0]?.ref },
          ...later.map((copy) => {
            const there = copy.filter((i) => i !== null);
            return { label: 'Stands again at', value: places(there, facts.outline), where: there[0]?.ref };
          }),
          ...differ.map((i) => ({ label: 'Differs and stays', value: i.title, where: i.ref })),
          ...batchEvidence(subjects),
        ],
        remedy: targets.size
          ? {
              action: 'delete',
              targets: subjects.filter((i) => targets.has(i.ref)).map((i) => i.ref),
              params: { relink },
              kind: 'safe',
            }
          : null,
        batch: named[0]?.ref ?? '',
        covers: [
          { refs: [...targets] },
          // That numbers stand twice is said by this, too, where some of the copies differ.
          {
            refs: subjects.map((i) => i.ref),
            checks: [
              'structure.number-repeat',
              'structure.tail-block',
              'duplicate.near-content',
              'duplicate.placed-twice',
            ],
          },
        ],
        keeps: named.map((i) => i.ref),
      };
    }
  },
});

/** An item goes where its content stands in the kept copy; a module only where all inside it goes too. */
function deletable(subjects: readonly Item[], equal: ReadonlySet<string>, outline: Outline): Set<string> {
  const going = new Set(subjects.filter((i) => equal.has(i.ref)).map((i) => i.ref as string));
  for (const item of [...subjects].reverse())
    if (going.has(item.ref) && outline.children(item.ref).some((child) => !going.has(child.ref)))
      going.delete(item.ref);
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
