'use client';
import { AdapterLuxon } from '@mui/x-date-pickers/AdapterLuxon';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { DateTime } from 'luxon';
import { useSyncExternalStore } from 'react';
import { parseLocalDate, spellWeekday, type LocalDate } from '@/core/time/local-date';

interface DayFieldProps {
  readonly label: string;
  readonly value: LocalDate | null;
  /** Told only what is a whole day; null where the field was emptied. */
  readonly onChange: (day: LocalDate | null) => void;
  readonly hint?: string;
}

/** A day, typed or picked in the reader’s own form, with its weekday. */
export function DayField({ label, value, onChange, hint = '' }: DayFieldProps) {
  const locale = useSyncExternalStore(noChanges, ownLocale, plainLocale);
  return (
    <LocalizationProvider dateAdapter={AdapterLuxon} adapterLocale={locale}>
      <DatePicker
        label={label}
        value={value === null ? null : DateTime.fromISO(value)}
        onChange={(when) => {
          if (when === null) onChange(null);
          else if (when.isValid) onChange(parseLocalDate(when.toISODate() ?? ''));
        }}
        slotProps={{
          textField: {
            size: 'small',
            fullWidth: true,
            helperText: value === null ? hint : spellWeekday(value),
          },
          field: { clearable: true },
        }}
      />
    </LocalizationProvider>
  );
}

const noChanges = () => () => undefined;
const ownLocale = (): string => navigator.language;
const plainLocale = (): string => 'en-GB';
