'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { changeKinds, type ChangeKind } from '@/core/two-shells/change';
import type { ComparedShell, CompareView } from '@/services/show/prove/compare-view';
import { JobProgress } from '../../jobs/job-progress';
import { useJob } from '../../jobs/use-job';
import { ChangeTable } from './change-table';
import { DriftTable } from './drift-table';
import { DriftThings } from './drift-things';
import type { Looked } from './looked';
import styles from './compare.module.css';

/** This shell beside others: what is missing, new, changed, re-dated, moved; the drift of many in one table. */
export function CompareStage({ view }: { view: CompareView }) {
  const [looked, setLooked] = useState<Looked | null>(null);
  const shell = view.compared.find(({ id }) => id === looked?.shell) ?? view.compared[0];
  const kind = looked?.kind ?? (shell && firstKind(shell));
  return (
    <div className={styles.page}>
      <div>
        <h1>Compare with another shell</h1>
        <p className="soft" style={{ margin: '4px 0 0', maxWidth: 760 }}>
          The shell that this one was copied from, last term’s, the master, another section. Both are taken as
          they stand here; nothing is changed.
        </p>
      </div>
      <ChooseOther view={view} onCompared={(other) => setLooked({ shell: other, kind: 'gone' })} />
      {view.compared.length > 0 && <DriftTable view={view} looked={looked} onLook={setLooked} />}
      {shell && kind && <ChangeTable key={`${shell.id} ${kind}`} view={view} shell={shell} kind={kind} />}
      {view.compared.length > 1 && <DriftThings compared={view.compared} />}
    </div>
  );
}

/** The first kind that there is something of. */
const firstKind = ({ comparison }: ComparedShell): ChangeKind =>
  changeKinds.find((kind) => comparison.counts[kind] > 0) ?? 'gone';

function ChooseOther({ view, onCompared }: { view: CompareView; onCompared: (other: string) => void }) {
  const router = useRouter();
  const [other, setOther] = useState('');
  const job = useJob(
    () => {
      onCompared(other);
      router.refresh();
    },
    { shellId: view.id, kind: 'compare' },
  );
  const isBusy = job.view?.state === 'waiting' || job.view?.state === 'running';
  const stale = view.compared.filter(({ isStale }) => isStale);
  if (view.others.length === 0)
    return (
      <p style={{ margin: 0 }}>
        There is no other shell in the list. Bring in the one to compare with first.{' '}
        <Button href="/bring-in" size="small">
          Bring one in
        </Button>
      </p>
    );
  return (
    <>
      <div className={styles.choose}>
        <TextField
          select
          size="small"
          label="Another shell"
          value={other}
          onChange={(event) => setOther(event.target.value)}
          sx={{ minWidth: 380 }}
        >
          {view.others.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <Button
          variant="contained"
          disabled={other === '' || isBusy}
          onClick={() => void job.start(`/api/shells/${view.id}/compare`, { with: other })}
        >
          Compare
        </Button>
      </div>
      <JobProgress job={job} label="Comparing" />
      {stale.length > 0 && (
        <Alert severity="info">
          {stale.map(({ name }) => name).join('; ')}: one of the two was changed since they were compared.
          Compare them again.
        </Alert>
      )}
    </>
  );
}
