import Link from 'next/link';
import {
  families,
  familyTitles,
  urgencies,
  urgencyTitles,
  type Family,
  type ListedFinding,
} from '@/core/checks/finding/finding';
import { partsOf } from '@/core/checks/finding/parts';
import { FamilyShape } from '../marks/family-shape';
import styles from './comb.module.css';

/** Open findings by family and urgency, parts of larger ones apart; every number leads to its findings. */
export function FamilyTable({ id, findings }: { id: string; findings: readonly ListedFinding[] }) {
  const parts = partsOf(findings);
  return (
    <table className={styles.families}>
      <thead>
        <tr>
          <th scope="col">Findings</th>
          {urgencies.map((urgency) => (
            <th key={urgency} scope="col">
              {urgencyTitles[urgency]}
            </th>
          ))}
          {parts.size > 0 && (
            <th scope="col" title="Findings that a larger one explains">
              Parts
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {families.map((family) => (
          <FamilyRow key={family} id={id} family={family} findings={findings} parts={parts} />
        ))}
      </tbody>
    </table>
  );
}

function FamilyRow({
  id,
  family,
  findings,
  parts,
}: {
  id: string;
  family: Family;
  findings: readonly ListedFinding[];
  parts: ReadonlySet<ListedFinding>;
}) {
  const here = findings.filter((finding) => finding.family === family);
  const whole = here.filter((finding) => !parts.has(finding));
  const list = `/shells/${id}/decide?family=${family}`;
  return (
    <tr>
      <td>
        <Link href={list}>
          <FamilyShape family={family} />
          {familyTitles[family]}
        </Link>
      </td>
      {urgencies.map((urgency) => (
        <CountCell
          key={urgency}
          count={whole.filter((finding) => finding.urgency === urgency).length}
          to={`${list}&urgency=${urgency}`}
        />
      ))}
      {parts.size > 0 && <CountCell count={here.length - whole.length} to={`${list}&state=parts`} />}
    </tr>
  );
}

function CountCell({ count, to }: { count: number; to: string }) {
  return (
    <td className="number">{count ? <Link href={to}>{count}</Link> : <span className="soft">0</span>}</td>
  );
}
