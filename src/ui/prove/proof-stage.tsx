'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { plural } from '@/core/text/plural';
import type { ProofView } from '@/services/show/prove/proof-view';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { drawnFrom } from '../stage/drawn-stage';
import { ProgressChart } from './progress-chart';
import { BeforeAndAfter } from './before-and-after';
import { TakeAlong } from './take-along';
import styles from '../rehearse/rehearse.module.css';

/** Is it clean, and can it be shown? The findings before and after, and everything to take along. */
export function ProofStage({ view }: { view: ProofView }) {
  const { id, combed, comparison } = view;
  const router = useRouter();
  const job = useJob(() => router.refresh(), { shellId: id, kind: 'comb' });
  const { start } = job;
  const comb = () => void start(`/api/shells/${id}/comb`);
  const hasStarted = useRef(false);
  // After a run its result is combed by itself; this catches the moment in which that has not ended yet.
  useEffect(() => {
    if (combed || hasStarted.current) return;
    hasStarted.current = true;
    void start(`/api/shells/${id}/comb`);
  }, [combed, start, id]);
  return (
    <div className={styles.page}>
      <div style={{ display: 'flex', gap: 14, alignItems: 'start', flexWrap: 'wrap' }}>
        <div style={{ flex: 1 }}>
          <h1>{headingOf(view)}</h1>
          <p className="soft" style={{ margin: '4px 0 0' }}>
            {sayComparison(view)}
          </p>
        </div>
        <Button variant="outlined" onClick={comb}>
          {combed ? 'Comb again' : 'Comb'}
        </Button>
      </div>
      <JobProgress job={job} label="Combing" />
      <TakeAlong
        id={id}
        combed={combed}
        hasRun={view.hasRun}
        hasEvents={view.hasEvents}
        hasGrades={view.hasGrades}
      />
      {view.progress.length > 1 && <ProgressChart points={view.progress} />}
      {comparison && (
        <BeforeAndAfter
          id={id}
          comparison={comparison}
          onOpen={(finding) => router.push(`/shells/${id}/decide?finding=${finding}`)}
        />
      )}
    </div>
  );
}

function headingOf({ percent, comparison, open }: ProofView): string {
  if (percent === null) return 'Not combed yet';
  if (comparison) return `${comparison.before.smoothness.percent} % smooth before, ${percent} % now`;
  return open === 0 ? 'It lies smooth' : `${percent} % smooth; ${plural(open, 'finding')} open`;
}

function sayComparison({ comparison, hasRun, open }: ProofView): string {
  if (comparison) {
    const { closed, caused, leftOver } = comparison;
    const rest = leftOver.length ? `, ${leftOver.length} of them what is left of earlier ones` : '';
    return `${plural(closed.length, 'finding')} closed, ${caused.length} came up, ${open} still open${rest}.`;
  }
  return hasRun
    ? 'The result is compared with what was before as soon as it has been combed.'
    : 'Nothing has been carried out yet, so there is nothing to compare.';
}

/** It asks for its view by itself. */
export const DrawnProofStage = drawnFrom(ProofStage);
