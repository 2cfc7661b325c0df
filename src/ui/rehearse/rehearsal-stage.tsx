'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { plural } from '@/core/text/plural';
import type { RehearseStageView } from '@/services/show/rehearse/rehearse-view';
import { SmallCloth } from '../marks/small-cloth';
import { JobProgress } from '../jobs/job-progress';
import { send, useJob } from '../jobs/use-job';
import { drawnFrom } from '../stage/drawn-stage';
import { Rehearsed } from './rehearsed';
import styles from './rehearse.module.css';

/** The plan tried on a copy: before and after, what would break, what can come back. Opening the stage rehearses. */
export function RehearsalStage({ view }: { view: RehearseStageView }) {
  const { rehearsal, rehearse } = useRehearsal(view);
  const { run, trouble, startRun } = useRun(view);

  if (view.planSize === 0) return <EmptyPlan shellId={view.id} />;
  if (!view.sealed)
    return (
      <div className={styles.page}>
        <h1>Rehearsing {plural(view.planSize, 'change')}</h1>
        {!view.combed && (
          <p style={{ margin: 0 }}>
            This shell hasn’t been combed yet. It is combed first, so that you see which findings the plan
            closes.
          </p>
        )}
        <JobProgress job={rehearsal} label="Rehearsing" />
        {rehearsal.trouble && (
          <div>
            <Button variant="outlined" onClick={rehearse}>
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

/** Rehearses a plan as soon as it is looked at and was not rehearsed as it is. */
function useRehearsal(view: RehearseStageView) {
  const router = useRouter();
  const rehearsal = useJob(() => router.refresh(), { shellId: view.id, kind: 'rehearse' });
  const started = useRef<string | null>(null);
  const due = view.planSize > 0 && !view.sealed;
  const { start } = rehearsal;
  const rehearse = useCallback(() => void start(`/api/shells/${view.id}/rehearse`), [start, view.id]);
  useEffect(() => {
    if (!due || started.current === view.planKey) return;
    started.current = view.planKey;
    rehearse();
  }, [due, rehearse, view.planKey]);
  return { rehearsal, rehearse };
}

/** Starts the run of what was rehearsed, and goes on to its page. */
function useRun(view: RehearseStageView) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string | null>(null);
  const goOn = () => {
    router.push(`/shells/${view.id}/carry-out`);
    router.refresh();
  };
  const run = useJob(goOn, { shellId: view.id, kind: 'carry-out' });
  // On a host a run goes on for a while: it is followed on its own page.
  const startRun = async () => {
    const url = `/api/shells/${view.id}/run`;
    if (!view.onHost) return run.start(url);
    const ordered = await send(url);
    setTrouble(ordered.ok ? null : ordered.trouble);
    if (ordered.ok) goOn();
  };
  return { run, trouble, startRun };
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
