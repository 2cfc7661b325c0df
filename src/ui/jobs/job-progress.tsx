'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import type { WatchedJob } from './use-job';

/** A running job: how far, what it does now, and a way to end it. */
export function JobProgress({ job, label }: { job: WatchedJob; label: string }) {
  if (job.trouble)
    return (
      <Alert severity={job.view?.state === 'cancelled' ? 'info' : 'error'} role="alert">
        {job.trouble}
      </Alert>
    );
  const { view } = job;
  if (!view || view.state === 'done') return null;
  const percent = view.total > 0 ? Math.round((100 * view.done) / view.total) : 0;
  return (
    <div role="status" aria-live="polite" style={{ display: 'grid', gap: 8, maxWidth: 520 }}>
      <span>
        {label}: {view.doing} <span className="number soft">{percent} %</span>
      </span>
      <LinearProgress variant="determinate" value={percent} aria-label={label} />
      <div>
        <Button size="small" onClick={job.cancel}>
          Cancel
        </Button>
      </div>
    </div>
  );
}
