import Link from 'next/link';
import { families, familyTitles, urgencies, urgencyTitles, type ListedFinding } from '@/core/checks/finding';
import { FamilyShape } from '../marks/family-shape';
import styles from './comb.module.css';

/** Open findings by family and urgency; every number leads to its findings. */
export function FamilyTable({ id, findings }: { id: string; findings: readonly ListedFinding[] }) {
  return (
    <table className={styles.families}>
      <thead>
        <tr>
          <th scope="col">Findings</th>
          {urgencies.map((u) => (
            <th key={u} scope="col">
              {urgencyTitles[u]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {families.map((family) => (
          <tr key={family}>
            <td>
              <Link href={`/shells/${id}/decide?family=${family}`}>
                <FamilyShape family={family} />
                {familyTitles[family]}
              </Link>
            </td>
            {urgencies.map((urgency) => {
              const n = findings.filter((f) => f.family === family && f.urgency === urgency).length;
              return (
                <td key={urgency} className="number">
                  {n ? (
                    <Link href={`/shells/${id}/decide?family=${family}&urgency=${urgency}`}>{n}</Link>
                  ) : (
                    <span className="soft">0</span>
                  )}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
