'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { answerCounts } from '@/core/probe/web-answer';
import type { ProbeView } from '@/services/show/probe/probe-view';
import { JobProgress } from '../../jobs/job-progress';
import { send, useJob } from '../../jobs/use-job';
import styles from './outside.module.css';

/** The switch that lets the probe leave this computer, and the buttons that send it. */
export function ProbeControls({ view }: { view: ProbeView }) {
  const router = useRouter();
  const [isOn, setIsOn] = useState(view.isOn);
  const [trouble, setTrouble] = useState<string | null>(null);
  const job = useJob(() => router.refresh(), { shellId: view.id, kind: 'probe' });
  // The comb that follows the probe: what it finds is counted on this page.
  useJob(() => router.refresh(), { shellId: view.id, kind: 'comb' });
  const isUnderWay = job.view?.state === 'running' || job.view?.state === 'waiting';
  const turn = async (on: boolean) => {
    setIsOn(on);
    const sent = await send('/api/probe-switch', { on }, 'PUT');
    setTrouble(sent.ok ? null : sent.trouble);
    if (!sent.ok) setIsOn(!on);
  };
  const ask = (again: boolean) => void job.start(`/api/shells/${view.id}/probe`, { again });
  return (
    <section aria-label="Probe" className={styles.controls}>
      <FormControlLabel
        control={<Switch checked={isOn} onChange={(event) => void turn(event.target.checked)} />}
        label="Let Currycomb ask addresses on the web"
      />
      <div className={styles.buttons}>
        <Button variant="contained" disabled={!isOn || isUnderWay} onClick={() => ask(false)}>
          {view.probed ? 'Ask what is new or old' : 'Ask the links'}
        </Button>
        {view.probed && (
          <Button disabled={!isOn || isUnderWay} onClick={() => ask(true)}>
            Ask all again
          </Button>
        )}
        <span className="soft">
          {view.probed && (
            <>
              Probed <time dateTime={view.probed.at}>{new Date(view.probed.at).toLocaleString('en-GB')}</time>
              .{' '}
            </>
          )}
          At most 4 requests at a time to one host. An answer counts for {answerCounts} days.
        </span>
      </div>
      {trouble !== null && <Alert severity="error">{trouble}</Alert>}
      <JobProgress job={job} label="Probing" />
    </section>
  );
}
