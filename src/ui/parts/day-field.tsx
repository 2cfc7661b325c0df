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
  /** Names the field in its form; the day stands there as 2027-01-11. */
  readonly name?: string;
  /** Told whether what is typed is no day of the calendar. */
  readonly onOdd?: (isOdd: boolean) => void;
  readonly isWrong?: boolean;
}

/** A day, typed or picked in the reader’s own form, with its weekday. */
export function DayField({ label, value, onChange, hint = '', name, onOdd, isWrong }: DayFieldProps) {
  const locale = useSyncExternalStore(noChanges, ownLocale, plainLocale);
  return (
    <LocalizationProvider dateAdapter={AdapterLuxon} adapterLocale={locale}>
      <div data-day={name ?? label} style={{ flex: 1, minWidth: 0 }}>
        <DatePicker
          label={label}
          value={value === null ? null : DateTime.fromISO(value)}
          onChange={(when) => {
            if (when === null) onChange(null);
            else if (when.isValid) onChange(parseLocalDate(when.toISODate() ?? ''));
          }}
          onError={(error) => onOdd?.(error !== null)}
          slotProps={{
            textField: {
              size: 'small',
              fullWidth: true,
              helperText: value === null ? hint : [spellWeekday(value), hint].filter(Boolean).join(', '),
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

const noChanges = () => () => undefined;
const ownLocale = (): string => navigator.language;
const plainLocale = (): string => 'en-GB';
