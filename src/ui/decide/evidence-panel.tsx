'use client';
import Link from 'next/link';
import type { ListedFinding } from '@/core/checks/finding';
import { FamilyShape } from '../marks/family-shape';
import { DifferenceGrid } from './difference-grid';
import { EventTable } from './event-table';
import { ItemPair } from './item-pair';
import type { LoadedEvidence } from './use-evidence';
import styles from './decide.module.css';

/** What proves a finding: its evidence, and what its subjects say. */
export function EvidencePanel({
  shellId,
  finding,
  here,
}: {
  shellId: string;
  finding: ListedFinding;
  here: LoadedEvidence | null;
}) {
  return (
    <div
      className={styles.evidence}
      tabIndex={0}
      role="region"
      aria-label="Evidence"
      aria-busy={here === null}
      data-testid="evidence"
    >
      <div>
        <p className="soft" style={{ margin: 0, display: 'flex', gap: 8, alignItems: 'center' }}>
          <FamilyShape family={finding.family} named />{' '}
          <Link href={`/checks/${finding.check}`}>Why this is looked for</Link>
        </p>
        <h2 style={{ fontSize: '1.4rem', marginTop: 4 }}>{finding.title}</h2>
      </div>
      {here?.trouble && <p role="alert">{here.trouble}</p>}
      {here?.evidence && here.evidence.differences.length > 0 && (
        <DifferenceGrid keptTitle={here.evidence.items[0]?.title ?? ''} rows={here.evidence.differences} />
      )}
      {here?.evidence && here.evidence.items.length > 0 && (
        <ItemPair finding={finding} items={here.evidence.items} difference={here.evidence.difference} />
      )}
      <table className={styles.facts}>
        <tbody>
          {here?.evidence?.facts.map((e, i) => (
            <tr key={i}>
              <th scope="row">{e.label}</th>
              <td>{e.value}</td>
            </tr>
          ))}
          {finding.coveredBy && (
            <tr>
              <th scope="row">Part of</th>
              <td>
                <Link href={`/shells/${shellId}/decide?finding=${finding.coveredBy}`}>
                  a larger finding that explains it
                </Link>
              </td>
            </tr>
          )}
        </tbody>
      </table>
      {here?.evidence && here.evidence.events.length > 0 && <EventTable events={here.evidence.events} />}
      {finding.subjects.length > 1 && finding.subjects[0]?.type !== 'event' && <Subjects finding={finding} />}
    </div>
  );
}

function Subjects({ finding }: { finding: ListedFinding }) {
  const going = new Set(finding.remedy?.targets ?? []);
  return (
    <details open={finding.subjects.length <= 12}>
      <summary>
        <span className="number">{finding.subjects.length}</span> things it is about
      </summary>
      <table className={styles.facts} style={{ marginTop: 8 }}>
        <tbody>
          {finding.subjects.slice(0, 300).map((s) => (
            <tr key={`${s.type} ${s.ref}`}>
              <th scope="row">{fateOf(finding, s.ref, going)}</th>
              <td>
                {s.title} <span className="soft">{s.path.join(' › ')}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** What the remedy does to one of the things that a finding is about; its type where there is no remedy. */
function fateOf(finding: ListedFinding, ref: string, going: ReadonlySet<string>): string {
  if (!finding.remedy) return finding.subjects.find((s) => s.ref === ref)?.type ?? '';
  if (ref === finding.keep || !going.has(ref)) return 'stays';
  return finding.remedy.action === 'delete' ? 'goes' : 'changes';
}
