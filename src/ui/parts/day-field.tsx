'use client';
import { AdapterLuxon } from '@mui/x-date-pickers/AdapterLuxon';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { parseLocalDate, spellWeekday, type LocalDate } from '@/core/dates/local-date';
import { useLocale } from './use-locale';

interface DayFieldProps {
  readonly label: string;
  readonly value: LocalDate | null;
  /** Told only what is a whole day; null where the field was emptied. */
  readonly onChange: (day: LocalDate | null) => void;
  readonly hint?: string;
  /** Names the field in its form; the day stands there as 2027-01-11. */
  readonly name?: string;
  /** Told whether what is typed is no day of the calendar. */
  readonly onOdd?: (isOdd: boolean) => void;
  readonly isWrong?: boolean;
}

/** A day, typed or picked in the reader’s own form, with its weekday. */
export function DayField({ label, value, onChange, hint = '', name, onOdd, isWrong }: DayFieldProps) {
  const locale = useLocale();
  // What is half typed is no day yet, and must not be taken away by the day that was there before.
  const [typed, setTyped] = useState({ of: value, when: momentOf(value) });
  if (typed.of !== value) setTyped({ of: value, when: momentOf(value) });
  const take = (when: DateTime | null) => {
    const day = when?.isValid === true ? parseLocalDate(when.toISODate() ?? '') : null;
    const isWhole = when === null || day !== null;
    setTyped({ of: isWhole ? day : value, when });
    onOdd?.(!isWhole);
    if (isWhole) onChange(day);
  };
  const weekday = value === null ? '' : spellWeekday(value);
  return (
    <LocalizationProvider dateAdapter={AdapterLuxon} adapterLocale={locale}>
      <div data-day={name ?? label} style={{ flex: 1, minWidth: 0 }}>
        <DatePicker
          label={label}
          value={typed.when}
          onChange={take}
          slotProps={{
            textField: {
              size: 'small',
              fullWidth: true,
              helperText: [weekday, hint].filter(Boolean).join(', '),
              ...(isWrong ? { error: true } : {}),
            },
            field: { clearable: true },
          }}
        />
        {name !== undefined && <input type="hidden" name={name} value={value ?? ''} />}
      </div>
    </LocalizationProvider>
  );
}

const momentOf = (day: LocalDate | null): DateTime | null => (day === null ? null : DateTime.fromISO(day));
