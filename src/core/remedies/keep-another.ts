import { entryOf } from '@/core/entries';
import type { Finding, Remedy } from '@/core/checks/finding/finding';
import type { ItemRef } from '@/core/refs/refs';
import type { Shell } from '@/core/shell/model';
import type { OtherRemedy } from './other-remedies';

/** Of a group of more things than this only the proposed one stays: nobody compares them one by one. */
const mostCandidates = 24;

type Kept = Pick<Finding, 'subjects' | 'remedy' | 'keep'>;

/**
 * The same remedy with another of the alike things staying: one for each that would go. Links to the others, or their
 * columns, are led to that one. None where the remedy does not lead everything to the one that stays.
 */
export function keepAnother(shell: Shell, { subjects, remedy, keep }: Kept): OtherRemedy[] {
  if (remedy === null || keep === null) return [];
  if (remedy.targets.length === 0 || remedy.targets.length >= mostCandidates) return [];
  const wording = wordingOf(remedy, keep);
  if (wording === null) return [];
  const contentOf = new Map(shell.items.map((item) => [item.ref, item.content]));
  const titles = new Map(subjects.map((subject) => [subject.ref, subject.title]));
  return remedy.targets.map((stays) => {
    const content = contentOf.get(stays as ItemRef) ?? null;
    // Another place of what stays is no copy of it.
    const isCopy = (ref: string) => content === null || contentOf.get(ref as ItemRef) !== content;
    const targets = [keep, ...remedy.targets].filter((ref) => ref !== stays && isCopy(ref));
    return {
      label: `Keep “${titles.get(stays) ?? stays}” instead, ${wording.verb} ${targets.length}`,
      keeps: stays,
      step: { action: remedy.action, targets, params: wording.params(targets, stays) },
    };
  });
}

interface Wording {
  readonly verb: string;
  readonly params: (targets: readonly string[], stays: string) => Readonly<Record<string, unknown>>;
}

function wordingOf({ action, params, targets }: Remedy, keep: string): Wording | null {
  const leadsAllTo = (led: Readonly<Record<string, string>> | undefined) =>
    led !== undefined && targets.every((ref) => entryOf(led, ref) === keep);
  const toOne = (refs: readonly string[], one: string) => Object.fromEntries(refs.map((ref) => [ref, one]));
  if (action === 'delete' && leadsAllTo(params.relink))
    return { verb: 'delete', params: (refs, stays) => ({ relink: toOne(refs, stays) }) };
  if (action === 'merge' && leadsAllTo(params.with))
    return { verb: 'merge', params: (refs, stays) => ({ with: toOne(refs, stays) }) };
  return null;
}
