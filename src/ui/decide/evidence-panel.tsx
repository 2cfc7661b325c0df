'use client';
import Link from 'next/link';
import type { ListedFinding } from '@/core/checks/finding/finding';
import { FamilyShape } from '../marks/family-shape';
import type { FindingEvidence } from '@/services/show/decide/evidence';
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
      {here?.evidence ? (
        <Proof shellId={shellId} finding={finding} evidence={here.evidence} choice={choice} />
      ) : (
        <FactTable shellId={shellId} finding={finding} facts={[]} />
      )}
    </div>
  );
}

interface ProofProps {
  readonly shellId: string;
  readonly finding: ListedFinding;
  readonly evidence: FindingEvidence;
  readonly choice: ThingChoice | null;
}

/** All that proves a finding, what differs first. */
function Proof({ shellId, finding, evidence, choice }: ProofProps) {
  const { differences, items, difference, week, events, things, facts } = evidence;
  return (
    <>
      {differences.length > 0 && (
        <DifferenceGrid keptTitle={items[0]?.title ?? ''} rows={differences} choice={choice} />
      )}
      <FactTable shellId={shellId} finding={finding} facts={facts} />
      {items.length > 0 && (
        <ItemPair finding={finding} items={items} difference={difference} choice={choice} />
      )}
      <OneThing shellId={shellId} finding={finding} evidence={evidence} />
      {week && <WeekGrid week={week} />}
      {events.length > 0 && <EventTable finding={finding} events={events} choice={choice} />}
      {things.length > 0 && (
        <ThingTable shellId={shellId} finding={finding} things={things} choice={choice} />
      )}
    </>
  );
}

interface FactTableProps extends Pick<ProofProps, 'shellId' | 'finding'> {
  readonly facts: FindingEvidence['facts'];
}

function FactTable({ shellId, finding: { coveredBy }, facts }: FactTableProps) {
  return (
    <table className={styles.facts}>
      <tbody>
        {facts.map(({ label, value }, i) => (
          <tr key={i}>
            <th scope="row">{label}</th>
            <td>{value}</td>
          </tr>
        ))}
        {coveredBy && (
          <tr>
            <th scope="row">Part of</th>
            <td>
              <Link href={`/shells/${shellId}/decide?finding=${coveredBy}`}>
                a larger finding that explains it
              </Link>
            </td>
          </tr>
        )}
      </tbody>
    </table>
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
