import { elementAt } from '@/core/sure';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import type { HouseTerm } from '@/core/time/house-terms';
import { parseLocalDate } from '@/core/dates/local-date';
import { DayField } from '../parts/day-field';
import styles from './bring-in.module.css';

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
export type FieldKey = (typeof fields)[number]['key'];

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

/** What was said about a shell so far; a day that is none is odd, and holds up what follows. */
export interface KnownAboutShell {
  readonly values: Partial<Record<FieldKey, string>>;
  readonly set: (values: Partial<Record<FieldKey, string>>) => void;
  readonly markOdd: (key: FieldKey, isOdd: boolean) => void;
  /** The label of a field that is odd. */
  readonly odd: string | null;
}

export function useKnownAboutShell(): KnownAboutShell {
  const [values, setValues] = useState<Partial<Record<FieldKey, string>>>({});
  const [odd, setOdd] = useState<ReadonlySet<FieldKey>>(new Set());
  return {
    values,
    set: (more) => setValues((now) => ({ ...now, ...more })),
    markOdd: (key, isOdd) => setOdd((now) => withMember(now, key, isOdd)),
    odd: fields.find(({ key }) => odd.has(key))?.label ?? null,
  };
}

interface KnownFieldsProps {
  readonly known: KnownAboutShell;
  readonly terms: readonly HouseTerm[];
  /** What else is asked, below. */
  readonly children: ReactNode;
}

/** Everything that may be said about a shell; all of it can stay empty. */
export function KnownFields({ known, terms, children }: KnownFieldsProps) {
  const { values } = known;
  return (
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
          onPick={({ title, start, end }) => known.set({ termTitle: title, termStart: start, termEnd: end })}
        />
      )}
      {fields.map((field) => (
        <KnownField
          key={field.key}
          field={field}
          value={values[field.key] ?? ''}
          onChange={(value) => known.set({ [field.key]: value })}
          onOdd={(isOdd) => known.markOdd(field.key, isOdd)}
        />
      ))}
      {children}
    </fieldset>
  );
}
