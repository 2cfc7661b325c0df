import { append } from '@/core/collect';
import { actionTitle } from '@/core/plan/action-title';
import type { Outcome } from '@/core/plan/results';
import type { RehearsalView } from '@/services/do/rehearse/rehearse-job';
import styles from './rehearse.module.css';

const outcomeWords = { done: 'will be done', blocked: 'blocked', nothing: 'does nothing' } as const;
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
            <td>{actionTitle(row.action)}</td>
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
