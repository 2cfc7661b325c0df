import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import TextField from '@mui/material/TextField';
import type { Dating } from '@/core/add/redate-taken';
import type { PreviewView } from '@/services/do/add/preview-view';

/** Where added things land, and what becomes of their dates. */
export interface AddOptions {
  readonly where: 'match' | 'end' | 'in';
  /** The module, where everything lands in one. */
  readonly module: string;
  readonly dating: Dating['mode'];
}

interface AddOptionsProps {
  readonly options: AddOptions;
  readonly modules: PreviewView['modules'];
  readonly onChange: (change: Partial<AddOptions>) => void;
}

export function WhereItLands({ options, modules, onChange }: AddOptionsProps) {
  return (
    <section>
      <h2 id="where">Where it lands</h2>
      <RadioGroup
        aria-labelledby="where"
        value={options.where}
        onChange={(event) => onChange({ where: event.target.value as AddOptions['where'] })}
      >
        <FormControlLabel
          value="match"
          control={<Radio size="small" />}
          label="In the matching module, by name or number; else at the end"
        />
        <FormControlLabel value="end" control={<Radio size="small" />} label="At the end" />
        <FormControlLabel
          value="in"
          control={<Radio size="small" />}
          disabled={!modules.length}
          label="In one module"
        />
      </RadioGroup>
      {options.where === 'in' && (
        <TextField
          select
          size="small"
          label="Module"
          value={options.module}
          onChange={(event) => onChange({ module: event.target.value })}
          fullWidth
        >
          {modules.map((m) => (
            <MenuItem key={m.ref} value={m.ref}>
              {m.title}
            </MenuItem>
          ))}
        </TextField>
      )}
    </section>
  );
}

export function ItsDates({ options, onChange }: Pick<AddOptionsProps, 'options' | 'onChange'>) {
  return (
    <section>
      <h2 id="dates">Its dates</h2>
      <RadioGroup
        aria-labelledby="dates"
        value={options.dating}
        onChange={(event) => onChange({ dating: event.target.value as Dating['mode'] })}
      >
        <FormControlLabel value="keep" control={<Radio size="small" />} label="Stay as they are" />
        <FormControlLabel
          value="week-and-weekday"
          control={<Radio size="small" />}
          label="Same week and weekday of this term"
        />
        <FormControlLabel value="clear" control={<Radio size="small" />} label="Are taken away" />
      </RadioGroup>
      <p className="soft" style={{ margin: 0, fontSize: '0.85rem' }}>
        No date is dropped unless you take it away: what lies far outside the old term stays.
      </p>
    </section>
  );
}
