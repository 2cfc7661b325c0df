'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import type { HostView } from '@/services/keep/hosts/host-records';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import styles from './hosts.module.css';

/** Where a shell stands, and a way to read it again as it is there now. */
export function ReadAgain({ shellId, host }: { shellId: string; host: HostView }) {
  const router = useRouter();
  const pull = useJob(() => router.refresh(), { shellId, kind: 'pull' });
  const isBusy = pull.view?.state === 'waiting' || pull.view?.state === 'running';
  return (
    <div className={styles.again}>
      <span className="soft">
        It stands on {host.address}, where you are {host.account}.
      </span>
      <Button
        variant="outlined"
        disabled={isBusy}
        onClick={() => void pull.start(`/api/shells/${shellId}/pull`)}
      >
        Read it again from the host
      </Button>
      <JobProgress job={pull} label="Reading" />
    </div>
  );
}
