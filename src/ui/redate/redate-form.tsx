'use client';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { RedateMode } from '@/core/redate/ask';
import type { LocalDate } from '@/core/dates/local-date';
import type { RedateAsked } from '@/services/do/drafts/redate-ask';
import type { RedateStart } from '@/services/show/decide/redate-start';
import { DayField } from '../parts/day-field';
import styles from './redate.module.css';

const modes: readonly { readonly key: RedateMode; readonly title: string; readonly means: string }[] = [
  {
    key: 'week-and-weekday',
    title: 'Same week and weekday',
    means: 'Tuesday of teaching week 8 stays Tuesday of week 8; breaks are skipped',
  },
  { key: 'spread', title: 'Spread between first and last day', means: 'for a longer or shorter term' },
  { key: 'shift', title: 'Shift by days', means: 'everything by the same number' },
  { key: 'to-date', title: 'To one date', means: 'the times of day stay' },
  { key: 'clear', title: 'Clear', means: 'items only; an event without a date is none' },
];
const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri'] as const;

interface RedateFormProps {
  readonly start: RedateStart;
  readonly ask: RedateAsked;
  readonly onAsk: (change: Partial<RedateAsked>) => void;
}

/** What a re-dating asks: from which term, how, and of what. */
export function RedateForm({ start, ask, onAsk }: RedateFormProps) {
  return (
    <form className={styles.form} aria-label="What to re-date" onSubmit={(event) => event.preventDefault()}>
      <OldTerm start={start} ask={ask} onAsk={onAsk} />
      <fieldset className={styles.modes}>
        <legend>How a date finds its new day</legend>
        {modes.map(({ key, title, means }) => (
          <label key={key}>
            <input
              type="radio"
              name="mode"
              checked={ask.mode === key}
              onChange={() => onAsk({ mode: key })}
            />
            <span>
              {title}
              <small>{means}</small>
            </span>
          </label>
        ))}
        {ask.mode === 'shift' && (
          <TextField
            size="small"
            type="number"
            label="Days later (earlier: a minus)"
            value={ask.days ?? 0}
            onChange={(event) => onAsk({ days: Math.trunc(Number(event.target.value)) })}
          />
        )}
        {ask.mode === 'to-date' && (
          <DayField
            label="The day"
            value={(ask.date ?? null) as LocalDate | null}
            onChange={(date) => onAsk({ date })}
          />
        )}
      </fieldset>
      <TextField
        select
        size="small"
        label="What"
        value={ask.what}
        onChange={(event) => onAsk({ what: event.target.value as RedateAsked['what'] })}
      >
        <MenuItem value="all">Items and events</MenuItem>
        <MenuItem value="items">Items only</MenuItem>
        <MenuItem value="events">Events only</MenuItem>
      </TextField>
      <TextField
        select
        size="small"
        label="A day without class"
        value={ask.avoidNoClass ?? 'keep'}
        onChange={(event) => onAsk({ avoidNoClass: avoidance(event.target.value) })}
      >
        <MenuItem value="keep">stays, with a warning</MenuItem>
        <MenuItem value="next">goes to the next day with class</MenuItem>
        <MenuItem value="previous">goes to the day with class before it</MenuItem>
      </TextField>
      <ClassDays ask={ask} onAsk={onAsk} />
    </form>
  );
}

const avoidance = (value: string): RedateAsked['avoidNoClass'] =>
  value === 'next' || value === 'previous' ? value : null;

function OldTerm({ start, ask, onAsk }: RedateFormProps) {
  return (
    <fieldset>
      <legend>The old term</legend>
      <div className={styles.pair}>
        <DayField
          label="Began"
          value={(ask.oldStart ?? start.old.start) as LocalDate | null}
          onChange={(oldStart) => onAsk({ oldStart })}
        />
        <DayField
          label="Ended"
          value={(ask.oldEnd ?? start.old.end) as LocalDate | null}
          onChange={(oldEnd) => onAsk({ oldEnd })}
        />
      </div>
      {start.old.inferred && ask.oldStart === null && ask.oldEnd === null && (
        <span className="soft">Nobody told it; these days come from the dates found. Correct them here.</span>
      )}
      <TextField
        size="small"
        label="Its days without class"
        placeholder="2025-11-24..2025-11-28"
        value={ask.oldNoClass ?? start.oldNoClass}
        onChange={(event) => onAsk({ oldNoClass: event.target.value })}
      />
    </fieldset>
  );
}

/** Class days of the old term that are others in the new one. */
function ClassDays({ ask, onAsk }: Pick<RedateFormProps, 'ask' | 'onAsk'>) {
  const map = new Map(ask.map ?? []);
  const change = (from: number, to: number) => {
    const pairs = [...map].filter(([old]) => old !== from);
    onAsk({ map: from === to ? pairs : [...pairs, [from, to] as [number, number]] });
  };
  return (
    <fieldset>
      <legend>Class days change</legend>
      <div className={styles.map}>
        {weekdays.map((name, k) => (
          <label key={name}>
            {name}
            <select
              value={map.get(k + 1) ?? k + 1}
              onChange={(event) => change(k + 1, Number(event.target.value))}
            >
              {weekdays.map((other, n) => (
                <option key={other} value={n + 1}>
                  {n === k ? 'stays' : other}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </fieldset>
  );
}
