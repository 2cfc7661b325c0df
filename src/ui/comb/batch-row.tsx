'use client';
import { entryOf } from '@/core/entries';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import type { Batch } from '@/core/checks/run/batches';
import { urgencyTitles, type Evidence, type ListedFinding } from '@/core/checks/finding/finding';
import { actionOf } from '@/core/plan/step';
import { send } from '../jobs/use-job';
import { FamilyShape } from '../marks/family-shape';
import styles from './comb.module.css';

/** So many findings of a batch are looked at in its row; the others in the workbench. */
const mostShown = 25;

interface BatchRowProps {
  readonly id: string;
  readonly batch: Batch;
  readonly findings: readonly ListedFinding[];
  readonly inPlan: boolean;
  readonly busy: boolean;
  readonly onAccept: () => void;
  readonly onTakeBack: () => void;
}

/** One batch: how many, what, the fact that proves it, and what to do. What needs a look first can be taken only after it. */
export function BatchRow(props: BatchRowProps) {
  const { id, batch, findings } = props;
  const [isOpen, setOpen] = useState(false);
  const [wasLookedAt, setLookedAt] = useState(false);
  const [facts, setFacts] = useState<Facts | null>(null);
  const load = async () => {
    const ids = findings.slice(0, mostShown).map((f) => f.id);
    const result = await send<{ facts: Facts }>(`/api/shells/${id}/facts`, { findings: ids });
    setFacts(result.ok ? result.value.facts : {});
  };
  const look = () => {
    setOpen(!isOpen);
    setLookedAt(true);
    if (!facts) void load();
  };
  const decide = `/shells/${id}/decide?batch=${batch.id}`;
  return (
    <li className={styles.batch}>
      <FamilyShape family={batch.family} size={18} named />
      <Link
        href={decide}
        className={`${styles.count} number`}
        aria-label={`${batch.things} ${batch.title}: go through them`}
      >
        {batch.things}
      </Link>
      <div style={{ minWidth: 0 }}>
        <p>
          <strong>{batch.title}</strong>{' '}
          <span className={styles.urgency}>· {urgencyTitles[batch.urgency]}</span>
        </p>
        {batch.question && <p className={styles.question}>{batch.question}</p>}
        <p className={styles.proof} title={batch.proof}>
          {batch.proof}
        </p>
      </div>
      <BatchActions {...props} decide={decide} isOpen={isOpen} wasLookedAt={wasLookedAt} onLook={look} />
      {isOpen && <BatchEvidence batch={batch} findings={findings} facts={facts} decide={decide} />}
    </li>
  );
}

type Facts = Readonly<Record<string, readonly Evidence[]>>;
const panelOf = (batch: Batch) => `evidence-${batch.id}`;

interface BatchActionsProps extends BatchRowProps {
  /** Where its findings are gone through one by one. */
  readonly decide: string;
  readonly isOpen: boolean;
  readonly wasLookedAt: boolean;
  readonly onLook: () => void;
}

function BatchActions(props: BatchActionsProps) {
  const { batch, inPlan, busy } = props;
  const label = batch.action ? `${actionOf(batch.action).label} ${batch.touches}` : null;
  const isTakable = batch.safe || props.wasLookedAt;
  return (
    <div className={styles.actions}>
      <Button
        size="small"
        variant={isTakable || inPlan || !label ? 'outlined' : 'contained'}
        aria-expanded={props.isOpen}
        aria-controls={panelOf(batch)}
        onClick={props.onLook}
      >
        Look
      </Button>
      {inPlan && (
        <Button size="small" onClick={props.onTakeBack} disabled={busy}>
          In the plan · take back
        </Button>
      )}
      {!inPlan && label && (
        <Button
          size="small"
          variant={isTakable ? 'contained' : 'outlined'}
          disabled={busy || !isTakable}
          onClick={props.onAccept}
          title={isTakable ? undefined : 'Look at the evidence first'}
        >
          {label}
        </Button>
      )}
      {!inPlan && !label && (
        <Button size="small" variant="outlined" href={props.decide}>
          Choose
        </Button>
      )}
    </div>
  );
}

interface BatchEvidenceProps extends Pick<BatchRowProps, 'batch' | 'findings'> {
  readonly facts: Facts | null;
  readonly decide: string;
}

function BatchEvidence({ batch, findings, facts, decide }: BatchEvidenceProps) {
  return (
    <div
      className={styles.evidence}
      id={panelOf(batch)}
      role="region"
      aria-label={`Evidence: ${batch.title}`}
      aria-busy={facts === null}
      tabIndex={0}
    >
      {findings.slice(0, mostShown).map((f) => (
        <div key={f.id}>
          <h3>{f.title}</h3>
          <dl className={styles.facts}>
            {(entryOf(facts, f.id) ?? []).slice(0, 6).map((e, i) => (
              <div key={i}>
                <dt className="soft">{e.label}</dt>
                <dd>{e.value}</dd>
              </div>
            ))}
          </dl>
        </div>
      ))}
      {findings.length > mostShown && (
        <p>
          <Link href={decide}>and {findings.length - mostShown} more: go through them one by one</Link>
        </p>
      )}
    </div>
  );
}
