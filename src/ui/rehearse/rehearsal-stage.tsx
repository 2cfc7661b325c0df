'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { plural } from '@/core/text/plural';
import type { RehearseStageView } from '@/services/rehearse/rehearse-view';
import { SmallCloth } from '../frame/cloth';
import { JobProgress } from '../jobs/job-progress';
import { send, useJob } from '../jobs/use-job';
import { drawnFrom } from '../stage/drawn-stage';
import { Rehearsed } from './rehearsed';
import styles from './rehearse.module.css';

/** The plan tried on a copy: before and after, what would break, what can come back. Opening the stage rehearses. */
export function RehearsalStage({ view }: { view: RehearseStageView }) {
  const router = useRouter();
  const rehearsal = useJob(() => router.refresh(), { shellId: view.id, kind: 'rehearse' });
  const run = useJob(
    () => {
      router.push(`/shells/${view.id}/carry-out`);
      router.refresh();
    },
    { shellId: view.id, kind: 'carry-out' },
  );
  // On a host a run goes on for a while: it is followed on its own page.
  const startRun = async () => {
    const url = `/api/shells/${view.id}/run`;
    if (!view.onHost) return run.start(url);
    const ordered = await send(url);
    setTrouble(ordered.ok ? null : ordered.trouble);
    if (!ordered.ok) return;
    router.push(`/shells/${view.id}/carry-out`);
    router.refresh();
  };
  const [trouble, setTrouble] = useState<string | null>(null);
  const started = useRef<string | null>(null);
  const due = view.planSize > 0 && view.combed && !view.sealed;
  const { start } = rehearsal;
  useEffect(() => {
    if (!due || started.current === view.planKey) return;
    started.current = view.planKey;
    void start(`/api/shells/${view.id}/rehearse`);
  }, [due, start, view.id, view.planKey]);

  if (view.planSize === 0) return <EmptyPlan shellId={view.id} />;
  if (!view.sealed)
    return (
      <div className={styles.page}>
        <h1>Rehearsing {plural(view.planSize, 'change')}</h1>
        <JobProgress job={rehearsal} label="Rehearsing" />
        {rehearsal.trouble && (
          <div>
            <Button variant="outlined" onClick={() => void start(`/api/shells/${view.id}/rehearse`)}>
              Rehearse again
            </Button>
          </div>
        )}
      </div>
    );
  const running =
    run.view?.state === 'waiting' || run.view?.state === 'running' || run.view?.state === 'done';
  const { changes } = view.sealed;
  return (
    <div className={styles.page}>
      <Rehearsed view={view} sealed={view.sealed} />
      <div className={styles.foot}>
        <SmallCloth code={view.code} title={view.title} />
        <Button
          variant="contained"
          size="large"
          disabled={running || changes === 0}
          onClick={() => void startRun()}
        >
          Carry out {plural(changes, 'change')}
          {view.onHost && ' on the host'}
        </Button>
        <Button variant="text" href={`/shells/${view.id}/rehearse/plan`}>
          The plan, step by step
        </Button>
        <span className="soft">A restore point is made first; the whole run can be taken back.</span>
        <JobProgress job={run} label="Carrying out" />
        {trouble && (
          <Alert severity="error" role="alert">
            {trouble}
          </Alert>
        )}
      </div>
    </div>
  );
}

function EmptyPlan({ shellId }: { shellId: string }) {
  return (
    <div className={styles.page}>
      <h1>The plan is empty</h1>
      <p style={{ margin: 0 }}>
        Accept what should go on <Link href={`/shells/${shellId}/comb`}>Comb</Link> or{' '}
        <Link href={`/shells/${shellId}/decide`}>Decide</Link>; then see here what would happen.
      </p>
    </div>
  );
}

/** It asks for its view by itself. */
export const DrawnRehearsalStage = drawnFrom(RehearsalStage);
