import { entryOf } from '@/core/entries';
import { append } from '@/core/collect';
import type { ActionName } from '@/core/plan/actions/registry';
import type { Outcome } from '@/core/plan/results';
import type { RehearsalView } from '@/services/rehearse/rehearse-job';
import styles from './rehearse.module.css';

const outcomeWords = { done: 'will be done', blocked: 'blocked', nothing: 'does nothing' } as const;
/** What each action is called in tables of steps. */
export const actionTitles: Readonly<Record<ActionName, string>> = {
  delete: 'Delete',
  'delete-questions': 'Delete questions',
  'drop-link': 'Remove links of events',
  relink: 'Update links',
  'relink-addresses': 'Update addresses',
  unlink: 'Take links out',
  move: 'Move',
  place: 'Place in the outline',
  'lift-out': 'Lift out',
  sort: 'Sort',
  rename: 'Rename',
  merge: 'Merge',
  show: 'Show',
  hide: 'Hide',
  're-date': 'Re-date',
  'end-recurrence': 'End the series',
  'exclude-occurrence': 'Take dates out',
  'drop-requirement': 'Drop requirements',
  'set-category': 'Change category',
  'file-access': 'Change who can read',
  add: 'Add',
  'clear-dates': 'Clear dates',
  'edit-text': 'Edit the text',
  repeat: 'Repeat',
  'reset-area': 'Reset',
  'set-aside': 'Set aside',
  'set-facts': 'Change facts of the shell',
  'set-home-page': 'Set as home page',
  'set-points': 'Set points',
};

/** Steps of one outcome, joined by action, with what they are about. */
export function StepTable({ results, label }: { results: RehearsalView['results']; label: string }) {
  const joined = new Map<string, { action: string; outcome: Outcome; reason: string; titles: string[] }>();
  for (const r of results) {
    const key = `${r.action} ${r.outcome} ${r.reason ?? ''}`;
    const row = joined.get(key) ?? {
      action: r.action,
      outcome: r.outcome,
      reason: r.reason ?? '',
      titles: [],
    };
    append(row.titles, r.titles);
    joined.set(key, row);
  }
  return (
    <table className={styles.table} aria-label={label}>
      <thead>
        <tr>
          <th scope="col">Step</th>
          <th scope="col">Count</th>
          <th scope="col">On</th>
          <th scope="col">Outcome</th>
        </tr>
      </thead>
      <tbody>
        {[...joined.values()].map((row, i) => (
          <tr key={i}>
            <td>{entryOf(actionTitles, row.action) ?? row.action}</td>
            <td className="number">{row.titles.length}</td>
            <td style={{ overflowWrap: 'anywhere' }}>
              {row.titles.length <= 3 ? (
                row.titles.join(', ')
              ) : (
                <details>
                  <summary>
                    {row.titles.slice(0, 2).join(', ')} and {row.titles.length - 2} more
                  </summary>
                  <ul>
                    {row.titles.map((t, k) => (
                      <li key={k}>{t}</li>
                    ))}
                  </ul>
                </details>
              )}
            </td>
            <td>
              {outcomeWords[row.outcome]}
              {row.reason && <div className="soft">{row.reason}</div>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
