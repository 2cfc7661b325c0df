'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { sortFiles, type Slot } from '../bring-in/sort-files';
import { ColumnMapping, openColumns, type Mapping } from '../bring-in/column-mapping';
import { headerOf } from '../bring-in/read-header';
import { FileSlots, type ChosenFiles, type SlotInfo } from '../bring-in/file-slots';
import { upload } from '../bring-in/upload';
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
  const [mapping, setMapping] = useState<Mapping>({});
  const router = useRouter();
  const [files, setFiles] = useState<ChosenFiles>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const [uploading, setUploading] = useState<string | null>(null);
  const job = useJob(() => router.refresh());
  const put = (slot: Slot, file: File) => {
    setFiles((now) => ({ ...now, [slot]: file }));
    if (slot === 'status') void file.slice(0, 65_536).text().then((text) => setMapping(openColumns(headerOf(text), remembered)));
  };
  const take = (list: FileList) => {
    const sorted = sortFiles([...list].map((f) => f.name));
    setTrouble(sorted.trouble);
    for (const { slot, index } of sorted.placed) put(slot, list[index]!);
  };
  const submit = async () => {
    if (!files.package) return setTrouble('Choose a course package first: an .imscc or .zip file.');
    setTrouble(null);
    const ids: Partial<Record<Slot, { id: string; name: string }>> = {};
    for (const { key } of slots) {
      const file = files[key];
      if (!file) continue;
      setUploading(file.name);
      const sent = await upload(file);
      setUploading(null);
      if (!sent.ok) return setTrouble(`“${file.name}”: ${sent.trouble}`);
      ids[key] = { id: sent.id, name: file.name };
    }
    await job.start(`/api/shells/${id}/incoming`, { ...ids, statusColumns: mapping });
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
          It is held against the shell first: what is new, what is there already, what differs, what would be doubled. You take only what you want. <Link href={`/shells/${id}/bring-in`}>Back to the inventory</Link>
        </p>
      </div>
      <FileSlots slots={slots} files={files} onFile={put} onDrop={take} title="Drop the package here, with its side files" hint="Nothing leaves this computer, and nothing is changed yet." />
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
