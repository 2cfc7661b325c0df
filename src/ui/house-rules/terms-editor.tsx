'use client';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { readDayList, spellDayList } from '@/core/time/day-list';
import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';
import { DayField } from '../parts/day-field';
import type { WrittenRules } from '@/services/keep/rules/written-rules';
import styles from './house-rules.module.css';
import { termsOf, withTerms, type WrittenTerm } from './written-rules';

/** The terms of the house: title, first and last day, days without class. A shell that is brought in takes from them what nobody said. */
export function TermsEditor({
  rules,
  onChange,
}: {
  rules: WrittenRules;
  onChange: (rules: WrittenRules) => void;
}) {
  const terms = termsOf(rules);
  const change = (at: number, term: WrittenTerm | null) =>
    onChange(
      withTerms(
        rules,
        terms.map((t, i) => (i === at ? term : t)).filter((t) => t !== null && t !== undefined),
      ),
    );
  return (
    <section aria-labelledby="terms">
      <h2 id="terms">Terms</h2>
      <p className="soft">
        Every shell that is brought in takes from here what nobody said of its term: the days, and when there
        is no class.
      </p>
      {terms.length > 0 && (
        <ul className={styles.terms}>
          {terms.map((term, i) => (
            // A term has no name of its own that stays while it is typed; its place does.
            <li key={i}>
              <TermFields term={term} onChange={(next) => change(i, next)} onRemove={() => change(i, null)} />
            </li>
          ))}
        </ul>
      )}
      <Button onClick={() => onChange(withTerms(rules, [...terms, { title: '', start: '', end: '' }]))}>
        Add a term
      </Button>
    </section>
  );
}

function TermFields({
  term,
  onChange,
  onRemove,
}: {
  term: WrittenTerm;
  onChange: (term: WrittenTerm) => void;
  onRemove: () => void;
}) {
  const backwards = term.start !== '' && term.end !== '' && term.end < term.start;
  return (
    <fieldset className={styles.term} aria-label={term.title || 'New term'}>
      <TextField
        size="small"
        label="Title"
        placeholder="Spring 2027"
        value={term.title}
        onChange={(e) => onChange({ ...term, title: e.target.value })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <DayField
        label="First day"
        value={parseLocalDate(term.start)}
        onChange={(day) => onChange({ ...term, start: day ?? '' })}
      />
      <DayField
        label="Last day"
        value={parseLocalDate(term.end)}
        isWrong={backwards}
        hint={backwards ? 'before the first day' : ''}
        onChange={(day) => onChange({ ...term, end: day ?? '' })}
      />
      <NoClassField
        days={term.noClass ?? []}
        onChange={(noClass) =>
          onChange({
            title: term.title,
            start: term.start,
            end: term.end,
            ...(noClass.length ? { noClass } : {}),
          })
        }
      />
      <Button color="inherit" onClick={onRemove} aria-label={`Remove ${term.title || 'this term'}`}>
        Remove
      </Button>
    </fieldset>
  );
}

/** Days and ranges as one line; what is being typed stays as typed until the field is left. */
function NoClassField({
  days,
  onChange,
}: {
  days: readonly string[];
  onChange: (days: readonly string[]) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const read = text === null ? null : readDayList(text);
  return (
    <TextField
      size="small"
      label="No class on"
      placeholder="days and ranges, such as 2027-03-15..2027-03-19"
      value={text ?? spellDayList(days as readonly LocalDate[])}
      error={read?.ok === false}
      helperText={read?.ok === false ? read.trouble.message : undefined}
      onChange={(e) => {
        setText(e.target.value);
        const next = readDayList(e.target.value);
        if (next.ok) onChange(next.value);
      }}
      onBlur={() => {
        if (read?.ok !== false) setText(null);
      }}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}
