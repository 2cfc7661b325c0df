'use client';
import { useEffect, useState } from 'react';
import Link from 'next/link';
import type { ListedFinding } from '@/core/checks/finding';
import type { FindingEvidence } from '@/services/decide/evidence';
import { send } from '../jobs/use-job';
import { FamilyShape } from '../marks/family-shape';
import { EventTable } from './event-table';
import { ItemPair } from './item-pair';
import styles from './decide.module.css';

/** What proves a finding: its evidence, and what its subjects say. */
export function EvidencePanel({ shellId, finding }: { shellId: string; finding: ListedFinding }) {
  const [loaded, setLoaded] = useState<{
    id: string;
    evidence: FindingEvidence | null;
    trouble: string | null;
  } | null>(null);
  useEffect(() => {
    let current = true;
    void send<FindingEvidence>(`/api/shells/${shellId}/evidence/${finding.id}`, undefined, 'GET').then(
      (result) => {
        if (current)
          setLoaded({
            id: finding.id,
            evidence: result.ok ? result.value : null,
            trouble: result.ok ? null : result.trouble,
          });
      },
    );
    return () => {
      current = false;
    };
  }, [shellId, finding.id]);
  const here = loaded?.id === finding.id ? loaded : null;
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
              <th scope="row">
                {!finding.remedy
                  ? s.type
                  : s.ref === finding.keep || !going.has(s.ref)
                    ? 'stays'
                    : finding.remedy.action === 'delete'
                      ? 'goes'
                      : 'changes'}
              </th>
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
