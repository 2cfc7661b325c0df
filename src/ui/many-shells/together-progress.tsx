import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import type { JobsProgress } from '@/services/do/many-shells/jobs-progress';

interface TogetherProgressProps {
  readonly progress: JobsProgress;
  /** What is being done: “Combing”. */
  readonly doing: string;
  readonly onCancel: () => void;
}

/** One bar for many jobs. */
export function TogetherProgress({ progress, doing, onCancel }: TogetherProgressProps) {
  const { all, over, underWay } = progress;
  const percent = all > 0 ? Math.round((100 * (over + underWay)) / all) : 0;
  return (
    <div
      role="status"
      aria-live="polite"
      style={{ display: 'grid', gap: 6, maxWidth: 520, margin: '10px 0' }}
    >
      <span>
        {doing}: <span className="number">{over}</span> of <span className="number">{all}</span> shells are
        done <span className="number soft">{percent} %</span>
      </span>
      <LinearProgress variant="determinate" value={percent} aria-label={doing} />
      <div>
        <Button size="small" onClick={onCancel}>
          Cancel what is left
        </Button>
      </div>
    </div>
  );
}
