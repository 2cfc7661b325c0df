'use client';
import { elementAt } from '@/core/sure';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { HouseTerm } from '@/core/time/house-terms';
import { parseLocalDate } from '@/core/time/local-date';
import { DayField } from '../parts/day-field';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { ColumnMapping, type Mapping } from './column-mapping';
import { FileSlots, type SlotInfo } from './file-slots';
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
const fields = [
  { key: 'code', label: 'Course code', hint: 'as people say it: HYD 214' },
  { key: 'termTitle', label: 'Term', hint: 'Spring 2027' },
  { key: 'termStart', label: 'Term begins', hint: '', isDay: true },
  { key: 'termEnd', label: 'Term ends', hint: '', isDay: true },
  { key: 'previousTermStart', label: 'Last term began', hint: '', isDay: true },
  { key: 'previousTermEnd', label: 'Last term ended', hint: '', isDay: true },
  { key: 'asOf', label: 'Look from this day', hint: 'today, if left empty', isDay: true },
  { key: 'timeZone', label: 'Time zone', hint: 'from the calendar, if left empty' },
] as const;
type FieldKey = (typeof fields)[number]['key'];

interface TermPickerProps {
  readonly terms: readonly HouseTerm[];
  readonly values: Partial<Record<FieldKey, string>>;
  readonly onPick: (term: HouseTerm) => void;
}

/** One of the house's terms, which fills the fields of the term. */
function TermPicker({ terms, values, onPick }: TermPickerProps) {
  const picked = terms.findIndex(
    (t) => t.title === values.termTitle && t.start === values.termStart && t.end === values.termEnd,
  );
  return (
    <TextField
      select
      size="small"
      label="Term of the house"
      value={picked < 0 ? '' : String(picked)}
      onChange={(event) => onPick(elementAt(terms, Number(event.target.value)))}
      helperText="fills in the term and its days"
      slotProps={{ inputLabel: { shrink: true } }}
    >
      {terms.map((term, i) => (
        <MenuItem key={i} value={String(i)}>
          {term.title}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface KnownFieldProps {
  readonly field: (typeof fields)[number];
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly onOdd: (isOdd: boolean) => void;
}

/** One of the things that are known about a shell: a day, or some words. */
function KnownField({ field, value, onChange, onOdd }: KnownFieldProps) {
  if ('isDay' in field)
    return (
      <DayField
        name={field.key}
        label={field.label}
        hint={field.hint}
        value={parseLocalDate(value)}
        onChange={(day) => onChange(day ?? '')}
        onOdd={onOdd}
      />
    );
  return (
    <TextField
      size="small"
      name={field.key}
      label={field.label}
      placeholder={field.hint}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}

function withMember<T>(set: ReadonlySet<T>, member: T, isIn: boolean): ReadonlySet<T> {
  const next = new Set(set);
  if (isIn) next.add(member);
  else next.delete(member);
  return next;
}

/** Takes a package and its side files, dropped together or chosen one by one, and what is known about the term. */
export function BringInForm({ remembered, terms }: { remembered: Mapping; terms: readonly HouseTerm[] }) {
  const router = useRouter();
  const { files, mapping, setMapping, trouble, uploading, put, drop, sendAll } = useChosenFiles(
    slots,
    remembered,
  );
  const [values, setValues] = useState<Partial<Record<FieldKey, string>>>({});
  const job = useJob((view) => {
    const { shellId } = JSON.parse(view.result ?? '{}') as { shellId: string };
    router.push(`/shells/${shellId}/bring-in`);
  });
  const [baselineIs, setBaselineIs] = useState<'supplied' | 'template'>('supplied');
  const [odd, setOdd] = useState<ReadonlySet<FieldKey>>(new Set());
  const oddField = fields.find(({ key }) => odd.has(key));
  const submit = async () => {
    if (oddField) return;
    const sent = await sendAll();
    if (sent) await job.start('/api/bring-in', { ...sent, ...values, statusColumns: mapping, baselineIs });
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
      <fieldset className={styles.fields}>
        <legend>
          <h2>What you know about the shell</h2>
        </legend>
        <p className="soft" style={{ gridColumn: '1 / -1', margin: 0 }}>
          All of it can stay empty. Without the term’s dates, nothing can be said about dates outside it; last
          term’s dates let new dates be proposed.
        </p>
        {terms.length > 0 && (
          <TermPicker
            terms={terms}
            values={values}
            onPick={(term) =>
              setValues((now) => ({
                ...now,
                termTitle: term.title,
                termStart: term.start,
                termEnd: term.end,
              }))
            }
          />
        )}
        {fields.map((field) => (
          <KnownField
            key={field.key}
            field={field}
            value={values[field.key] ?? ''}
            onChange={(value) => setValues((now) => ({ ...now, [field.key]: value }))}
            onOdd={(isOdd) => setOdd((now) => withMember(now, field.key, isOdd))}
          />
        ))}
        {files.baseline && (
          <TextField
            select
            size="small"
            label="The baseline is"
            value={baselineIs}
            onChange={(event) => setBaselineIs(event.target.value as 'supplied' | 'template')}
          >
            <MenuItem value="supplied">shown to students outside this shell</MenuItem>
            <MenuItem value="template">what this shell began as a copy of</MenuItem>
          </TextField>
        )}
      </fieldset>
      {oddField && (
        <Alert severity="error" role="alert">
          “{oddField.label}” is no day of the calendar; write it anew, or empty it.
        </Alert>
      )}
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      {uploading && <p role="status">Taking in “{uploading}” …</p>}
      <JobProgress job={job} label="Bringing in" />
      <div>
        <Button type="submit" variant="contained" size="large" disabled={busy || oddField !== undefined}>
          Bring in
        </Button>
      </div>
    </form>
  );
}
