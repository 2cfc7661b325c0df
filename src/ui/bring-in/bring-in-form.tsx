'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { sortFiles, type Slot } from './sort-files';
import styles from './bring-in.module.css';

const slots: readonly { key: Slot; title: string; hint: string; accept: string }[] = [
  { key: 'package', title: 'Course package', hint: '.imscc or .zip', accept: '.imscc,.zip' },
  { key: 'events', title: 'Calendar', hint: '.ics of this shell, if there is one', accept: '.ics' },
  { key: 'previousEvents', title: 'Last term’s calendar', hint: '.ics, helps to find shifted copies', accept: '.ics' },
  { key: 'status', title: 'Status sheet', hint: '.csv: what is hidden, dates, student work', accept: '.csv' },
];
const fields = [
  { key: 'code', label: 'Course code', hint: 'as people say it: HYD 214' },
  { key: 'termTitle', label: 'Term', hint: 'Spring 2027' },
  { key: 'termStart', label: 'Term begins', hint: '2027-01-11', type: 'date' },
  { key: 'termEnd', label: 'Term ends', hint: '2027-05-07', type: 'date' },
  { key: 'previousTermStart', label: 'Last term began', hint: '2025-08-25', type: 'date' },
  { key: 'previousTermEnd', label: 'Last term ended', hint: '2025-12-12', type: 'date' },
  { key: 'asOf', label: 'Look from this day', hint: 'today, if left empty', type: 'date' },
  { key: 'timeZone', label: 'Time zone', hint: 'from the calendar, if left empty' },
] as const;
type FieldKey = (typeof fields)[number]['key'];

/** Takes a package and its side files, dropped together or chosen one by one, and what is known about the term. */
export function BringInForm() {
  const router = useRouter();
  const [files, setFiles] = useState<Partial<Record<Slot, File>>>({});
  const [values, setValues] = useState<Partial<Record<FieldKey, string>>>({});
  const [over, setOver] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [uploading, setUploading] = useState<string | null>(null);
  const pickers = useRef<Partial<Record<Slot, HTMLInputElement | null>>>({});
  const job = useJob((view) => {
    const { shellId } = JSON.parse(view.result ?? '{}') as { shellId: string };
    router.push(`/shells/${shellId}/bring-in`);
  });
  const take = (list: FileList | null) => {
    if (!list) return;
    const sorted = sortFiles([...list].map((f) => f.name));
    setTrouble(sorted.trouble);
    setFiles((now) => {
      const next = { ...now };
      for (const { slot, index } of sorted.placed) next[slot] = list[index];
      return next;
    });
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
      if (!sent.ok) {
        setUploading(null);
        return setTrouble(`“${file.name}”: ${sent.trouble}`);
      }
      ids[key] = { id: sent.id, name: file.name };
    }
    setUploading(null);
    await job.start('/api/bring-in', { ...ids, ...values });
  };
  const busy = uploading !== null || job.view?.state === 'waiting' || job.view?.state === 'running' || job.view?.state === 'done';
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <div
        className={styles.drop}
        data-over={over}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          take(event.dataTransfer.files);
        }}
      >
        <h2>Drop the package here, with its side files</h2>
        <p className="soft">All at once is fine; each finds its place. Nothing leaves this computer, and nothing is changed yet.</p>
        <div className={styles.slots}>
          {slots.map((slot) => (
            <div key={slot.key} className={styles.slot} data-filled={Boolean(files[slot.key])}>
              <strong>{slot.title}</strong>
              <span className="soft">{files[slot.key]?.name ?? slot.hint}</span>
              <input
                ref={(element) => {
                  pickers.current[slot.key] = element;
                }}
                type="file"
                hidden
                accept={slot.accept}
                data-testid={`file-${slot.key}`}
                onChange={(event) => {
                  const file = event.target.files?.[0];
                  if (file) setFiles((now) => ({ ...now, [slot.key]: file }));
                }}
              />
              <Button size="small" variant={slot.key === 'package' && !files.package ? 'contained' : 'outlined'} onClick={() => pickers.current[slot.key]?.click()} aria-label={`Choose: ${slot.title}`}>
                {files[slot.key] ? 'Choose another' : 'Choose'}
              </Button>
            </div>
          ))}
        </div>
      </div>
      <fieldset className={styles.fields}>
        <legend>
          <h2>What you know about the shell</h2>
        </legend>
        <p className="soft" style={{ gridColumn: '1 / -1', margin: 0 }}>
          All of it can stay empty. Without the term’s dates, nothing can be said about dates outside it; last term’s dates let new dates be proposed.
        </p>
        {fields.map((field) => (
          <TextField
            key={field.key}
            size="small"
            name={field.key}
            label={field.label}
            type={'type' in field ? field.type : 'text'}
            placeholder={field.hint}
            value={values[field.key] ?? ''}
            onChange={(event) => setValues((now) => ({ ...now, [field.key]: event.target.value }))}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        ))}
      </fieldset>
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      {uploading && <p role="status">Taking in “{uploading}” …</p>}
      <JobProgress job={job} label="Bringing in" />
      <div>
        <Button type="submit" variant="contained" size="large" disabled={busy}>
          Bring in
        </Button>
      </div>
    </form>
  );
}

async function upload(file: File): Promise<{ ok: true; id: string } | { ok: false; trouble: string }> {
  try {
    const response = await fetch(`/api/uploads?name=${encodeURIComponent(file.name)}`, { method: 'POST', body: file });
    const value = (await response.json()) as { id?: string; trouble?: string };
    return value.id ? { ok: true, id: value.id } : { ok: false, trouble: value.trouble ?? 'it did not arrive; try again.' };
  } catch {
    return { ok: false, trouble: 'it did not arrive whole; try again.' };
  }
}
