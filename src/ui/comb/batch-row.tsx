'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import type { Batch } from '@/core/checks/batches';
import { urgencyTitles, type Evidence, type ListedFinding } from '@/core/checks/finding';
import { actionWords } from '../decide/remedies';
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
export function BatchRow({ id, batch, findings, inPlan, busy, onAccept, onTakeBack }: BatchRowProps) {
  const [open, setOpen] = useState(false);
  const [looked, setLooked] = useState(false);
  const [facts, setFacts] = useState<Readonly<Record<string, readonly Evidence[]>> | null>(null);
  const load = async () => {
    const ids = findings.slice(0, mostShown).map((f) => f.id);
    const result = await send<{ facts: Readonly<Record<string, readonly Evidence[]>> }>(
      `/api/shells/${id}/facts`,
      { findings: ids },
    );
    setFacts(result.ok ? result.value.facts : {});
  };
  const decide = `/shells/${id}/decide?batch=${batch.id}`;
  const panel = `evidence-${batch.id}`;
  const label = batch.action ? `${actionWords[batch.action]} ${batch.touches}` : null;
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
      <div className={styles.actions}>
        <Button
          size="small"
          variant={batch.safe || looked || inPlan || !label ? 'outlined' : 'contained'}
          aria-expanded={open}
          aria-controls={panel}
          onClick={() => {
            setOpen(!open);
            setLooked(true);
            if (!facts) void load();
          }}
        >
          Look
        </Button>
        {inPlan && (
          <Button size="small" onClick={onTakeBack} disabled={busy}>
            In the plan · take back
          </Button>
        )}
        {!inPlan && label && (
          <Button
            size="small"
            variant={batch.safe || looked ? 'contained' : 'outlined'}
            disabled={busy || !(batch.safe || looked)}
            onClick={onAccept}
            title={batch.safe || looked ? undefined : 'Look at the evidence first'}
          >
            {label}
          </Button>
        )}
        {!inPlan && !label && (
          <Button size="small" variant="outlined" href={decide}>
            Choose
          </Button>
        )}
      </div>
      {open && (
        <div
          className={styles.evidence}
          id={panel}
          role="region"
          aria-label={`Evidence: ${batch.title}`}
          aria-busy={facts === null}
          tabIndex={0}
        >
          {findings.slice(0, mostShown).map((f) => (
            <div key={f.id}>
              <h3>{f.title}</h3>
              <dl
                style={{
                  display: 'grid',
                  gridTemplateColumns: 'max-content 1fr',
                  gap: '2px 14px',
                  margin: '4px 0',
                }}
              >
                {(facts?.[f.id] ?? []).slice(0, 6).map((e, i) => (
                  <div key={i} style={{ display: 'contents' }}>
                    <dt className="soft">{e.label}</dt>
                    <dd style={{ margin: 0, overflowWrap: 'anywhere' }}>{e.value}</dd>
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
      )}
    </li>
  );
}
