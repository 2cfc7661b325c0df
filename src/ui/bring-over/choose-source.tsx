'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { ColumnMapping, type Mapping } from '../bring-in/column-mapping';
import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import type { SourceShell } from '@/services/show/bring-in/sources';
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

interface ChooseSourceProps {
  readonly id: string;
  readonly code: string;
  readonly remembered: Mapping;
  readonly shells: readonly SourceShell[];
}

/** Chooses what things are taken from, a shell of the list or a package; it is compared with the shell, nothing more. */
export function ChooseSource({ id, code, remembered, shells }: ChooseSourceProps) {
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
        <h1>Bring over into {code || 'this shell'}</h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          Choose a shell or a package to take things from. It is compared with this shell first: what is new,
          what is already there, and what differs. You take only what you want.
        </p>
      </div>
      <ShellField
        shells={shells}
        isBusy={busy}
        onChoose={(other) => void job.start(`/api/shells/${id}/incoming/shell`, { with: other })}
      />
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
          Compare the package with {code || 'the shell'}
        </Button>
      </div>
    </form>
  );
}

interface ShellFieldProps {
  readonly shells: readonly SourceShell[];
  readonly isBusy: boolean;
  readonly onChoose: (id: string) => void;
}

/** Another shell of the list, found by code, title or term. */
function ShellField({ shells, isBusy, onChoose }: ShellFieldProps) {
  if (shells.length === 0) return null;
  return (
    <Autocomplete
      options={shells}
      disabled={isBusy}
      getOptionLabel={({ code, title, term }) =>
        [code, title, term].filter((text) => text !== '').join(' · ')
      }
      getOptionKey={({ id }) => id}
      onChange={(_, shell) => shell && onChoose(shell.id)}
      renderInput={(params) => (
        <TextField {...params} label="A shell of the list" helperText="By code, title or term" />
      )}
    />
  );
}
