import type { Finding } from '@/core/checks/finding';
import type { Step } from '@/core/plan/step';

export interface OtherRemedy {
  readonly label: string;
  readonly step: Pick<Step, 'action' | 'targets' | 'params'>;
}

/** The words of the button that takes a finding's remedy; it says how many things it touches. */
export function remedyWords(finding: Finding): string | null {
  const { remedy } = finding;
  if (!remedy) return null;
  const verb = remedy.action === 'delete' ? 'Delete' : remedy.action === 're-date' ? 'Re-date' : remedy.action;
  return `${verb} ${remedy.targets.length}`;
}

/** What else may be done with the one finding: hide instead of delete, show what is hidden. */
export function otherRemedies(finding: Finding): OtherRemedy[] {
  const items = finding.subjects.filter((s) => s.type === 'item').map((s) => s.ref);
  if (!items.length) return [];
  if (finding.check === 'visibility.hidden-item')
    return [
      { label: `Show ${items.length}`, step: { action: 'show', targets: items, params: {} } },
      { label: `Delete ${items.length}`, step: { action: 'delete', targets: items, params: {} } },
    ];
  if (finding.remedy?.action === 'delete') return [{ label: `Hide ${finding.remedy.targets.length} instead`, step: { action: 'hide', targets: finding.remedy.targets, params: {} } }];
  if (finding.check === 'outdated.date-outside-term') return [{ label: `Hide ${items.length}`, step: { action: 'hide', targets: items, params: {} } }];
  return [];
}
