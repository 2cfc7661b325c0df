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
  'drop-requirement': 'Drop requirements of',
  'set-category': 'Move',
  'file-access': 'Change access of',
};

/** The words of the button that takes a finding's remedy; it says how many things it touches. */
export function remedyWords({ remedy }: ListedFinding): string | null {
  if (!remedy) return null;
  if (remedy.params.questions)
    return `Delete ${remedy.params.questions.length} ${remedy.params.questions.length === 1 ? 'question' : 'questions'}`;
  return `${actionWords[remedy.action]} ${remedy.targets.length}`;
}
