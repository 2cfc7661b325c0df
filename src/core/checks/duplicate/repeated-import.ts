import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import { titleKey } from '@/core/text/normalise';
import type { ContentKeys } from '@/core/compare/content-keys';
import { defineCheck } from '@/core/checks/check/check';
import type { CheckId, Evidence } from '@/core/checks/finding/finding';
import { shortestRepeat } from '@/core/checks/facts/repeats';

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
      const counterparts = equalCounterparts(kept, later, facts.contentKeys);
      const targets = deletable(subjects, counterparts, facts.outline);
      const relink = Object.fromEntries([...counterparts].filter(([ref]) => targets.has(ref)));
      const differ = subjects.filter((i) => !counterparts.has(i.ref));
      const named = kept.filter((i) => i !== null);
      const refs = subjects.map((i) => i.ref);
      const params = {
        count: subjects.length,
        from: `“${named[0]?.title ?? ''}”`,
        to: `“${named.at(-1)?.title ?? ''}”`,
        differ: differ.length,
      };
      yield {
        message: differ.length ? { id: 'partly', params } : { id: 'again', params },
        subjects: refs.map((ref) => ({ type: 'item', ref })),
        keep: named[0]?.ref ?? null,
        evidence: [
          equalShare(subjects.length, targets.size, differ.length),
          standsAt('Stands first at', named, facts.outline),
          ...later.map((copy) =>
            standsAt(
              'Stands again at',
              copy.filter((i) => i !== null),
              facts.outline,
            ),
          ),
          ...differ.map((i) => ({ label: 'Differs and stays', value: i.title, where: i.ref })),
          ...batchEvidence(subjects),
        ],
        remedy: targets.size
          ? {
              action: 'delete',
              targets: refs.filter((ref) => targets.has(ref)),
              params: { relink },
              kind: 'safe',
            }
          : null,
        batch: named[0]?.ref ?? '',
        // That numbers stand twice is said by this, too, where some of the copies differ.
        covers: [{ refs: [...targets] }, { refs, checks: saidBesides }],
        keeps: named.map((i) => i.ref),
      };
    }
  },
});

const saidBesides: readonly CheckId[] = [
  'structure.number-repeat',
  'structure.tail-block',
  'duplicate.near-content',
  'duplicate.placed-twice',
];

type Stretch = readonly (Item | null)[];

/** The kept counterpart of each later item that is equal to it in content, or in its title where neither has content. */
function equalCounterparts(kept: Stretch, later: readonly Stretch[], keys: ContentKeys): Map<string, string> {
  const counterparts = new Map<string, string>();
  for (const copy of later)
    copy.forEach((item, n) => {
      const counterpart = kept[n];
      if (!item || !counterpart) return;
      const key = keys.looseOf(item);
      if (key !== keys.looseOf(counterpart)) return;
      if (key === null && titleKey(item.title) !== titleKey(counterpart.title)) return;
      counterparts.set(item.ref, counterpart.ref);
    });
  return counterparts;
}

const equalShare = (all: number, going: number, differ: number): Evidence => ({
  label: 'Equal in content',
  value: differ ? `${going} of ${all}; ${differ} differ and stay` : `all ${all}`,
});

const standsAt = (label: string, items: readonly Item[], outline: Outline): Evidence => ({
  label,
  value: places(items, outline),
  where: items[0]?.ref,
});

/** An item goes where its content stands in the kept copy; a module only where all inside it goes too. */
function deletable(
  subjects: readonly Item[],
  equal: ReadonlyMap<string, unknown>,
  outline: Outline,
): Set<string> {
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
