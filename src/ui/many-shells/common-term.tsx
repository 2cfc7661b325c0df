'use client';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { HouseTerm } from '@/core/time/house-terms';
import { parseLocalDate } from '@/core/dates/local-date';
import { DayField } from '../parts/day-field';
import styles from './many.module.css';

/** The term of all the shells, as the form sends it; a day that nobody said is empty. */
export interface TermWords {
  readonly termTitle: string;
  readonly termStart: string;
  readonly termEnd: string;
}

interface CommonTermProps {
  readonly terms: readonly HouseTerm[];
  readonly term: TermWords;
  readonly onTerm: (term: TermWords) => void;
}

/** What is said of the term once for all of them. */
export function CommonTerm({ terms, term, onTerm }: CommonTermProps) {
  const picked = terms.findIndex(({ title, start }) => title === term.termTitle && start === term.termStart);
  return (
    <div className={styles.term}>
      {terms.length > 0 && (
        <TextField
          select
          size="small"
          label="Term of the house"
          value={picked < 0 ? '' : String(picked)}
          onChange={(event) => {
            const house = terms[Number(event.target.value)];
            if (house) onTerm({ termTitle: house.title, termStart: house.start, termEnd: house.end });
          }}
          slotProps={{ inputLabel: { shrink: true } }}
        >
          {terms.map(({ title }, place) => (
            <MenuItem key={title} value={String(place)}>
              {title}
            </MenuItem>
          ))}
        </TextField>
      )}
      <TextField
        size="small"
        name="termTitle"
        label="Term of all of them"
        placeholder="Spring 2027"
        value={term.termTitle}
        onChange={(event) => onTerm({ ...term, termTitle: event.target.value })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <DayField
        name="termStart"
        label="Term begins"
        hint=""
        value={parseLocalDate(term.termStart)}
        onChange={(day) => onTerm({ ...term, termStart: day ?? '' })}
        onOdd={() => {}}
      />
      <DayField
        name="termEnd"
        label="Term ends"
        hint=""
        value={parseLocalDate(term.termEnd)}
        onChange={(day) => onTerm({ ...term, termEnd: day ?? '' })}
        onOdd={() => {}}
      />
    </div>
  );
}
