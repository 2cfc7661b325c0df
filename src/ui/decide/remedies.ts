import type { ListedFinding, RemedyAction } from '@/core/checks/finding';
import type { Step } from '@/core/plan/step';

export interface OtherRemedy {
  readonly label: string;
  readonly step: Pick<Step, 'action' | 'targets' | 'params'>;
}

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

/** What else may be done with the one finding: hide instead of delete, show what is hidden. */
export function otherRemedies(finding: ListedFinding): OtherRemedy[] {
  const items = finding.subjects.filter((s) => s.type === 'item').map((s) => s.ref);
  if (!items.length) return [];
  const hide = {
    label: `Hide ${items.length}`,
    step: { action: 'hide', targets: items, params: {} },
  } as const;
  const remove = {
    label: `Delete ${items.length}`,
    step: { action: 'delete', targets: items, params: {} },
  } as const;
  if (finding.check === 'visibility.hidden-item')
    return [{ label: `Show ${items.length}`, step: { action: 'show', targets: items, params: {} } }, remove];
  if (finding.remedy?.action === 'delete' && !finding.remedy.params.questions) {
    const targets = finding.remedy.targets.filter((t) => items.includes(t));
    return targets.length
      ? [{ label: `Hide ${targets.length} instead`, step: { action: 'hide', targets, params: {} } }]
      : [];
  }
  if (finding.check === 'orphan.unplaced-activity') return [remove];
  // Where a person must choose the content, putting it out of sight is always a way.
  if (finding.remedy === null && (finding.family === 'outdated' || finding.family === 'duplicate'))
    return [hide];
  return finding.check === 'outdated.date-outside-term' ? [hide] : [];
}
