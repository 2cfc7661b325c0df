'use client';
import Link from 'next/link';
import type { ListedFinding } from '@/core/checks/finding';
import { FamilyShape } from '../marks/family-shape';
import type { FindingEvidence } from '@/services/decide/evidence';
import { ThingLook } from '../look/thing-look';
import { ChainList } from './chain-list';
import { DifferenceGrid } from './difference-grid';
import { EventTable } from './event-table';
import { ItemPair } from './item-pair';
import type { ThingChoice } from './take-box';
import { ThingTable } from './thing-table';
import type { LoadedEvidence } from './use-evidence';
import { WeekGrid } from './week-grid';
import styles from './decide.module.css';

/** What proves a finding: its evidence, and what its subjects say. */
export function EvidencePanel({
  shellId,
  finding,
  here,
  choice,
}: {
  shellId: string;
  finding: ListedFinding;
  here: LoadedEvidence | null;
  /** What can be said of its things one by one; null where nothing is decided any more. */
  choice: ThingChoice | null;
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
        <DifferenceGrid
          keptTitle={here.evidence.items[0]?.title ?? ''}
          rows={here.evidence.differences}
          choice={choice}
        />
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
      {here?.evidence && here.evidence.items.length > 0 && (
        <ItemPair
          finding={finding}
          items={here.evidence.items}
          difference={here.evidence.difference}
          choice={choice}
        />
      )}
      {here?.evidence && <OneThing shellId={shellId} finding={finding} evidence={here.evidence} />}
      {here?.evidence?.week && <WeekGrid week={here.evidence.week} />}
      {here?.evidence && here.evidence.events.length > 0 && (
        <EventTable finding={finding} events={here.evidence.events} choice={choice} />
      )}
      {here?.evidence && here.evidence.things.length > 0 && (
        <ThingTable shellId={shellId} finding={finding} things={here.evidence.things} choice={choice} />
      )}
    </div>
  );
}

/** Of a finding about one item or file: how it looks, with the found sentences marked, and what leads to it. */
function OneThing({
  shellId,
  finding: { subjects },
  evidence,
}: {
  shellId: string;
  finding: ListedFinding;
  evidence: FindingEvidence;
}) {
  const [subject] = subjects;
  if (subjects.length !== 1 || (subject?.type !== 'item' && subject?.type !== 'file')) return null;
  const { type, ref, title } = subject;
  return (
    <>
      <ThingLook shellId={shellId} thing={{ type, ref, title }} words={evidence.sentences} />
      {evidence.chain && <ChainList chain={evidence.chain} title={title} isItem={type === 'item'} />}
    </>
  );
}
