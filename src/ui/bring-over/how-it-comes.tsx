'use client';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import type { Landing } from '@/core/add/landing';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';
import { DayField } from '../parts/day-field';
import type { Bringing } from './use-bringing';
import styles from './bring-over.module.css';

interface HowItComesProps {
  readonly view: BringOverView;
  readonly bringing: Bringing;
  readonly onChange: (change: Partial<Bringing>) => void;
}

/** Where things land, what becomes of their dates, and what students see of them. */
export function HowItComes({ view, bringing, onChange }: HowItComesProps) {
  return (
    <div className={styles.how}>
      <HowDatesMove view={view} bringing={bringing} onChange={onChange} />
      <WhereThingsLand view={view} bringing={bringing} onChange={onChange} />
    </div>
  );
}

function HowDatesMove({ view, bringing, onChange }: HowItComesProps) {
  const { dating, sourceTerm } = bringing;
  const term = {
    start: sourceTerm.start ?? view.sourceTerm.start,
    end: sourceTerm.end ?? view.sourceTerm.end,
  };
  return (
    <section>
      <h2 id="dates">Dates</h2>
      <RadioGroup
        aria-labelledby="dates"
        value={dating.mode}
        onChange={(event) =>
          onChange({ dating: { ...dating, mode: event.target.value as Bringing['dating']['mode'] } })
        }
      >
        <FormControlLabel value="keep" control={<Radio size="small" />} label="Stay as they are" />
        <FormControlLabel
          value="week-and-weekday"
          control={<Radio size="small" />}
          label="Move to the same week and weekday of this term"
        />
        <FormControlLabel value="shift" control={<Radio size="small" />} label="Move by a number of days" />
        <FormControlLabel value="clear" control={<Radio size="small" />} label="Are cleared" />
      </RadioGroup>
      {dating.mode === 'shift' && (
        <TextField
          size="small"
          label="Days later, or earlier where negative"
          value={dating.days}
          onChange={(event) => {
            const days = Number(event.target.value);
            if (Number.isInteger(days)) onChange({ dating: { ...dating, days } });
          }}
        />
      )}
      {dating.mode === 'week-and-weekday' && (
        <div className={styles.term}>
          <DayField
            label="First day of the source’s term"
            value={term.start}
            onChange={(start) => onChange({ sourceTerm: { ...term, start } })}
          />
          <DayField
            label="Last day"
            value={term.end}
            onChange={(end) => onChange({ sourceTerm: { ...term, end } })}
          />
        </div>
      )}
    </section>
  );
}

function WhereThingsLand({ view, bringing, onChange }: HowItComesProps) {
  const { landing, hidden } = bringing;
  const where = landing.where === 'match' || landing.where === 'end' ? landing.where : 'in';
  const change = (next: string) => {
    if (next === 'match' || next === 'end') return onChange({ landing: { where: next } });
    onChange({ landing: { where: 'in', ref: view.modules[0]?.ref ?? '' } });
  };
  return (
    <section>
      <h2 id="where">Place</h2>
      <RadioGroup aria-labelledby="where" value={where} onChange={(event) => change(event.target.value)}>
        <FormControlLabel
          value="match"
          control={<Radio size="small" />}
          label="In the module of the same name or number, beside the same neighbours"
        />
        <FormControlLabel
          value="end"
          control={<Radio size="small" />}
          label="At the end of the module of the same name or number"
        />
        <FormControlLabel
          value="in"
          control={<Radio size="small" />}
          disabled={view.modules.length === 0}
          label="All in one module"
        />
      </RadioGroup>
      {where === 'in' && <ModuleField landing={landing} view={view} onChange={onChange} />}
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={hidden}
            onChange={(event) => onChange({ hidden: event.target.checked })}
          />
        }
        label="Bring everything over hidden"
      />
    </section>
  );
}

function ModuleField({
  landing,
  view,
  onChange,
}: Pick<HowItComesProps, 'view' | 'onChange'> & { readonly landing: Landing }) {
  return (
    <TextField
      select
      size="small"
      label="Module"
      value={'ref' in landing ? landing.ref : ''}
      onChange={(event) => onChange({ landing: { where: 'in', ref: event.target.value } })}
      fullWidth
    >
      {view.modules.map(({ ref, title }) => (
        <MenuItem key={ref} value={ref}>
          {title}
        </MenuItem>
      ))}
    </TextField>
  );
}
