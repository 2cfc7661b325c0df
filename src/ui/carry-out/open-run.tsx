'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { OpenRunView } from '@/services/show/carry-out/open-run-view';
import { send } from '../jobs/use-job';
import { MetList } from './met-list';
import { useOpenRun } from './use-open-run';
import styles from './carry-out.module.css';

interface OpenRunProps {
  readonly shellId: string;
  readonly first: OpenRunView;
}

/** A run on the host that is not at its end: what happens now, how fast, what remains; it may be paused or stopped. */
export function OpenRun({ shellId, first }: OpenRunProps) {
  const router = useRouter();
  const { run, rate } = useOpenRun(shellId, first, () => router.refresh());
  const [trouble, setTrouble] = useState('');
  const wish = async (what: 'go' | 'pause' | 'stop') => {
    const answer = await send(`/api/shells/${shellId}/run/wish`, { wish: what });
    setTrouble(answer.ok ? '' : answer.trouble);
    router.refresh();
  };
  const percent = run.changes > 0 ? Math.round((100 * run.sent) / run.changes) : 0;
  const isPaused = run.state === 'paused' && run.jobId === null;
  return (
    <section className={styles.open} aria-labelledby="open-run">
      <h1 id="open-run">{headlineOf(run, isPaused)}</h1>
      <LinearProgress variant="determinate" value={percent} aria-label="Changes sent" />
      <p className="number" role="status">
        {run.changes > 0 && `${run.sent.toLocaleString('en')} of ${plural(run.changes, 'change')} sent · `}
        {(run.done + run.refused).toLocaleString('en')} of {plural(run.steps, 'step')} done
        {run.refused > 0 && <> · {run.refused} left as somebody else made them</>}
        {!isPaused && rate > 0 && <> · {sayRate(rate, run.changes - run.sent)}</>}
        {!isPaused && run.doing && <> · {run.doing}</>}
      </p>
      {isPaused && run.because && <Alert severity="info">{run.because}</Alert>}
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <div className={styles.buttons}>
        {isPaused && (
          <Button variant="contained" onClick={() => void wish('go')}>
            Go on
          </Button>
        )}
        {!isPaused && (
          <Button variant="contained" disabled={run.wish !== 'go'} onClick={() => void wish('pause')}>
            {run.wish === 'pause' ? 'Pausing …' : 'Pause'}
          </Button>
        )}
        <Button variant="outlined" disabled={run.wish === 'stop'} onClick={() => void wish('stop')}>
          {run.wish === 'stop' ? 'Stopping after this batch …' : 'Stop and keep what is done'}
        </Button>
        <span className="soft">
          You may leave this page or close the browser: it goes on, also after a restart.
        </span>
      </div>
      <MetList met={run.met} notes={run.lastNotes} />
    </section>
  );
}

function headlineOf({ kind }: OpenRunView, isPaused: boolean): string {
  if (isPaused) return kind === 'undo' ? 'Taking back is paused' : 'The run is paused';
  return kind === 'undo' ? 'Taking back on the host' : 'Carrying out on the host';
}

function sayRate(rate: number, left: number): string {
  const seconds = Math.ceil(left / rate);
  const rest = seconds < 90 ? `${seconds} s` : `${Math.round(seconds / 60)} min`;
  return `${rate < 10 ? rate.toFixed(1) : Math.round(rate)} changes a second, about ${rest} left`;
}
