'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { FolderAct, LookedOver } from '@/services/do/storage/data-folder';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { FolderFindings } from './folder-findings';

export type FolderLook =
  | { readonly state: 'known'; readonly look: LookedOver | null }
  | { readonly state: 'closed'; readonly sentence: string };

const inMegabytes = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

interface WrittenBackup {
  readonly id: string;
  readonly bytes: number;
}

/** What can be done about the whole data folder, and what was found in it. */
export function FolderStage({ look }: { look: FolderLook }) {
  const router = useRouter();
  const examining = useJob(() => router.refresh());
  const [backup, setBackup] = useState<WrittenBackup | null>(null);
  const backingUp = useJob(({ result }) => {
    if (result !== null) setBackup(JSON.parse(result) as WrittenBackup);
  });
  if (look.state === 'closed')
    return (
      <Alert severity="error" role="alert">
        {look.sentence}
      </Alert>
    );
  const order = (job: typeof examining, act: FolderAct) => void job.start('/api/folder', { act });
  const mendable = look.look?.diagnoses.filter(({ mending }) => mending !== null).length ?? 0;
  return (
    <section aria-labelledby="state">
      <h2 id="state">Is it sound?</h2>
      <FolderFindings look={look.look} />
      <div style={{ display: 'flex', gap: 12, flexWrap: 'wrap', margin: '14px 0' }}>
        <Button variant="contained" onClick={() => order(examining, 'examine')}>
          Look it over
        </Button>
        {mendable > 0 && (
          <Button variant="outlined" onClick={() => order(examining, 'mend')}>
            Mend {plural(mendable, 'thing')}
          </Button>
        )}
        <Button variant="outlined" color="inherit" onClick={() => order(backingUp, 'backup')}>
          Write a backup
        </Button>
      </div>
      <JobProgress job={examining} label="Looking the folder over" />
      <JobProgress job={backingUp} label="Writing the backup" />
      {backup && (
        <p role="status">
          The backup is written: {inMegabytes.format(backup.bytes / 1024 ** 2)} MB.{' '}
          <a href={`/api/folder/backup/${backup.id}`} download>
            Fetch the backup
          </a>{' '}
          within the hour.
        </p>
      )}
      <p className="soft" style={{ maxWidth: 720 }}>
        A backup is read back into a new folder by <code>npm run cli -- restore FILE DIR</code>. Passwords of
        campus hosts are in it: keep it as you keep them.
      </p>
    </section>
  );
}
