import type { Finding } from '@/core/checks/finding/finding';
import type { WrittenStep } from '@/core/plan/written-step';

/** Something else that may be done about a finding, with the words of its button. */
export interface OtherRemedy {
  readonly label: string;
  /** The thing that stays by it, where it is the same remedy with another keeper. */
  readonly keeps?: string;
  readonly step: Omit<WrittenStep, 'from'>;
}

const about = (label: string, action: string, targets: readonly string[]): OtherRemedy[] =>
  targets.length ? [{ label, step: { action, targets, params: {} } }] : [];

/** What else may be done with a finding: hide or set aside instead of delete, show what is hidden. */
export function otherRemedies(
  finding: Pick<Finding, 'subjects' | 'remedy' | 'check' | 'family'>,
): OtherRemedy[] {
  const { remedy, check, family } = finding;
  const items = finding.subjects.filter((s) => s.type === 'item').map((s) => s.ref);
  if (!items.length) return [];
  const isDeletion = remedy?.action === 'delete' && remedy.params.questions === undefined;
  if (check === 'visibility.hidden-item')
    return [
      ...about(`Show ${items.length}`, 'show', items),
      ...about(`Set ${items.length} aside`, 'set-aside', items),
      ...about(`Delete ${items.length}`, 'delete', items),
    ];
  if (isDeletion) {
    const isItem = new Set(items);
    const targets = remedy.targets.filter((ref) => isItem.has(ref));
    return [
      ...about(`Hide ${targets.length} instead`, 'hide', targets),
      ...about(`Set ${targets.length} aside`, 'set-aside', targets),
    ];
  }
  if (check === 'orphan.unplaced-activity') return about(`Delete ${items.length}`, 'delete', items);
  // Where a person must choose the content, putting it out of sight is always a way.
  const isForPerson = remedy === null && (family === 'outdated' || family === 'duplicate');
  if (isForPerson)
    return [
      ...about(`Hide ${items.length}`, 'hide', items),
      ...about(`Set ${items.length} aside`, 'set-aside', items),
    ];
  return check === 'outdated.date-outside-term' ? about(`Hide ${items.length}`, 'hide', items) : [];
}
