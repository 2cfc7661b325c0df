import type { ListedFinding, RemedyAction } from '@/core/checks/finding';

/** What each action is called where it is taken; the count of things follows. */
export const actionWords: Readonly<Record<RemedyAction, string>> = {
  delete: 'Delete',
  hide: 'Hide',
  show: 'Show',
  move: 'Move',
  place: 'Place',
  'lift-out': 'Lift out',
  sort: 'Sort',
  rename: 'Rename',
  merge: 'Merge',
  relink: 'Relink',
  unlink: 'Unlink in',
  're-date': 'Re-date',
  'end-recurrence': 'End',
  'exclude-occurrence': 'Take dates out of',
  'drop-link': 'Drop the link of',
  'drop-requirement': 'Drop requirements of',
  'set-category': 'Move',
  'file-access': 'Change access of',
};

/** Remedies that may be taken for some of their things: each of those is changed by itself. */
const divisible: ReadonlySet<RemedyAction> = new Set<RemedyAction>([
  'delete',
  'hide',
  'show',
  'move',
  'lift-out',
  'rename',
  're-date',
  'set-category',
  'file-access',
]);

/** The things that a finding’s remedy can be taken for one by one; none where it is about one thing, or about all at once. */
export function divisibleTargets({ remedy }: ListedFinding): readonly string[] {
  if (!remedy || remedy.targets.length < 2 || !divisible.has(remedy.action)) return [];
  return remedy.params.questions ? [] : remedy.targets;
}

/** The words of the button that takes a finding's remedy; it says how many things it touches. */
export function remedyWords({ remedy }: ListedFinding, spared = 0): string | null {
  if (!remedy) return null;
  if (remedy.params.questions)
    return `Delete ${remedy.params.questions.length} ${remedy.params.questions.length === 1 ? 'question' : 'questions'}`;
  const all = remedy.targets.length;
  const count = spared > 0 ? `${all - spared} of ${all}` : String(all);
  return `${actionWords[remedy.action]} ${count}`;
}
