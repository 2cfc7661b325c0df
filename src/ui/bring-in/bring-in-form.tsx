'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { HouseTerm } from '@/core/time/house-terms';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { ColumnMapping, type Mapping } from './column-mapping';
import { FileSlots, type SlotInfo } from './file-slots';
import { KnownFields, useKnownAboutShell } from './known-fields';
import { useChosenFiles } from './use-chosen-files';
import styles from './bring-in.module.css';

const slots: readonly SlotInfo[] = [
  { key: 'package', title: 'Course package', hint: '.imscc or .zip', accept: '.imscc,.zip' },
  { key: 'events', title: 'Calendar', hint: '.ics of this shell, if there is one', accept: '.ics' },
  {
    key: 'previousEvents',
    title: 'Last term’s calendar',
    hint: '.ics, helps to find shifted copies',
    accept: '.ics',
  },
  { key: 'status', title: 'Status sheet', hint: '.csv: what is hidden, dates, student work', accept: '.csv' },
  {
    key: 'roster',
    title: 'Grade setup and people',
    hint: 'OneRoster CSV as .zip; no name is kept',
    accept: '.zip',
  },
  {
    key: 'baseline',
    title: 'Baseline shell',
    hint: '.imscc: what the institution provides',
    accept: '.imscc,.zip',
  },
];
type BaselineIs = 'supplied' | 'template';

/** Takes a package and its side files, dropped together or chosen one by one, and what is known about the term. */
export function BringInForm({ remembered, terms }: { remembered: Mapping; terms: readonly HouseTerm[] }) {
  const router = useRouter();
  const { files, mapping, setMapping, trouble, uploading, put, drop, sendAll } = useChosenFiles(
    slots,
    remembered,
  );
  const known = useKnownAboutShell();
  const job = useJob((view) => {
    const { shellId } = JSON.parse(view.result ?? '{}') as { shellId: string };
    router.push(`/shells/${shellId}/bring-in`);
  });
  const [baselineIs, setBaselineIs] = useState<BaselineIs>('supplied');
  const submit = async () => {
    if (known.odd !== null) return;
    const sent = await sendAll();
    if (sent)
      await job.start('/api/bring-in', { ...sent, ...known.values, statusColumns: mapping, baselineIs });
  };
  const busy =
    uploading !== null ||
    job.view?.state === 'waiting' ||
    job.view?.state === 'running' ||
    job.view?.state === 'done';
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <FileSlots
        slots={slots}
        files={files}
        onFile={put}
        onDrop={drop}
        title="Drop the package here, with its side files"
        hint="All at once is fine; each finds its place. Nothing leaves this computer, and nothing is changed yet."
      />
      <ColumnMapping mapping={mapping} onChange={setMapping} />
      <KnownFields known={known} terms={terms}>
        {files.baseline && <BaselineMeaning value={baselineIs} onChange={setBaselineIs} />}
      </KnownFields>
      <FormTroubles oddDay={known.odd} trouble={trouble} />
      {uploading && <p role="status">Taking in “{uploading}” …</p>}
      <JobProgress job={job} label="Bringing in" />
      <div>
        <Button type="submit" variant="contained" size="large" disabled={busy || known.odd !== null}>
          Bring in
        </Button>
      </div>
    </form>
  );
}

interface BaselineMeaningProps {
  readonly value: BaselineIs;
  readonly onChange: (meaning: BaselineIs) => void;
}

function BaselineMeaning({ value, onChange }: BaselineMeaningProps) {
  return (
    <TextField
      select
      size="small"
      label="The baseline is"
      value={value}
      onChange={(event) => onChange(event.target.value as BaselineIs)}
    >
      <MenuItem value="supplied">shown to students outside this shell</MenuItem>
      <MenuItem value="template">what this shell began as a copy of</MenuItem>
    </TextField>
  );
}

/** What keeps the form from being sent: a day that is none, and what became of the files. */
function FormTroubles({ oddDay, trouble }: { oddDay: string | null; trouble: string | null }) {
  return (
    <>
      {oddDay !== null && (
        <Alert severity="error" role="alert">
          “{oddDay}” is no day of the calendar; write it anew, or empty it.
        </Alert>
      )}
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
    </>
  );
}
