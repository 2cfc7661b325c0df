'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { ColumnMapping, type Mapping } from '../bring-in/column-mapping';
import { FileSlots, type SlotInfo } from '../bring-in/file-slots';
import { useChosenFiles } from '../bring-in/use-chosen-files';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import bringIn from '../bring-in/bring-in.module.css';

const slots: readonly SlotInfo[] = [
  { key: 'package', title: 'Course package', hint: '.imscc or .zip', accept: '.imscc,.zip' },
  { key: 'events', title: 'Its calendar', hint: '.ics, if there is one', accept: '.ics' },
  { key: 'status', title: 'Its status sheet', hint: '.csv: dates, what is hidden', accept: '.csv' },
  { key: 'roster', title: 'Its grade setup', hint: 'OneRoster CSV as .zip', accept: '.zip' },
];

/** Chooses the package that is to be added to a shell; it is read and held against the shell, nothing more. */
export function ChoosePackage({ id, code, remembered }: { id: string; code: string; remembered: Mapping }) {
  const router = useRouter();
  const { files, mapping, setMapping, trouble, uploading, put, drop, sendAll } = useChosenFiles(
    slots,
    remembered,
  );
  const job = useJob(() => router.refresh(), { shellId: id, kind: 'hold-against' });
  const submit = async () => {
    const sent = await sendAll();
    if (sent) await job.start(`/api/shells/${id}/incoming`, { ...sent, statusColumns: mapping });
  };
  const busy = uploading !== null || (job.view !== null && ['waiting', 'running'].includes(job.view.state));
  return (
    <form
      className={bringIn.form}
      style={{ padding: 22 }}
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <div>
        <h1>Add a package to {code || 'this shell'}</h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          It is held against the shell first: what is new, what is there already, what differs, what would be
          doubled. You take only what you want.{' '}
          <Link href={`/shells/${id}/bring-in`}>Back to the inventory</Link>
        </p>
      </div>
      <FileSlots
        slots={slots}
        files={files}
        onFile={put}
        onDrop={drop}
        title="Drop the package here, with its side files"
        hint="Nothing leaves this computer, and nothing is changed yet."
      />
      <ColumnMapping mapping={mapping} onChange={setMapping} />
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      {uploading && <p role="status">Taking in “{uploading}” …</p>}
      <JobProgress job={job} label="Reading" />
      <div>
        <Button type="submit" variant="contained" size="large" disabled={busy}>
          Hold it against {code || 'the shell'}
        </Button>
      </div>
    </form>
  );
}
